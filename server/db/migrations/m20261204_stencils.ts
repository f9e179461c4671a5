import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** The list of stencils of the rework bench. */
export class Stencils extends Migration {
  override up(): void {
    this.addSql(`
      create table stencil (
        shop_id uuid not null references workshop (id), id uuid not null, name text not null,
        pitch_mm numeric(6, 3) not null, pattern jsonb not null, shape text not null default 'circle',
        aperture_mm numeric(6, 3) null, thickness_mm numeric(6, 3) null,
        primary key (shop_id, id), unique (shop_id, name));
      alter table stencil enable row level security; alter table stencil force row level security;
      create policy own_shop on stencil using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy saved on stencil for select to snavek_backup using (true);
      grant select, insert, update, delete on stencil to ${appRole()};
    `);
  }
}
