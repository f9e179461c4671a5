import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { hashPassword } from '../auth/password';
import { inShop } from '../db/orm';
import { setPasswords } from '../db/people';
import { demoStaff, personOfLogin } from '../db/sessions';

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
  if (existsSync(file)) return { password: readFileSync(file, 'utf8').trim(), made: false, file };
  const password = madePassword();
  await giveToAll(await hashPassword(password));
  // written when it counts: a file that names a password nobody has would lock everybody out
  mkdirSync(folder, { recursive: true });
  writeFileSync(file, password, { mode: 0o600 });
  return { password, made: true, file };
}
/** As the app's own role, inside the demo workshop: the policies bind the migrating owner, too, who sees nobody there. */
async function giveToAll(hash: string): Promise<void> {
  const [first] = await demoStaff();
  const found = first && (await personOfLogin(first.login));
  if (!found) throw new Error('there is no demo workshop to make a password for');
  await inShop(found.shopId, (em) => setPasswords(em, hash));
}
