import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** The address of a workshop's calendar: a secret, of which only the digest is kept. It is asked for before anybody is known. */
export class Calendar extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      create table calendar_feed (
        shop_id uuid not null references workshop (id), token_hash text not null unique,
        made_at timestamptz not null default now(), primary key (shop_id));
      alter table calendar_feed enable row level security; alter table calendar_feed force row level security;
      create policy own_shop on calendar_feed using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy resolving on calendar_feed for select to current_user using (true);
      create policy saved on calendar_feed for select to snavek_backup using (true);
      grant select, insert, update, delete on calendar_feed to ${role};
      create function resolve_calendar(wanted text) returns table (shop_id uuid)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select c.shop_id from public.calendar_feed c where c.token_hash = wanted $$;
      revoke all on function resolve_calendar from public;
      grant execute on function resolve_calendar to ${role};
    `);
  }
}
