import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** Photographs of a device, and the stock of parts. A photograph may come before its job is opened: the draft's id is the job's. */
export class Receive extends Migration {
  override up(): void {
    this.addSql(`
      create table photo (
        shop_id uuid not null references workshop, id uuid not null, job_id uuid not null, person_id uuid not null, jpeg bytea not null, width integer not null, height integer not null,
        taken_at timestamptz not null default now(), primary key (shop_id, id), foreign key (shop_id, person_id) references person (shop_id, id));
      create index photo_job on photo (shop_id, job_id);
      create index photo_person on photo (shop_id, person_id);
      create table part (
        shop_id uuid not null references workshop, id uuid not null, name text not null, kind text not null, model_id text not null, slot text not null, provenance text not null,
        supplier text not null default '', lot text not null default '', serial text not null default '', price_minor integer not null check (price_minor >= 0), arrives_with jsonb not null default '[]',
        released text not null default 'not needed', proof text not null default '', job_id uuid, added_at timestamptz not null default now(), gone boolean not null default false,
        primary key (shop_id, id), foreign key (shop_id, job_id) references job (shop_id, id));
      create index part_place on part (shop_id, model_id, slot) where job_id is null and not gone;
      create index part_job on part (shop_id, job_id);
      -- what finished jobs have shown about faults is counted from these alone
      create index job_event_fault on job_event (shop_id, job_id, seq) where event->'body'->>'type' in ('symptomSet', 'tested', 'causeStated');
      create index job_tag on job (shop_id, lower(tag));
    `);
    for (const t of ['photo', 'part']) {
      this.addSql(`
        alter table ${t} enable row level security; alter table ${t} force row level security;
        create policy own_shop on ${t} using (shop_id = shop_now()) with check (shop_id = shop_now());`);
    }
    this.addSql(
      `grant select, insert, delete on photo to ${appRole()}; grant select, insert, update on part to ${appRole()};`,
    );
  }
}
