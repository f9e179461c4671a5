import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/**
 * The tables of the first slice, the restricted role that the app uses, and row-level security on every table of
 * a workshop. The app's role owns nothing; the migrating owner is bound by the policies too (FORCE).
 */
export class First extends Migration {
  override up(): void {
    this.addSql(`
      create table workshop (
        id uuid primary key, name text not null, settings jsonb not null, demo boolean not null default false, created_at timestamptz not null default now());
      create table person (
        shop_id uuid not null references workshop, id uuid not null, login text not null unique, name text not null,
        role text not null check (role in ('owner','lead','technician','trainee')), bench text not null default '', password_hash text not null,
        primary key (shop_id, id));
      create table session (
        shop_id uuid not null, token_hash text not null unique, person_id uuid not null, expires_at timestamptz not null,
        primary key (shop_id, token_hash), foreign key (shop_id, person_id) references person (shop_id, id) on delete cascade);
      create index session_person on session (shop_id, person_id);
      create table device_model (
        hash text primary key, shop_id uuid references workshop, model_id text not null, name text not null, current boolean not null default true, model jsonb not null);
      create index device_model_shop on device_model (shop_id);
      create table route (
        shop_id uuid not null references workshop, hash text not null, route jsonb not null, primary key (shop_id, hash));
      create table job (
        shop_id uuid not null references workshop, id uuid not null, number integer not null, tag text not null, model_hash text not null references device_model,
        variant text not null, seq integer not null, stage text not null, summary jsonb not null, promised_at timestamptz, ending text,
        opened_at timestamptz not null default now(), updated_at timestamptz not null default now(), primary key (shop_id, id), unique (shop_id, number));
      create index job_open on job (shop_id, promised_at) where ending is null;
      create index job_model on job (model_hash);
      create table job_event (
        shop_id uuid not null, job_id uuid not null, seq integer not null, event jsonb not null, recorded_at timestamptz not null default now(),
        primary key (shop_id, job_id, seq), foreign key (shop_id, job_id) references job (shop_id, id));
      create table job_command (
        shop_id uuid not null, command_id text not null, job_id uuid not null, outcome jsonb not null,
        primary key (shop_id, command_id), foreign key (shop_id, job_id) references job (shop_id, id));
      create index job_command_job on job_command (shop_id, job_id);
      create table job_snapshot (
        shop_id uuid not null, job_id uuid not null, seq integer not null, core text not null, state jsonb not null,
        primary key (shop_id, job_id, seq), foreign key (shop_id, job_id) references job (shop_id, id));
      create table job_private (
        shop_id uuid not null, job_id uuid not null, kind text not null, value text not null,
        primary key (shop_id, job_id, kind), foreign key (shop_id, job_id) references job (shop_id, id));
      create table draft (
        shop_id uuid not null references workshop, id uuid not null, person_id uuid not null, body jsonb not null, updated_at timestamptz not null default now(),
        primary key (shop_id, id), foreign key (shop_id, person_id) references person (shop_id, id));
      create index draft_person on draft (shop_id, person_id);
      create table sign_in_attempt (key varchar(255) primary key, points integer not null default 0, expire bigint);
    `);
    this.addSql(`
      create function shop_now() returns uuid language sql stable as $$ select nullif(current_setting('app.shop', true), '')::uuid $$;
      create function append_only() returns trigger language plpgsql as $$ begin raise exception 'the log of a job is never rewritten'; end $$;
      create trigger job_event_append_only before update or delete on job_event for each row execute function append_only();
    `);
    for (const t of [
      'person',
      'session',
      'route',
      'job',
      'job_event',
      'job_command',
      'job_snapshot',
      'job_private',
      'draft',
    ]) {
      this.addSql(`
        alter table ${t} enable row level security; alter table ${t} force row level security;
        create policy own_shop on ${t} using (shop_id = shop_now()) with check (shop_id = shop_now());`);
    }
    this.addSql(`
      alter table workshop enable row level security; alter table workshop force row level security;
      create policy own_shop on workshop using (id = shop_now()) with check (id = shop_now());
      alter table device_model enable row level security; alter table device_model force row level security;
      create policy readable on device_model for select using (shop_id is null or shop_id = shop_now());
      create policy own_shop on device_model for insert with check (shop_id = shop_now());
      create policy shipped on device_model to current_user using (shop_id is null) with check (shop_id is null);
      -- only the two functions below look across workshops, and only to find the one workshop of a login or a session
      create policy resolving on person for select to current_user using (true);
      create policy resolving on session for select to current_user using (true);
      create policy demo_list on workshop for select to current_user using (true);
      create function resolve_login(wanted text) returns table (shop_id uuid, person_id uuid, password_hash text)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, p.password_hash from public.person p where p.login = wanted $$;
      create function resolve_session(wanted text) returns table (shop_id uuid, person_id uuid, name text, login text, role text, bench text, shop_name text, settings jsonb, demo boolean)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, p.name, p.login, p.role, p.bench, w.name, w.settings, w.demo from public.session s
           join public.person p on p.shop_id = s.shop_id and p.id = s.person_id join public.workshop w on w.id = s.shop_id
           where s.token_hash = wanted and s.expires_at > now() $$;
      create function demo_people() returns table (login text, name text, role text, bench text)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.login, p.name, p.role, p.bench from public.person p join public.workshop w on w.id = p.shop_id where w.demo order by p.login $$;
      revoke all on function resolve_login, resolve_session, demo_people from public;
    `);
    const role = appRole();
    this.addSql(`
      do $$ begin
        if not exists (select from pg_roles where rolname = '${role}') then create role ${role} login nosuperuser nocreatedb nocreaterole nobypassrls; end if;
      end $$;
      grant usage on schema public to ${role};
      grant select, insert, update, delete on workshop, person, session, route, draft, job_private, sign_in_attempt to ${role};
      grant select, insert, update on job to ${role};
      grant select, insert on job_event, job_command, device_model to ${role};
      grant select, insert, delete on job_snapshot to ${role};
      grant execute on function resolve_login, resolve_session, demo_people, shop_now to ${role};
    `);
  }
}
