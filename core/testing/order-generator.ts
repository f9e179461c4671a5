import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { OrderProblem } from '../route/order';
import type { Face } from '../vocabulary/trade';

/**
 * An invented device as an order problem: brackets in layers, each held by screws of one or two kinds and lifted when
 * they are out; a deeper bracket is reached when one or two above it are away. One in four lies on the back.
 * The same numbers give the same problem.
 * @param operations how many operations (screw groups and lifts together), at least 8
 */
export function orderProblemOf(seed: number, operations = 60, bits = 5): OrderProblem {
  const rng = xoroshiro128plus(seed);
  const upTo = (n: number) => uniformInt(rng, 0, n - 1);
  const out: OrderProblem = {
    startTool: null,
    startFace: 'front',
    toolChangeCost: 10,
    faceFlipCost: 8,
    operations: [],
    precedences: [],
  };
  const lifts: { id: string; face: Face }[] = [];
  for (let b = 1; out.operations.length < operations; b++) {
    const face: Face = upTo(4) === 0 ? 'back' : 'front';
    const above = lifts
      .slice(-9)
      .filter(() => upTo(5) === 0)
      .slice(0, 2);
    if (!above.length && lifts.length > 2) above.push(lifts[upTo(lifts.length)]!);
    const kinds = upTo(3) === 0 ? 2 : 1;
    const first = upTo(bits);
    const lift = `lift${b}`;
    for (let k = 0; k < kinds && out.operations.length < operations - 1; k++) {
      const id = `screws${b}${'ab'[k]}`;
      out.operations.push({ id, tool: `bit${(first + k * (1 + upTo(bits - 1))) % bits}`, face });
      for (const a of above) out.precedences.push([a.id, id]);
      out.precedences.push([id, lift]);
    }
    out.operations.push({ id: lift, tool: null, face });
    lifts.push({ id: lift, face });
  }
  return out;
}
