import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/**
 * A workshop of one's own: it can be founded while there is none, people come in by a link that serves once, and leave
 * while the record keeps their names.
 */
export class OwnWorkshop extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      alter table person add column left_at timestamptz null;
      alter table session add column opened_at timestamptz not null default now(), add column browser text not null default '';
      create table invite (
        shop_id uuid not null, token_hash text not null unique, person_id uuid not null, expires_at timestamptz not null,
        primary key (shop_id, token_hash), foreign key (shop_id, person_id) references person (shop_id, id) on delete cascade);
      create index invite_person on invite (shop_id, person_id);
      alter table invite enable row level security; alter table invite force row level security;
      create policy own_shop on invite using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy resolving on invite for select to current_user using (true);
      grant select, insert, update, delete on invite to ${role};

      drop function resolve_login(text);
      create function resolve_login(wanted text) returns table (shop_id uuid, person_id uuid, password_hash text)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, p.password_hash from public.person p where p.login = wanted and p.left_at is null $$;
      create function resolve_invite(wanted text) returns table (shop_id uuid, person_id uuid, shop_name text, name text, login text, has_password boolean)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, w.name, p.name, p.login, p.password_hash <> '' from public.invite i
           join public.person p on p.shop_id = i.shop_id and p.id = i.person_id join public.workshop w on w.id = i.shop_id
           where i.token_hash = wanted and i.expires_at > now() and p.left_at is null $$;
      create function workshop_count() returns bigint
        language sql stable security definer set search_path = pg_catalog, public as $$ select count(*) from public.workshop $$;
      revoke all on function resolve_login, resolve_invite, workshop_count from public;
      grant execute on function resolve_login, resolve_invite, workshop_count to ${role};
    `);
  }
}
