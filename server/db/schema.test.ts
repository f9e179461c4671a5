import { readdirSync, readFileSync } from 'node:fs';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { asOwner, closeOrm, migrate } from './orm';

beforeAll(() => asOwner(migrate));
afterAll(closeOrm);

const difference = () => asOwner((orm) => orm.schema.getUpdateSchemaSQL({ wrap: false }));
const asTheyAre = (sql: string) => asOwner((orm) => orm.em.getConnection().execute(sql));

test('the entities say what the migrated database is: tables, columns, keys, checks and indexes', async () => {
  expect((await difference()).trim()).toBe('');
  // and a column, an index or a key that only one of them has is seen
  await asTheyAre(
    'alter table draft add column extra text; drop index part_job; alter table session drop constraint session_shop_id_person_id_fkey',
  );
  try {
    const found = await difference();
    expect(found).toContain('extra');
    expect(found).toContain('part_job');
    expect(found).toContain('session_shop_id_person_id_fkey');
  } finally {
    await asTheyAre(
      `alter table draft drop column extra; create index part_job on part (shop_id, job_id);
       alter table session add constraint session_shop_id_person_id_fkey foreign key (shop_id, person_id) references person (shop_id, id) on delete cascade`,
    );
  }
  expect((await difference()).trim()).toBe('');
});

test('SQL stands beside the entities and nowhere else: use cases, doors and screens speak through repositories', () => {
  const files = ['server', 'app', 'cli'].flatMap((folder) =>
    (readdirSync(folder, { recursive: true }) as string[])
      .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
      .map((file) => `${folder}/${file}`),
  );
  expect(files.length).toBeGreaterThan(200);
  const speaking = files.filter((file) =>
    /\.execute[(<]|getKnex|getConnection|createQueryBuilder|\braw\(/.test(readFileSync(file, 'utf8')),
  );
  // the tests' own world reads a log as it lies there, and makes databases
  expect(
    speaking.filter((file) => !file.startsWith('server/db/') && !file.startsWith('server/testing/')),
  ).toEqual([]);
  expect(speaking.length).toBeGreaterThan(3);
});
