import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** Changing hands at one bench: a badge of paper, a number of one's own after it, and a bench that locks. */
export class Badges extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      alter table person add column pin_hash text not null default '';
      alter table session add column locked boolean not null default false;
      create table badge (
        shop_id uuid not null, person_id uuid not null, token_hash text not null unique,
        primary key (shop_id, person_id), foreign key (shop_id, person_id) references person (shop_id, id) on delete cascade);
      alter table badge enable row level security; alter table badge force row level security;
      create policy own_shop on badge using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy saved on badge for select to snavek_backup using (true);
      grant select, insert, update, delete on badge to ${role};

      drop function resolve_session(text);
      create function resolve_session(wanted text) returns table (shop_id uuid, person_id uuid, name text, login text, role text, bench text, shop_name text, settings jsonb, demo boolean, expires_at timestamptz, locked boolean)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, p.name, p.login, p.role, p.bench, w.name, w.settings, w.demo, s.expires_at, s.locked from public.session s
           join public.person p on p.shop_id = s.shop_id and p.id = s.person_id join public.workshop w on w.id = s.shop_id
           where s.token_hash = wanted and s.expires_at > now() $$;
      revoke all on function resolve_session from public;
      grant execute on function resolve_session to ${role};
    `);
  }
}
