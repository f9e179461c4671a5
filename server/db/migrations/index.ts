import type { Migration } from '@mikro-orm/migrations';

// Every migration module beside this file, bundled by Vite: no file-system scan at run time.
const modules = import.meta.glob<Record<string, new (...a: never[]) => Migration>>('./m*.ts', {
  eager: true,
});
export const migrationsList = Object.entries(modules)
  .sort(([a], [b]) => (a < b ? -1 : 1))
  .map(([path, m]) => ({ name: path.slice(2, -3), class: Object.values(m)[0] as never }));
