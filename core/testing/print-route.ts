import type { Choice, Route, Step } from '../steps/route';

const named = (name: string, value: unknown): string[] => {
  if (value === undefined || value === false || value === '') return [];
  if (Array.isArray(value)) return value.length ? [`${name} ${value.join(',')}`] : [];
  return [value === true ? name : `${name} ${String(value)}`];
};
const used = (uses: readonly { item: string; quantity: number }[] | undefined) =>
  uses?.map((use) => `${use.quantity} ${use.item}`);
const seconds = ({ low, likely, high }: Step['handsS']) => [low, likely, high].map(Math.round).join('/');

/** A step on one line: all that a technician is told by it, without its id. */
const stepLine = (step: Step): string =>
  [
    `${step.phase}: ${step.action} ${step.targets.join(',')}`,
    ...named('about', step.about),
    ...named('to', step.pose),
    ...named('piece', step.piece),
    ...named('trial of', step.trial),
    ...named('fresh', step.fresh),
    ...named('brings', step.brings),
    ...named('round', step.round),
    ...named('short', step.short),
    step.face,
    ...named('bit', step.bit),
    ...named('Ncm', step.torqueNcM),
    ...named('at', step.station),
    `${seconds(step.handsS)} s`,
    ...(step.restS ? [`rest ${step.restS} s before`] : []),
    ...(step.waitS ? [`wait ${Math.round(step.waitS)} s`] : []),
    ...(step.soak ? [`soak ${JSON.stringify(step.soak)}`] : []),
    ...(step.maxDelayS === undefined ? [] : [`within ${step.maxDelayS} s`]),
    ...named('tools', step.tools),
    ...named('cautions', step.cautions),
    ...named('uses', used(step.uses)),
    ...(step.glue ? [`glue ${JSON.stringify(step.glue)}`] : []),
    ...named('lip', step.lipFirst),
    ...named('degrees', step.angleDeg),
    ...named('flex', step.flexRuns),
    ...named('plugs', step.connectors),
    ...named('for', step.why),
    ...named('note', step.note),
  ].join(' · ');

const choiceLine = ({ fact, forced, options }: Choice): string =>
  `choice ${fact}${forced ? ' (insisted on)' : ''}: ${options
    .map(({ way, chosen, against }) => {
      if (chosen) return `${way} (chosen)`;
      if (!against) return `${way} (no way)`;
      const { minutes, risk, consumables, total } = against;
      return `${way} (${minutes.toFixed(1)} min, risk ${risk}, items ${consumables}, in all ${total})`;
    })
    .join(' or ')}`;

/** A route as lines for a person to read: its steps, its kit, what it comes to and what else there was. */
export const routeLines = (route: Route): string[] => [
  ...route.steps.map(stepLine),
  ...named('kit: bits', route.kit.bits),
  ...named('kit: tools', route.kit.tools),
  ...named('kit: stations', route.kit.stations),
  ...named('kit: parts', route.kit.parts),
  ...named('kit: items', used(route.kit.consumables)),
  `minutes: ${Object.values(route.minutes.hands)
    .map((m) => m.toFixed(1))
    .join('/')} of hands, ${route.minutes.wait.toFixed(1)} waiting`,
  `cost: time ${route.cost.time}, risk ${route.cost.risk}, items ${route.cost.consumables}, searched ${route.searched}${route.optimal ? ', proved' : ''}`,
  `moves: ${route.changes} bit changes, ${route.turnings} turnings, ${route.splits} splits, no fewer than ${route.leastMoves} together`,
  ...route.risks.map(({ what, chance, cost }) => `risk: ${what} ${chance} × ${cost}`),
  ...route.choices.map(choiceLine),
  ...named(
    'effects:',
    route.effects.map(({ id }) => id),
  ),
  ...named('checks:', route.checks),
];

/** What one route has otherwise than another: lines that go, then lines that come, each in its order. */
export function otherwise(from: readonly string[], to: readonly string[]): string[] {
  const without = (lines: readonly string[], taken: readonly string[]) => {
    const left = [...taken];
    return lines.filter((line) => {
      const at = left.indexOf(line);
      if (at >= 0) left.splice(at, 1);
      return at < 0;
    });
  };
  return [...without(from, to).map((line) => `- ${line}`), ...without(to, from).map((line) => `+ ${line}`)];
}
