import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/**
 * One call for all that a command needs before it is decided: enters the workshop, locks the job's row, then reads
 * the command's stored outcome, the last snapshot and the events after it. Each statement inside sees what was
 * committed before the lock was had. It runs with the caller's rights: row-level security applies.
 */
export class OpenJob extends Migration {
  override up(): void {
    this.addSql(`
      create function open_job(shop uuid, wanted uuid, command text, core_version text,
        out is_there boolean, out model_hash text, out variant text, out outcome jsonb, out state jsonb, out events json)
      language plpgsql as $$
      declare snap_seq integer := 0;
      begin
        perform set_config('app.shop', shop::text, true);
        select true, j.model_hash, j.variant into is_there, model_hash, variant from job j where j.shop_id = shop and j.id = wanted for update;
        if is_there is null then is_there := false; return; end if;
        select c.outcome into outcome from job_command c where c.shop_id = shop and c.command_id = command;
        if outcome is not null then return; end if;
        select s.seq, s.state into snap_seq, state from job_snapshot s where s.shop_id = shop and s.job_id = wanted and s.core = core_version order by s.seq desc limit 1;
        select json_agg(e.event order by e.seq) into events from job_event e where e.shop_id = shop and e.job_id = wanted and e.seq > coalesce(snap_seq, 0);
      end $$;
      revoke all on function open_job from public;
      grant execute on function open_job to ${appRole()};
    `);
  }
}
