import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/**
 * A held state is gone on from only where the log still has the very event that it ended with; a command id belongs to
 * one job; and the notes of a model are found through their jobs, however many there are.
 */
export class Right extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      drop function open_job(uuid, uuid, text, text, integer);
      create function open_job(shop uuid, wanted uuid, command text, core_version text, held integer, held_id text,
        out is_there boolean, out from_held boolean, out model_hash text, out variant text, out outcome jsonb, out other_job boolean, out state jsonb, out events json)
      language plpgsql as $$
      declare from_seq integer := 0; known_job uuid;
      begin
        perform set_config('app.shop', shop::text, true);
        select true, j.model_hash, j.variant into is_there, model_hash, variant from job j where j.shop_id = shop and j.id = wanted for update;
        if is_there is null then is_there := false; return; end if;
        select c.outcome, c.job_id into outcome, known_job from job_command c where c.shop_id = shop and c.command_id = command;
        if outcome is not null then other_job := known_job <> wanted; return; end if;
        -- a database that was put back to an earlier day may have gone on from there: the number alone proves nothing
        from_held := held > 0 and exists (select 1 from job_event e where e.shop_id = shop and e.job_id = wanted and e.seq = held and e.event->>'id' = held_id);
        if from_held then from_seq := held;
        else
          select s.seq, s.state into from_seq, state from job_snapshot s where s.shop_id = shop and s.job_id = wanted and s.core = core_version order by s.seq desc limit 1;
        end if;
        select json_agg(e.event order by e.seq) into events from job_event e where e.shop_id = shop and e.job_id = wanted and e.seq > coalesce(from_seq, 0);
      end $$;
      revoke all on function open_job from public;
      grant execute on function open_job to ${role};
      create index job_of_model on job (shop_id, model_hash, variant, opened_at desc);
      create index job_event_retracted on job_event (shop_id, job_id, (event->'body'->>'event')) where event->'body'->>'type' = 'retracted';
    `);
  }
}
