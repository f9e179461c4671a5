import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { afterAll, expect, test } from 'vitest';
import { inThread } from './in-thread';

const folder = mkdtempSync(join(tmpdir(), 'snavek-thread-'));
const filename = join(folder, 'work.mjs');
writeFileSync(filename, 'export default (work) => { while (work === "without end"); return work; };');
const pool = new Piscina({ filename, maxThreads: 1 });
afterAll(async () => {
  await pool.destroy();
  rmSync(folder, { recursive: true });
});

test('work that never ends fails alone: what is asked after it is answered by a new thread', async () => {
  expect(await inThread(pool, 'first', 20_000)).toBe('first');
  const stuck = inThread(pool, 'without end', 300);
  const after = inThread(pool, 'after it', 20_000);
  await expect(stuck).rejects.toThrow(/abort/i);
  expect(await after).toBe('after it');
});
