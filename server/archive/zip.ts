import * as wording from '../../words/answers/zip';
import { createReadStream, createWriteStream, type WriteStream } from 'node:fs';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Unzip, UnzipInflate, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import { isName, mostBytes, mostFiles } from './layout';

/** A file that is no archive of this program, or too large to be one. The message is for a person. */
export class NoArchive extends Error {}

/** Writes a ZIP piece by piece: nothing of it is held in memory but the piece at hand. It appears whole, by a rename. */
export class ZipWriter {
  readonly #out: WriteStream;
  readonly #zip: Zip;
  /** What is written waits for the disk. */
  #full: Promise<void> | undefined;
  #go: (() => void) | undefined;
  #failed: Error | undefined;
  constructor(private readonly file: string) {
    this.#out = createWriteStream(`${file}.part`, { mode: 0o600 });
    this.#out.on('error', (e) => {
      this.#failed = e;
      this.#go?.();
    });
    this.#out.on('drain', () => this.#go?.());
    this.#zip = new Zip((e, chunk, final) => {
      if (e) this.#failed = e;
      else if (!this.#out.write(chunk))
        this.#full ??= new Promise((resolve) => {
          this.#go = () => {
            this.#full = undefined;
            this.#go = undefined;
            resolve();
          };
        });
      if (final) this.#out.end();
    });
  }
  /** @param what lines or bytes, as they come; what is compressed already is put in as it is */
  async add(name: string, what: AsyncIterable<string> | string | Uint8Array): Promise<void> {
    const entry = /\.(jpg|pdf)$/.test(name) ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 });
    this.#zip.add(entry);
    const text = new TextEncoder();
    if (typeof what === 'string' || what instanceof Uint8Array)
      entry.push(typeof what === 'string' ? text.encode(what) : what, true);
    else {
      for await (const piece of what) {
        entry.push(text.encode(piece));
        await this.#room();
      }
      entry.push(new Uint8Array(), true);
    }
    await this.#room();
  }
  async #room(): Promise<void> {
    if (this.#failed) throw this.#failed;
    await this.#full;
  }
  /** @returns its size, bytes */
  async end(): Promise<number> {
    const closed = new Promise<void>((resolve, reject) => {
      this.#out.once('close', resolve);
      this.#out.once('error', reject);
    });
    this.#zip.end();
    await closed;
    if (this.#failed) throw this.#failed;
    await rename(`${this.file}.part`, this.file);
    return (await stat(this.file)).size;
  }
  /** Leaves nothing behind. */
  async abandon(): Promise<void> {
    this.#zip.terminate();
    this.#out.destroy();
    await rm(`${this.file}.part`, { force: true });
  }
}

/**
 * Unpacks an archive into a folder: only files that it can have, none twice, none outside of it, and no more bytes than are
 * allowed, whatever its own directory says of them.
 * @throws NoArchive with what is wrong
 */
export async function unzip(file: string, folder: string, most = mostBytes): Promise<string[]> {
  const names: string[] = [];
  const writing: Promise<void>[] = [];
  let bytes = 0;
  let wrong: Error | undefined;
  const reader = new Unzip((entry) => {
    const { name } = entry;
    if (name.endsWith('/')) return;
    if (!isName(name)) wrong ??= new NoArchive(wording.strangeName(JSON.stringify(name.slice(0, 80))));
    else if (names.includes(name) && names.length < 100) wrong ??= new NoArchive(wording.nameTwice(name));
    else if (names.length >= mostFiles) wrong ??= new NoArchive(wording.tooManyFiles);
    if (wrong) return;
    names.push(name);
    const path = join(folder, name);
    const pieces: Uint8Array[] = [];
    let out: WriteStream | undefined;
    let done: (() => void) | undefined;
    writing.push(new Promise((resolve) => (done = resolve)));
    entry.ondata = (e, chunk, final) => {
      if (e) wrong ??= new NoArchive(wording.damaged(name));
      bytes += chunk?.length ?? 0;
      if (bytes > most) wrong ??= new NoArchive(wording.tooLarge(Math.round(most / 1e6)));
      if (wrong) {
        out?.destroy();
        return done?.();
      }
      if (!out) {
        pieces.push(chunk);
        // its folder first
        if (pieces.length === 1)
          void mkdir(dirname(path), { recursive: true }).then(() => {
            out = createWriteStream(path, { mode: 0o600 });
            for (const piece of pieces.splice(0)) out.write(piece);
            if (finished) out.end(() => done?.());
          });
      } else out.write(chunk);
      if (final) {
        finished = true;
        out?.end(() => done?.());
      }
    };
    let finished = false;
    entry.start();
  });
  reader.register(UnzipInflate);
  try {
    for await (const chunk of createReadStream(file, { highWaterMark: 65_536 })) {
      reader.push(chunk as Uint8Array);
      if (wrong) throw wrong;
      // what is written keeps up with what is read
      await new Promise(setImmediate);
    }
    reader.push(new Uint8Array(), true);
  } catch (e) {
    throw e instanceof NoArchive ? e : new NoArchive(wording.noZip);
  }
  if (wrong) throw wrong;
  if (!names.includes('workshop.json')) throw new NoArchive(wording.noArchive);
  const late = new Promise<never>((_, no) =>
    setTimeout(() => no(new NoArchive(wording.cutShort)), 30_000).unref(),
  );
  await Promise.race([Promise.all(writing), late]);
  return names;
}
