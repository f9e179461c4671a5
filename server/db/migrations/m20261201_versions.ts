import { Migration } from '@mikro-orm/migrations';

/** Of a version of a model: from which one it was made, when, and by whom. */
export class Versions extends Migration {
  override up(): void {
    this.addSql(`
      alter table device_model add column base_hash text not null default '';
      alter table device_model add column made_at timestamptz not null default now();
      alter table device_model add column made_by uuid null;
    `);
  }
}
