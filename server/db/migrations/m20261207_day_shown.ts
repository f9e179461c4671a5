import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** What the plan of a day said last of the next quarter of an hour, shared by all processes. */
export class DayShown extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      create table day_shown (
        shop_id uuid not null references workshop (id), blocks jsonb not null, shown_at timestamptz not null,
        primary key (shop_id));
      alter table day_shown enable row level security; alter table day_shown force row level security;
      create policy own_shop on day_shown using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy saved on day_shown for select to snavek_backup using (true);
      grant select, insert, update, delete on day_shown to ${role};
    `);
  }
}
