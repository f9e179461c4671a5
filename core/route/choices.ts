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
  setting: Setting,
  ways: Record<string, string>,
  order: readonly string[],
): { minutes: number; risk: number; consumables: number } {
  const out = { minutes: 0, risk: 0, consumables: 0 };
  const loosed = new Set<string>();
  const use = (list: readonly { item: string; quantity: number }[]) => {
    for (const used of list) out.consumables += Math.round(priceOf(setting.index, used.item) * used.quantity);
  };
  for (const fact of order) {
    const [slot, pose] = fact.split('@');
    const way: Way | undefined = setting.index.slots
      .get(slot!)
      ?.ways.find((w) => w.to === pose && w.id === ways[fact]);
    if (!way) continue;
    out.minutes += expected(inSeconds(way.minutes)) / 60;
    out.risk += wayRisk(way);
    use(way.consumables);
    for (const id of holders(way)) {
      if (loosed.has(id) || isLoose(setting, id)) continue;
      loosed.add(id);
      out.minutes += expected(looseSeconds(setting, id)) / 60;
      out.risk += bondRisk(setting, id);
      const bond = setting.index.bonds.get(id);
      if (bond) use(renewalOf(setting, bond));
    }
  }
  return out;
}

/**
 * The pieces on the route that could come away in more than one way, each way with what the cheapest whole choice with
 * it would cost against the chosen one.
 */
export function choicesOf(setting: Setting, work: Work, joint: Joint, targets: readonly string[]): Choice[] {
  const { choice } = joint.best;
  const chosen = sums(setting, choice.ways, choice.order);
  const replacedOrMoved = new Set([...work.replaced, ...work.transfers]);
  const out: Choice[] = [];
  for (const fact of choice.order) {
    const [slot, pose] = fact.split('@') as [string, Choice['pose']];
    if (fact.startsWith('loose:')) continue;
    const free = {
      ...setting,
      force: Object.fromEntries(Object.entries(setting.force).filter(([f]) => f !== fact)),
      methods: { ...setting.methods, 'deep-part': 'cheaper' as const },
    };
    const ways = waysTo(free, slot, pose);
    if (ways.length < 2) continue;
    out.push({
      fact,
      slot,
      pose,
      forced: setting.force[poseFact(slot, pose)] !== undefined,
      options: ways.map((way) => {
        const note = way.note ? { note: way.note } : {};
        if (choice.ways[fact] === way.id)
          return {
            way: way.id,
            chosen: true,
            ...note,
            against: { minutes: 0, risk: 0, consumables: 0, total: 0 },
          };
        const forced = { ...setting, force: { ...setting.force, [fact]: way.id } };
        const other = chooseWays(waysProblem(forced, [...new Set(targets)]), { budget: 20_000 });
        if ('infeasible' in other) return { way: way.id, chosen: false, ...note };
        const its = sums(forced, other.ways, other.order);
        return {
          way: way.id,
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
