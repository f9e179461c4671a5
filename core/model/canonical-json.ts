import { configure } from 'safe-stable-stringify';

/** JSON with the keys of every object in order, so that equal values have equal text (for content hashes). */
export const canonicalJson = configure({ circularValue: Error, bigint: false }) as (value: unknown) => string;

/**
 * A content hash of a value: 64 bits of FNV-1a over its canonical JSON, as 16 hexadecimal digits.
 * It names versions of models and routes; it is not a safeguard against forgery.
 * Source: Fowler, Noll and Vo, FNV-1a (draft-eastlake-fnv), constants from memory, checked by a test vector.
 */
export function contentHash(value: unknown): string {
  const bytes = new TextEncoder().encode(canonicalJson(value));
  // 64-bit arithmetic on two 32-bit halves: BigInt is twenty times slower here
  let hi = 0xcbf29ce4;
  let lo = 0x84222325;
  for (const byte of bytes) {
    lo = (lo ^ byte) >>> 0;
    // times 0x100000001b3 = 2^40 + 0x1b3
    const low = lo * 0x1b3;
    const carry = Math.floor(low / 0x1_0000_0000);
    hi = (Math.imul(hi, 0x1b3) + carry + (lo << 8)) >>> 0;
    lo = low >>> 0;
  }
  return hi.toString(16).padStart(8, '0') + lo.toString(16).padStart(8, '0');
}
