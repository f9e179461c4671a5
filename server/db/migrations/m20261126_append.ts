import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/**
 * The two calls of a command, each one round trip with plans that are kept: opening a job reads only what the process
 * does not hold already, and appending writes event, outcome, head and notice together. Both run with the caller's
 * rights: row-level security applies.
 */
export class Append extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      drop function open_job(uuid, uuid, text, text);
      create function open_job(shop uuid, wanted uuid, command text, core_version text, held integer,
        out is_there boolean, out from_held boolean, out model_hash text, out variant text, out outcome jsonb, out state jsonb, out events json)
      language plpgsql as $$
      declare from_seq integer := 0; head integer;
      begin
        perform set_config('app.shop', shop::text, true);
        select true, j.model_hash, j.variant, j.seq into is_there, model_hash, variant, head from job j where j.shop_id = shop and j.id = wanted for update;
        if is_there is null then is_there := false; return; end if;
        select c.outcome into outcome from job_command c where c.shop_id = shop and c.command_id = command;
        if outcome is not null then return; end if;
        -- a database that was put back to an earlier day has a shorter log than this process remembers
        from_held := held > 0 and held <= head;
        if from_held then from_seq := held;
        else
          select s.seq, s.state into from_seq, state from job_snapshot s where s.shop_id = shop and s.job_id = wanted and s.core = core_version order by s.seq desc limit 1;
        end if;
        select json_agg(e.event order by e.seq) into events from job_event e where e.shop_id = shop and e.job_id = wanted and e.seq > coalesce(from_seq, 0);
      end $$;
      create function append_events(wanted uuid, command text, events jsonb, outcome jsonb, new_seq integer, new_stage text, new_summary jsonb, new_ending text, promised double precision)
      returns void language plpgsql as $$
      declare shop uuid := shop_now();
      begin
        insert into job_event (shop_id, job_id, seq, event) select shop, wanted, (e->>'seq')::int, e from jsonb_array_elements(events) e;
        insert into job_command (shop_id, command_id, job_id, outcome) values (shop, command, wanted, outcome);
        update job set seq = new_seq, stage = new_stage, summary = new_summary, ending = new_ending, promised_at = to_timestamp(promised), updated_at = now() where shop_id = shop and id = wanted;
        perform pg_notify('snavek_job', json_build_object('shop', shop, 'job', wanted, 'seq', new_seq)::text);
      end $$;
      revoke all on function open_job, append_events from public;
      grant execute on function open_job, append_events to ${role};
    `);
  }
}
