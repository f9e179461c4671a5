import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** What the server does by itself: backups, erasing, files of everything; how far it is and what came of it. */
export class Background extends Migration {
  override up(): void {
    this.addSql(`
      create table background_task (
        shop_id uuid not null references workshop (id), id uuid not null, kind text not null,
        person_id uuid null, state text not null default 'waiting'
          check (state in ('waiting', 'running', 'done', 'failed', 'stopped')),
        stop boolean not null default false, progress real not null default 0, said text not null default '',
        file text null, created_at timestamptz not null default now(), ended_at timestamptz null,
        primary key (shop_id, id), foreign key (shop_id, person_id) references person (shop_id, id));
      create index background_task_kind on background_task (shop_id, kind, created_at);
      alter table background_task enable row level security; alter table background_task force row level security;
      create policy own_shop on background_task using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy saved on background_task for select to snavek_backup using (true);
      grant select, insert, update, delete on background_task to ${appRole()};
    `);
  }
}
