import { hash, verify } from '@node-rs/argon2';

/** Argon2id with 19 MiB, two passes, one lane: OWASP Password Storage Cheat Sheet (from memory), RFC 9106. */
const options = { algorithm: 2 /* Argon2id */, memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashPassword = (password: string) => hash(password, options);

/** A hash of nothing: checking it takes as long for an unknown login as for a known one. */
let nobody: Promise<string> | undefined;
export async function passwordMatches(stored: string | undefined, password: string): Promise<boolean> {
  nobody ??= hashPassword('nobody has this password');
  // somebody who has not chosen a password yet is checked as nobody is
  const ok = await verify(stored || (await nobody), password);
  return ok && !!stored;
}
