import { Migration } from '@mikro-orm/migrations';
import { appRole } from '../app-role';

/** Photographs that lie under the map of a model, put straight: for every bench of the workshop. */
export class ModelPhotos extends Migration {
  override up(): void {
    const role = appRole();
    this.addSql(`
      create table model_photo (
        shop_id uuid not null references workshop (id), id uuid not null, model_id text not null, face text not null,
        name text not null, jpeg bytea not null, person_id uuid not null, made_at timestamptz not null default now(),
        primary key (shop_id, id), foreign key (shop_id, person_id) references person (shop_id, id));
      create index model_photo_model on model_photo (shop_id, model_id);
      create index model_photo_person on model_photo (shop_id, person_id);
      alter table model_photo enable row level security; alter table model_photo force row level security;
      create policy own_shop on model_photo using (shop_id = shop_now()) with check (shop_id = shop_now());
      create policy saved on model_photo for select to snavek_backup using (true);
      grant select, insert, delete on model_photo to ${role};
    `);
  }
}
