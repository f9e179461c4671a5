import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/**
 * A log is written on in one call. The caller has decided on the state that it holds, and says where in the log that is:
 * when the log still ends there, all of it is written and committed; when it does not, the caller is told what is newer and
 * decides again. Nothing is locked while anybody thinks. It runs with the caller's rights: row-level security applies.
 *
 * What processes hold of sessions, people and workshops they drop when they are told that it has changed.
 */
export class WriteAtOnce extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      drop function open_job(uuid, uuid, text, text, integer, text);
      drop function append_events(uuid, text, jsonb, jsonb, integer, text, jsonb, text, double precision);
      create function append_log(shop uuid, token text, wanted uuid, base_seq integer, base_id text, core_version text, writing jsonb) returns jsonb
      language plpgsql as $$
      declare head integer; hash text; kind text; known jsonb; based boolean; from_seq integer := 0; snap jsonb; line jsonb := writing->'job'; kept jsonb := writing->'snapshot';
      begin
        perform set_config('app.shop', shop::text, true);
        if token is not null and not exists (select 1 from session s where s.shop_id = shop and s.token_hash = token and s.expires_at > now()) then
          return jsonb_build_object('answer', 'signed out');
        end if;
        select j.seq, j.model_hash, j.variant into head, hash, kind from job j where j.shop_id = shop and j.id = wanted for update;
        if not found then return jsonb_build_object('answer', 'no such job'); end if;
        select jsonb_object_agg(c.command_id, jsonb_build_object('job', c.job_id, 'outcome', c.outcome)) into known
          from job_command c where c.shop_id = shop and c.command_id = any(array(select x->>'id' from jsonb_array_elements(writing->'commands') x));
        if known is not null then return jsonb_build_object('answer', 'known', 'known', known); end if;
        -- a database that was put back to an earlier day may have gone on from there: the number alone proves nothing
        based := base_seq > 0 and exists (select 1 from job_event e where e.shop_id = shop and e.job_id = wanted and e.seq = base_seq and e.event->>'id' = base_id);
        if base_seq = head and (based or head = 0) then
          insert into job_event (shop_id, job_id, seq, event) select shop, wanted, (e->>'seq')::int, e from jsonb_array_elements(writing->'events') e;
          insert into job_command (shop_id, command_id, job_id, outcome) select shop, c->>'id', wanted, c->'outcome' from jsonb_array_elements(writing->'commands') c;
          if jsonb_typeof(line) = 'object' then
            update job set seq = (line->>'seq')::int, stage = line->>'stage', summary = line->'summary', ending = line->>'ending',
              promised_at = to_timestamp((line->>'promisedAtS')::float8), updated_at = now() where shop_id = shop and id = wanted;
            perform pg_notify('snavek_job', json_build_object('shop', shop, 'job', wanted, 'seq', (line->>'seq')::int)::text);
          end if;
          if jsonb_typeof(kept) = 'object' then
            insert into job_snapshot (shop_id, job_id, seq, core, state) values (shop, wanted, (kept->>'seq')::int, core_version, kept->'state') on conflict do nothing;
            delete from job_snapshot s where s.shop_id = shop and s.job_id = wanted and s.seq < (kept->>'keepFrom')::int;
          end if;
          return jsonb_build_object('answer', 'written');
        end if;
        if based then from_seq := base_seq;
        else
          select s.seq, s.state into from_seq, snap from job_snapshot s where s.shop_id = shop and s.job_id = wanted and s.core = core_version order by s.seq desc limit 1;
        end if;
        return jsonb_build_object('answer', 'newer', 'modelHash', hash, 'variant', kind, 'based', based, 'state', snap, 'events',
          (select coalesce(jsonb_agg(e.event order by e.seq), '[]') from job_event e where e.shop_id = shop and e.job_id = wanted and e.seq > coalesce(from_seq, 0)));
      end $$;
      revoke all on function append_log from public;
      grant execute on function append_log to ${role};

      drop function resolve_session(text);
      create function resolve_session(wanted text) returns table (shop_id uuid, person_id uuid, name text, login text, role text, bench text, shop_name text, settings jsonb, demo boolean, expires_at timestamptz)
        language sql stable security definer set search_path = pg_catalog, public as
        $$ select p.shop_id, p.id, p.name, p.login, p.role, p.bench, w.name, w.settings, w.demo, s.expires_at from public.session s
           join public.person p on p.shop_id = s.shop_id and p.id = s.person_id join public.workshop w on w.id = s.shop_id
           where s.token_hash = wanted and s.expires_at > now() $$;
      revoke all on function resolve_session from public;
      grant execute on function resolve_session to ${role};

      create function tell_session() returns trigger language plpgsql as $$ begin perform pg_notify('snavek_who', json_build_object('session', old.token_hash)::text); return null; end $$;
      create function tell_person() returns trigger language plpgsql as $$ begin perform pg_notify('snavek_who', json_build_object('shop', old.shop_id)::text); return null; end $$;
      create function tell_workshop() returns trigger language plpgsql as $$ begin perform pg_notify('snavek_who', json_build_object('shop', old.id)::text); return null; end $$;
      create trigger session_told after update or delete on session for each row execute function tell_session();
      create trigger person_told after update or delete on person for each row execute function tell_person();
      create trigger workshop_told after update on workshop for each row execute function tell_workshop();
    `);
  }
}
