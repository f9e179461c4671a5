import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** The page on a repaired phone: a link for one round of one job, for a while. It is asked for before anybody is known. */
export class DevicePages extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      create table device_page (
        shop_id uuid not null, token_hash text not null unique, job_id uuid not null, person_id uuid not null, round text not null,
        expires_at timestamptz not null, holder text not null default '',
        primary key (shop_id, token_hash),
        foreign key (shop_id, job_id) references job (shop_id, id) on delete cascade,
        foreign key (shop_id, person_id) references person (shop_id, id) on delete cascade);
      create index device_page_job on device_page (shop_id, job_id);
      create index device_page_person on device_page (shop_id, person_id);
      alter table device_page enable row level security; alter table device_page force row level security;
      create policy own_shop on device_page using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy resolving on device_page for select to current_user using (true);
      create policy saved on device_page for select to snavek_backup using (true);
      grant select, insert, update, delete on device_page to ${role};
      create function resolve_device_page(wanted text) returns table (shop_id uuid, person_id uuid, name text, login text, role text, bench text, shop_name text, settings jsonb, demo boolean, job_id uuid, round text, expires_at timestamptz)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, p.name, p.login, p.role, p.bench, w.name, w.settings, w.demo, d.job_id, d.round, d.expires_at from public.device_page d
           join public.person p on p.shop_id = d.shop_id and p.id = d.person_id join public.workshop w on w.id = d.shop_id
           where d.token_hash = wanted and d.expires_at > now() and p.left_at is null $$;
      revoke all on function resolve_device_page from public;
      grant execute on function resolve_device_page to ${role};
    `);
  }
}
