import { expect, test } from 'vitest';
import { dropDatabase } from './backup/drop-database';

const said = (code: string) => Object.assign(new Error(code), { code });
test('a database is dropped by force; where the autovacuum is at it, which only a superuser may end, without', async () => {
  const run: string[] = [];
  const refuse = (code: string) => async (sql: string) => {
    run.push(sql);
    if (sql.includes('force')) throw said(code);
  };
  await dropDatabase(async (sql) => run.push(sql), 'a');
  await dropDatabase(refuse('42501'), 'b');
  expect(run).toEqual(['drop database a with (force)', 'drop database b with (force)', 'drop database b']);
  await expect(dropDatabase(refuse('3D000'), 'c')).rejects.toThrow('3D000');
});
