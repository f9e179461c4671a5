import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** Curves of instruments: rows of their own, named by an event, so that the log stays light. */
export class Measurements extends Migration {
  override up(): void {
    this.addSql(`
      create table job_measurement (
        shop_id uuid not null, job_id uuid not null, id uuid not null, kind text not null, unit text not null, instrument text not null,
        settings jsonb not null, samples jsonb not null, result jsonb not null, person_id uuid not null, taken_at timestamptz not null default now(),
        primary key (shop_id, id), foreign key (shop_id, job_id) references job (shop_id, id), foreign key (shop_id, person_id) references person (shop_id, id));
      create index job_measurement_job on job_measurement (shop_id, job_id);
      create index job_measurement_person on job_measurement (shop_id, person_id);
      alter table job_measurement enable row level security; alter table job_measurement force row level security;
      create policy own_shop on job_measurement using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy saved on job_measurement for select to snavek_backup using (true);
      grant select, insert on job_measurement to ${appRole()};
    `);
  }
}
