import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The restricted role that the app works as; `DATABASE_URL` is the migrating owner. */
export const appRole = () => 'snavek_app';
/** The role that reads everything for a backup; it can sign in only while one is made. */
export const backupRole = () => 'snavek_backup';

/**
 * The restricted role's password: from SNAVEK_APP_SECRET, or made once and kept beside the database's data,
 * readable by its owner only. Never in the repository.
 */
export function appSecret(): string {
  const given = process.env.SNAVEK_APP_SECRET;
  if (given) return given;
  const folder = process.env.SNAVEK_DATA ?? '.data';
  const file = join(folder, 'app-secret');
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    // 'wx': of two servers that start at once, one writes and the other reads
    try {
      writeFileSync(file, randomBytes(24).toString('hex'), { mode: 0o600, flag: 'wx' });
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== 'EEXIST') throw e;
    }
  }
  return readFileSync(file, 'utf8').trim();
}

/** The address of the same database for the restricted role. */
export function appUrl(ownerUrl: string): string {
  const url = new URL(ownerUrl);
  url.username = appRole();
  url.password = appSecret();
  return url.href;
}
