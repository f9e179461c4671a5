import { chooseWays } from './choose-ways';
import {
  bondRisk,
  holders,
  isLoose,
  looseSeconds,
  poseFact,
  renewalOf,
  priceOf,
  type Setting,
  waysProblem,
  waysTo,
  wayRisk,
} from './setting';
import type { Joint } from './joint';
import type { Work } from './tasks';
import { expected, inSeconds } from './times';
import type { Choice } from '../steps/route';
import type { Way } from '../model/schema';

/** What one choice of ways comes to: minutes of hands, risk and consumables, without the order. */
function sums(
  s: Setting,
  ways: Record<string, string>,
  order: readonly string[],
): { minutes: number; risk: number; consumables: number } {
  const out = { minutes: 0, risk: 0, consumables: 0 };
  const loosed = new Set<string>();
  const use = (list: readonly { item: string; quantity: number }[]) => {
    for (const u of list) out.consumables += Math.round(priceOf(s.index, u.item) * u.quantity);
  };
  for (const fact of order) {
    const [slot, pose] = fact.split('@');
    const way: Way | undefined = s.index.slots
      .get(slot!)
      ?.ways.find((w) => w.to === pose && w.id === ways[fact]);
    if (!way) continue;
    out.minutes += expected(inSeconds(way.minutes)) / 60;
    out.risk += wayRisk(way);
    use(way.consumables);
    for (const id of holders(way)) {
      if (loosed.has(id) || isLoose(s, id)) continue;
      loosed.add(id);
      out.minutes += expected(looseSeconds(s, id)) / 60;
      out.risk += bondRisk(s, id);
      const bond = s.index.bonds.get(id);
      if (bond) use(renewalOf(s, bond));
    }
  }
  return out;
}

/**
 * The pieces on the route that could come away in more than one way, each way with what the cheapest whole choice with
 * it would cost against the chosen one.
 */
export function choicesOf(s: Setting, work: Work, joint: Joint, targets: readonly string[]): Choice[] {
  const { choice } = joint.best;
  const chosen = sums(s, choice.ways, choice.order);
  const replacedOrMoved = new Set([...work.replaced, ...work.transfers]);
  const out: Choice[] = [];
  for (const fact of choice.order) {
    const [slot, pose] = fact.split('@') as [string, Choice['pose']];
    if (fact.startsWith('loose:')) continue;
    const free = {
      ...s,
      force: Object.fromEntries(Object.entries(s.force).filter(([f]) => f !== fact)),
      methods: { ...s.methods, 'deep-part': 'cheaper' as const },
    };
    const ways = waysTo(free, slot, pose);
    if (ways.length < 2) continue;
    out.push({
      fact,
      slot,
      pose,
      forced: s.force[poseFact(slot, pose)] !== undefined,
      options: ways.map((w) => {
        const note = w.note ? { note: w.note } : {};
        if (choice.ways[fact] === w.id)
          return {
            way: w.id,
            chosen: true,
            ...note,
            against: { minutes: 0, risk: 0, consumables: 0, total: 0 },
          };
        const forced = { ...s, force: { ...s.force, [fact]: w.id } };
        const other = chooseWays(waysProblem(forced, [...new Set(targets)]), { budget: 20_000 });
        if ('infeasible' in other) return { way: w.id, chosen: false, ...note };
        const its = sums(forced, other.ways, other.order);
        return {
          way: w.id,
          chosen: false,
          ...note,
          against: {
            minutes: its.minutes - chosen.minutes,
            risk: its.risk - chosen.risk,
            consumables: its.consumables - chosen.consumables,
            total: other.cost - choice.cost,
          },
        };
      }),
    });
  }
  // what is asked for first, then what leads there
  return out.sort((a, b) => Number(replacedOrMoved.has(b.slot)) - Number(replacedOrMoved.has(a.slot)));
}
