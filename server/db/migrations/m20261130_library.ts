import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** A workshop says of its own models which devices are received of. What a model says never changes under its hash. */
export class Library extends Migration {
  override up(): void {
    this.addSql(`
      create policy own_offered on device_model for update using (shop_id = shop_now()) with check (shop_id = shop_now());
      grant update (current) on device_model to ${appRole()};
    `);
  }
}
