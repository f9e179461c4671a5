import { createHash, randomInt, timingSafeEqual } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Letters and digits that nobody takes for one another. */
const letters = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const fileOf = () => join(process.env.SNAVEK_DATA ?? '.data', 'set-up-code');
const plain = (code: string) => code.toUpperCase().replaceAll(/[^A-Z0-9]/g, '');

/**
 * The code with which the first workshop is founded: made once, kept beside the database's data, readable by its owner
 * only, so that every process of this machine knows it, also after a new start.
 */
export function setUpCode(): string {
  const file = fileOf();
  if (!existsSync(file)) {
    const code = Array.from({ length: 16 }, () => letters[randomInt(letters.length)]).join('');
    mkdirSync(process.env.SNAVEK_DATA ?? '.data', { recursive: true });
    // 'wx': of two processes that start at once, one writes and the other reads
    try {
      writeFileSync(file, code.replaceAll(/(.{4})(?=.)/g, '$1-'), { mode: 0o600, flag: 'wx' });
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== 'EEXIST') throw e;
    }
  }
  return readFileSync(file, 'utf8').trim();
}
export function isSetUpCode(typed: string): boolean {
  const digest = (code: string) => createHash('sha256').update(plain(code)).digest();
  return timingSafeEqual(digest(typed), digest(setUpCode()));
}
export const forgetSetUpCode = (): void => rmSync(fileOf(), { force: true });
