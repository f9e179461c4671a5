import { type Change, type MethodId, methodRows, type Methods } from '../methods/methods';
import type { Route } from '../steps/route';

/** Does a route show what an option of a house method says that it changes? */
export function shows(route: Route, change: Change, among: Iterable<Pick<Route, 'searched'>> = []): boolean {
  const { steps, kit } = route;
  if ('operation' in change) return steps.some((s) => s.action === change.operation);
  if ('caution' in change) return steps.some((s) => s.cautions.includes(change.caution));
  if ('tool' in change) return kit.tools.includes(change.tool);
  if ('station' in change) return kit.stations.includes(change.station);
  if ('consumable' in change) return kit.consumables.some((c) => c.item === change.consumable);
  if ('part' in change) return kit.parts.includes(change.part);
  if ('pose' in change)
    return change.pose === 'shifted'
      ? steps.some((s) => s.action === 'move' && s.pose === 'shifted')
      : !steps.some((s) => s.action === 'move' && s.pose === 'shifted') &&
          route.choices.some((c) => c.options.length > 1);
  return [...among].every((r) => r.searched >= route.searched);
}

/** The questions whose chosen option makes itself felt in this route, with the option. */
export function methodsInForce(route: Route): { id: MethodId; option: string }[] {
  const chosen: Methods = route.input.methods;
  return methodRows.flatMap((row) => {
    const option = row.options.find((o) => o.id === chosen[row.id])!;
    const felt =
      'cheapest' in option.changes
        ? route.choices.some((c) => c.options.length > 1)
        : shows(route, option.changes);
    return felt ? [{ id: row.id, option: option.id }] : [];
  });
}
