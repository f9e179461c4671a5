import type { Route, Step } from '../core/steps/route';
import { plural } from './things';
import type { Money } from './formats';
import { minutes } from './time';

/** How few bit changes and turnings a route takes, and what is proved of that. */
export function provedText(route: Route, money: Money): string {
  const moves = `${plural(route.changes, 'bit change')}, ${route.turnings ? plural(route.turnings, 'turning') : 'never turned over'}: `;
  const proof = route.optimal
    ? 'ways and order together proved to be the cheapest.'
    : `no order has fewer than ${route.leastMoves} in all; ${money(route.searched - route.lowerBound)} at most could still be saved.`;
  const splits =
    route.splits > 0
      ? ` ${plural(route.splits, 'bracket')} done in two goes, one bit after the other, to save changes.`
      : '';
  return moves + proof + splits;
}
/** A stage of a route in one line: how many steps, how long. */
export function stageText(phase: string, steps: readonly Step[], done: number): string {
  const likely = steps.reduce((sum, s) => sum + s.handsS.likely + s.waitS + (s.restS ?? 0), 0) / 60;
  return `${phase} · ${done ? `${done} of ` : ''}${plural(steps.length, 'step')}${done ? ' done' : ''} · ${minutes(likely)}`;
}
