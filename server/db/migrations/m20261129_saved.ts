import { Migration } from '@mikro-orm/migrations';
import { backupRole } from '../app-role';

/**
 * A role that reads everything and writes nothing, for backups: row-level security binds the owner, too, so that a dump as
 * the owner, or as the app, would hold no rows at all. Nobody signs in with it but a backup, for as long as that takes.
 */
export class Saved extends Migration {
  override up(): void {
    const role = backupRole();
    this.addSql(`
      do $$ declare t text; begin
        if not exists (select from pg_roles where rolname = '${role}') then create role ${role} nologin nosuperuser nocreatedb nocreaterole nobypassrls; end if;
        for t in select c.relname from pg_class c where c.relkind = 'r' and c.relrowsecurity and c.relnamespace = 'public'::regnamespace loop
          execute format('create policy saved on %I for select to ${role} using (true)', t);
        end loop;
      end $$;
      grant usage on schema public to ${role};
      grant select on all tables in schema public to ${role};
      grant select on all sequences in schema public to ${role};
      alter default privileges in schema public grant select on tables to ${role};
      alter default privileges in schema public grant select on sequences to ${role};
    `);
  }
}
