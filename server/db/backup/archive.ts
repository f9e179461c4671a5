import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdtemp, open, readFile, rename, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { z } from 'zod';

const run = promisify(execFile);

/** What a backup says of itself. */
const manifestSchema = z.strictObject({
  format: z.literal(1),
  version: z.string(),
  madeAt: z.iso.datetime(),
  /** Names of the migrations that the database had. */
  migrations: z.array(z.string()),
  /** The role that owns its tables: rights are given to it by name. */
  owner: z.string(),
  counts: z.strictObject({ workshops: z.int(), people: z.int(), jobs: z.int(), events: z.int() }),
  /** SHA-256 of each part, hex. */
  parts: z.record(z.string(), z.string().regex(/^[0-9a-f]{64}$/)),
});
export type Manifest = z.output<typeof manifestSchema>;
/** A file that is no backup, is not whole, or is not for this program. The message is for a person. */
export class NoBackup extends Error {}

/** The one part that is always there: PostgreSQL's own dump in its custom format. */
export const dumpName = 'database.dump';
/** Keys that stand beside the data; those that are there go along. */
export const keyNames = ['app-secret', 'tls-key.pem', 'tls-cert.pem'] as const;
const known: readonly string[] = ['manifest.json', dumpName, ...keyNames];

export async function digestOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}
/**
 * Packs the parts that lie in a folder into one file, which appears by a rename, whole and on the disk.
 * @returns its size, bytes
 */
export async function pack(folder: string, names: readonly string[], file: string): Promise<number> {
  const unfinished = `${file}.part`;
  await run('tar', ['-C', folder, '--owner=0', '--group=0', '--mode=0600', '-cf', unfinished, ...names]);
  const handle = await open(unfinished, 'r');
  // keys are in it
  await handle.chmod(0o600);
  await handle.sync();
  await handle.close();
  await rename(unfinished, file);
  return (await stat(file)).size;
}
/**
 * Unpacks a backup into a folder of its own after everything about it has been found right: it is whole, nothing in it was
 * altered, it holds only what a backup holds, and this program knows all that its database has.
 * @param migrations names of the migrations that this program has
 * @returns the folder, to be removed by the caller, and what the backup says of itself
 * @throws NoBackup with what is wrong
 */
export async function unpack(
  file: string,
  migrations: readonly string[],
): Promise<{ folder: string; manifest: Manifest }> {
  const list = await run('tar', ['-tf', file]).catch(() => {
    throw new NoBackup(`${file} is not a backup, or is cut short.`);
  });
  const names = list.stdout.trim().split('\n');
  const kinds = await run('tar', ['-tvf', file]);
  if (kinds.stdout.split('\n').some((line) => line && !line.startsWith('-')))
    throw new NoBackup(`${file} is not a backup: it holds more than files.`);
  const strange = names.find((name) => !known.includes(name));
  if (strange !== undefined || !names.includes('manifest.json') || !names.includes(dumpName))
    throw new NoBackup(
      `${file} is not a backup of this program${strange ? `: it holds ${strange.slice(0, 80)}` : ''}.`,
    );
  const folder = await mkdtemp(join(tmpdir(), 'snavek-restore-'));
  try {
    await run('tar', ['-C', folder, '--no-same-owner', '-xf', file, ...names]).catch(() => {
      throw new NoBackup(`${file} is cut short.`);
    });
    return { folder, manifest: await manifestIn(folder, names, migrations) };
  } catch (e) {
    await rm(folder, { recursive: true, force: true });
    throw e;
  }
}
async function manifestIn(
  folder: string,
  names: readonly string[],
  migrations: readonly string[],
): Promise<Manifest> {
  const read = manifestSchema.safeParse(
    await readFile(join(folder, 'manifest.json'), 'utf8')
      .then(JSON.parse)
      .catch(() => undefined),
  );
  if (!read.success)
    throw new NoBackup('What it says of itself cannot be read: another program, or a newer one, made it.');
  const unknown = read.data.migrations.find((name) => !migrations.includes(name));
  if (unknown) throw new NoBackup(`It was made by a newer version (${unknown}). Install that one first.`);
  for (const name of names.filter((n) => n !== 'manifest.json'))
    if (read.data.parts[name] !== (await digestOf(join(folder, name))))
      throw new NoBackup(`${name} in it is not as it was saved: the file was altered or damaged.`);
  return read.data;
}
/** A folder for parts, beside the file that they will be packed into. */
export const folderBeside = (file: string): Promise<string> => mkdtemp(join(dirname(file), '.parts-'));
