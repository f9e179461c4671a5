import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { WaysProblem } from '../route/choose-ways';

/** An invented device as a ways problem: parts with several ways out, shared screws, needs that may even lead in circles. */
export function waysProblemOf(seed: number, parts = 40, ways = 3): WaysProblem {
  const rng = xoroshiro128plus(seed);
  const upTo = (n: number) => uniformInt(rng, 0, n - 1);
  const some = (n: number, of: number, name: string) => [
    ...new Set(Array.from({ length: n }, () => `${name}${upTo(of)}`)),
  ];
  const operations = Array.from({ length: parts * 2 }, (_, i) => ({ id: `o${i}`, cost: 1 + upTo(20) }));
  return {
    operations,
    parts: Array.from({ length: parts }, (_, i) => ({
      id: `p${i}`,
      ways: Array.from({ length: ways }, (_, k) => ({
        id: `w${k}`,
        // mostly on parts nearer to the surface, now and then on a deeper one
        needs:
          i < 4
            ? []
            : [
                ...new Set(
                  Array.from({ length: upTo(3) + (k === 0 ? 1 : 0) }, () =>
                    upTo(10) ? upTo(i) : upTo(parts),
                  )
                    .filter((n) => n !== i)
                    .map((n) => `p${n}`),
                ),
              ],
        operations: some(1 + upTo(4), operations.length, 'o'),
        cost: upTo(15),
      })),
    })),
    targets: [...new Set(Array.from({ length: 4 }, (_, k) => `p${parts - 1 - k * 3}`))],
  };
}
