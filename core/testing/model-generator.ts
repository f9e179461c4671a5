import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

type Node = { [key: string]: unknown } | unknown[];
/** Every object and list of a file, by the way to it. */
function nodesOf(json: unknown, out: Node[] = []): Node[] {
  if (typeof json !== 'object' || json === null) return out;
  out.push(json as Node);
  for (const inner of Object.values(json)) nodesOf(inner, out);
  return out;
}
const strange: readonly unknown[] = [
  null,
  -1,
  0,
  1e9,
  Number.MAX_SAFE_INTEGER,
  '',
  'x'.repeat(5000),
  [],
  {},
  true,
];

/**
 * A device model as a careless hand or a broken tool leaves it: entries dropped, doubled, swapped between places, values
 * that are none, one to six of them. The same seed gives the same file.
 */
export function damagedModel(model: unknown, seed: number): unknown {
  const random = xoroshiro128plus(seed);
  const below = (n: number) => uniformInt(random, 0, n - 1);
  const file = structuredClone(model);
  for (let n = 1 + below(6); n > 0; n--) {
    const nodes = nodesOf(file);
    const node = nodes[below(nodes.length)]!;
    const keys = Object.keys(node);
    if (!keys.length) continue;
    const key = keys[below(keys.length)]!;
    const at = node as Record<string, unknown>;
    switch (below(5)) {
      case 0:
        if (Array.isArray(node)) node.splice(Number(key), 1);
        else delete at[key];
        break;
      case 1:
        at[key] = strange[below(strange.length)];
        break;
      case 2: {
        const other = nodes[below(nodes.length)]!;
        // never its own container: such a file could not be written down
        if (!nodesOf(other).includes(node)) at[key] = structuredClone(other);
        break;
      }
      case 3:
        if (Array.isArray(node)) node.push(...structuredClone(node).slice(0, 60));
        break;
      default:
        if (typeof at[key] === 'number') at[key] = (at[key] as number) * (below(2) ? 100 : -1);
        else if (typeof at[key] === 'string') {
          const words = nodes.flatMap((x) => Object.values(x)).filter((v) => typeof v === 'string');
          at[key] = words[below(words.length)];
        }
    }
  }
  return file;
}
