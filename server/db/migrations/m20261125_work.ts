import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** The spares box of screws, and identity data saved from parts. Notes about things of a model are found by their own index. */
export class Work extends Migration {
  override up(): void {
    this.addSql(`
      create table spare_screw (
        shop_id uuid not null references workshop, id uuid not null, drive text not null, thread text not null, length_mm numeric(5,2) not null check (length_mm > 0), head_mm numeric(5,2) not null check (head_mm > 0),
        count integer not null check (count >= 0), note text not null default '', primary key (shop_id, id), unique (shop_id, drive, thread, length_mm, head_mm));
      create table identity_data (
        shop_id uuid not null, job_id uuid not null, digest text not null, slot text not null, part_model text not null, serial text not null, hex text not null, person_id uuid not null, read_at timestamptz not null default now(),
        primary key (shop_id, job_id, digest), foreign key (shop_id, job_id) references job (shop_id, id), foreign key (shop_id, person_id) references person (shop_id, id));
      create index identity_data_person on identity_data (shop_id, person_id);
      -- what was noted about a thing is shown the next time with this model
      create index job_event_note on job_event (shop_id, job_id, seq) where event->'body'->>'type' in ('noted', 'photographed') and event->'body'->>'thing' is not null;
    `);
    for (const t of ['spare_screw', 'identity_data']) {
      this.addSql(`
        alter table ${t} enable row level security; alter table ${t} force row level security;
        create policy own_shop on ${t} using (shop_id = shop_now()) with check (shop_id = shop_now());`);
    }
    this.addSql(
      `grant select, insert, update, delete on spare_screw to ${appRole()}; grant select, insert on identity_data to ${appRole()};`,
    );
  }
}
