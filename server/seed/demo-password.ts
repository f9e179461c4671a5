import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hashPassword } from '../auth/password';
import { asOwner } from '../db/orm';

/** A word that nobody can guess: what stands in the repository is no password. */
export const madePassword = (): string => randomBytes(9).toString('base64url');

/**
 * Outside loopback the demo's people sign in with a password: made at the first such start, kept beside the database's
 * data, readable by its owner only, and given to all of them.
 * @returns the password, and whether it was made just now
 */
export async function demoPassword(): Promise<{ password: string; made: boolean; file: string }> {
  const folder = process.env.SNAVEK_DATA ?? '.data';
  const file = join(folder, 'demo-password');
  const made = !existsSync(file);
  if (made) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(file, madePassword(), { mode: 0o600 });
  }
  const password = readFileSync(file, 'utf8').trim();
  if (made) {
    const hash = await hashPassword(password);
    await asOwner((orm) =>
      orm.em
        .getConnection()
        .execute(
          `update person set password_hash = ? where shop_id in (select id from workshop where demo)`,
          [hash],
        ),
    );
  }
  return { password, made, file };
}
