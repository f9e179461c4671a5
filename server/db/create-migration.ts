import { writeFileSync } from 'node:fs';
import { asOwner, migrate } from './orm';

/**
 * `npm run migration:create NAME`: writes the migration that takes a migrated database to what the entities say, for its
 * author to look through and to add what only a migration can say (row-level security, grants, functions).
 */
const name = process.argv[3];
if (!name || !/^[a-z][a-z_]*$/.test(name)) {
  console.error(
    'migration:create: name it in small letters and underscores, as in: npm run migration:create leak_curve',
  );
  process.exit(2);
}
const statements = await asOwner(async (orm) => {
  await migrate(orm);
  return (await orm.schema.getUpdateSchemaSQL({ wrap: false })).trim();
});
if (!statements) {
  console.log('The database is what the entities say: there is nothing to migrate.');
  process.exit(0);
}
const className = name.replaceAll(/(^|_)([a-z])/g, (_, __, letter: string) => letter.toUpperCase());
const file = `server/db/migrations/m${new Date().toISOString().slice(0, 10).replaceAll('-', '')}_${name}.ts`;
writeFileSync(
  file,
  `import { Migration } from '@mikro-orm/migrations';

/** What it is for. A table of a workshop takes row-level security and grants, too: see the migrations before it. */
export class ${className} extends Migration {
  override up(): void {
    this.addSql(\`
${statements.replaceAll('`', '\\`').replaceAll(/^(?=.)/gm, '      ')}
    \`);
  }
}
`,
  { flag: 'wx' },
);
console.log(`${file} is written. Look it through, then run the tests.`);
