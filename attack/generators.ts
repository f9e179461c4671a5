import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Chance with a seed: the same seed makes the same attack. */
export class Chance {
  #rng: ReturnType<typeof xoroshiro128plus>;
  constructor(seed: number) {
    this.#rng = xoroshiro128plus(seed);
  }
  upTo = (n: number): number => uniformInt(this.#rng, 0, n - 1);
  one = <T>(list: readonly T[]): T => list[this.upTo(list.length)]!;
}

/** Texts that break what takes text for granted. */
export const nastyTexts: readonly string[] = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  'half \udfff of one',
  '\u202e\u0007\u001b[31m',
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  '../../etc/passwd',
  "'; drop table job; --",
  '%00',
  '<script>alert(1)</script>',
  '{{7*7}}',
  'A1#1',
  'A1#0',
  'A1#-1',
  '#1',
  'slot/cell',
  'x'.repeat(61),
  'x'.repeat(5000),
  '\u{1f4f1}'.repeat(40),
];
export const nastyNumbers: readonly unknown[] = [
  0,
  -0,
  -1,
  1.5,
  9e15,
  -9e15,
  1e308,
  Number.MAX_SAFE_INTEGER + 2,
  1e-320,
  null,
  '1',
  [],
  {},
  true,
];

/** A value like another one, with something in it put wrong. */
export function mutate(chance: Chance, value: unknown, depth = 0): unknown {
  if (chance.upTo(9) === 0 || depth > 5) return wild(chance, depth);
  if (Array.isArray(value)) {
    const copy = value.map((v) => (chance.upTo(3) ? v : mutate(chance, v, depth + 1)));
    if (chance.upTo(4) === 0) copy.push(wild(chance, depth + 1));
    return copy;
  }
  if (value !== null && typeof value === 'object') {
    const entries = Object.entries(value);
    const at = chance.upTo(Math.max(1, entries.length));
    return Object.fromEntries(
      entries.flatMap(([k, v], i) => {
        if (i !== at) return [[k, v]];
        switch (chance.upTo(6)) {
          case 0:
            return [];
          case 1:
            return [[chance.one(nastyTexts), v]];
          default:
            return [[k, mutate(chance, v, depth + 1)]];
        }
      }),
    );
  }
  return typeof value === 'number' ? chance.one(nastyNumbers) : chance.one(nastyTexts);
}
function wild(chance: Chance, depth: number): unknown {
  switch (chance.upTo(depth > 4 ? 3 : 5)) {
    case 0:
      return chance.one(nastyTexts);
    case 1:
      return chance.one(nastyNumbers);
    case 2:
      return null;
    case 3:
      return Array.from({ length: chance.upTo(4) }, () => wild(chance, depth + 1));
    default:
      return { [chance.one(nastyTexts)]: wild(chance, depth + 1) };
  }
}
