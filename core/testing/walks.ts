import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { RecordedThing, Teardown } from '../derive/teardown';
import { coveredBy } from '../model/covers';
import type { IndexedModel } from '../model/index-model';

/** What has to be off before what in a device, with one way out of each part: the truth that a record is held against. */
export interface Truth {
  index: IndexedModel;
  ids: readonly string[];
  before: ReadonlyMap<string, readonly string[]>;
}
const kindOf = (index: IndexedModel, id: string): RecordedThing['kind'] =>
  index.slots.has(id)
    ? 'part'
    : index.fasteners.has(id)
      ? 'fastener'
      : index.connectors.has(id)
        ? 'connector'
        : index.bonds.has(id)
          ? 'bond'
          : 'catch';

/**
 * A technician who takes a whole device to pieces, each time in an order that it permits, and records it: positions up to half
 * a millimetre off, what a connector joins and a bond holds said, and, where they confirm it, what each part had needed.
 */
export class Technician {
  readonly #random: ReturnType<typeof xoroshiro128plus>;
  constructor(seed: number) {
    this.#random = xoroshiro128plus(seed);
  }
  /** Settles which way each part goes, as one person does who has found one. */
  truthOf(index: IndexedModel): Truth {
    const ids = [index.slots, index.fasteners, index.connectors, index.bonds, index.catches].flatMap((m) => [
      ...m.keys(),
    ]);
    const before = new Map(
      ids.map((id) => {
        const needs = new Set(coveredBy(index, id).filter((c) => index.slots.get(c)!.uncoversAt === 'out'));
        const ways = index.slots.get(id)?.ways.filter((way) => way.to === 'out') ?? [];
        const way = ways.length ? ways[uniformInt(this.#random, 0, ways.length - 1)] : undefined;
        if (way) {
          for (const held of [...way.fasteners, ...way.bonds, ...way.catches, ...way.connectors])
            needs.add(held);
          for (const need of way.needs) if (need.pose === 'out') needs.add(need.slot);
        }
        return [id, [...needs]] as const;
      }),
    );
    return { index, ids, before };
  }
  #shuffled(ids: readonly string[]): string[] {
    const out = [...ids];
    for (let i = out.length - 1; i > 0; i--) {
      const j = uniformInt(this.#random, 0, i);
      [out[i], out[j]] = [out[j]!, out[i]!];
    }
    return out;
  }
  /** Takes off whatever comes next to hand. */
  anyOrder({ ids, before }: Truth): string[] {
    const off = new Set<string>();
    const left = new Set(this.#shuffled(ids));
    while (left.size) {
      const ready = [...left].filter((id) => before.get(id)!.every((b) => off.has(b)));
      if (!ready.length) throw new Error(`nothing can come off any more: ${[...left].join()}`);
      const next = ready[uniformInt(this.#random, 0, ready.length - 1)]!;
      off.add(next);
      left.delete(next);
    }
    return [...off];
  }
  /** Goes straight to one thing after another, as jobs do, and takes off what these need and nothing beside it. */
  straightTo({ before }: Truth, goals: readonly string[]): string[] {
    const off = new Set<string>();
    const rank = new Map(goals.map((id, at) => [id, at]));
    const take = (id: string): void => {
      if (off.has(id)) return;
      for (const b of before.get(id)!.toSorted((x, y) => rank.get(x)! - rank.get(y)!)) take(b);
      off.add(id);
    };
    for (const id of goals) take(id);
    return [...off];
  }
  /** Several teardowns of one device: the first as it comes, the second straight to what had come last, then any goals. */
  differentOrders(truth: Truth, count: number, confirms: boolean): Teardown[] {
    const first = this.anyOrder(truth);
    return Array.from({ length: count }, (_, k) =>
      this.recordOf(
        truth,
        k === 0 ? first : this.straightTo(truth, k === 1 ? first.toReversed() : this.#shuffled(truth.ids)),
        confirms,
      ),
    );
  }
  /** @param confirms whether the technician says of each part what it had needed, and of each screw what it had held */
  recordOf({ index, ids, before }: Truth, off: readonly string[], confirms: boolean): Teardown {
    const near = (mm: number) => mm + uniformFloat64(this.#random) - 0.5;
    const things = ids.map((id): RecordedThing => {
      const kind = kindOf(index, id);
      const shaped = index.slots.get(id) ?? index.bonds.get(id);
      const pointed = index.fasteners.get(id) ?? index.connectors.get(id) ?? index.catches.get(id);
      return {
        id,
        kind,
        face: (shaped ?? pointed)!.face,
        ...(shaped
          ? { shape: { ...shaped.shape, x: near(shaped.shape.x), y: near(shaped.shape.y) } }
          : { at: { x: near(pointed!.at.x), y: near(pointed!.at.y) } }),
        joins: index.connectors.get(id)?.joins ?? index.bonds.get(id)?.holds,
        needed: confirms && kind === 'part' ? before.get(id) : undefined,
      };
    });
    return { things, off };
  }
}

/** What comes after each thing by the pairs given, whatever stands between. */
export function closureOf(
  pairs: readonly (readonly [string, string])[],
): (first: string, then: string) => boolean {
  const after = new Map<string, string[]>();
  for (const [first, then] of pairs) after.set(first, [...(after.get(first) ?? []), then]);
  const reached = new Map<string, Set<string>>();
  const from = (id: string): Set<string> => {
    let known = reached.get(id);
    if (!known) {
      known = new Set();
      reached.set(id, known);
      for (const next of after.get(id) ?? []) {
        known.add(next);
        for (const further of from(next)) known.add(further);
      }
    }
    return known;
  };
  return (first, then) => from(first).has(then);
}
