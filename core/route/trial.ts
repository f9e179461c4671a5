import { newPiece } from '../vocabulary/pieces';
import { carriedOf } from '../model/carried';
import { bootConnectors, bootRulesFor } from '../model/system';
import type { Setting } from './setting';
import { type Draft, plainStep } from './draft';
import { handsS, times } from './times';
import type { Operation } from './way-out';

/**
 * The plugs that a new part is tried on before anything is moved over to it: its own, and those that the boot rule asks
 * for. Undefined where it cannot be tried so: a damaged cell is not switched on, and what must be plugged in may still sit
 * on the old part and not reach; it is then tested assembled.
 */
export function trialPlugs(setting: Setting, slot: string): string[] | undefined {
  const { index } = setting;
  if (index.cellConnector === undefined || setting.conditions.some((c) => notPowered.includes(c)))
    return undefined;
  const comes = new Set([slot, ...carriedOf(index, slot, 'arriving').map((r) => r.id)]);
  const own = index.model.connectors.filter((c) => c.joins.some((j) => comes.has(j))).map((c) => c.id);
  const boot = bootConnectors(index, setting.system);
  const onOld = boot.filter((c) =>
    index.connectors.get(c)!.joins.some((j) => !comes.has(j) && index.slots.get(j)?.carrier === slot),
  );
  const rules = bootRulesFor(index, setting.system);
  if (onOld.some((c) => rules.some((r) => r.connectors.includes(c) && !r.reachesFromOld))) return undefined;
  return [...new Set([...own, ...boot])].filter((c) => c !== index.cellConnector);
}
/** Conditions under which no opened device is switched on for a test (common practice). */
const notPowered: readonly string[] = ['swollen', 'pierced', 'wet', 'hot'];

/**
 * The trial itself, all of it through the interlocks: plugs on, cell on, test, cell off, plugs off.
 * @param loose the connectors that are off at this point of the route
 */
export function trialSteps(
  setting: Setting,
  slot: string,
  plugs: readonly string[],
  loose: ReadonlySet<string>,
): Draft[] {
  const cell = setting.index.cellConnector!;
  const open = plugs.filter((c) => loose.has(c));
  const about = { about: slot, trial: slot };
  return [
    ...(open.length
      ? [plainStep('connect', open, times(handsS.connect, open.length), { ...about, piece: newPiece(slot) })]
      : []),
    plainStep('connect', [cell], handsS.connect, { ...about, cautions: ['power-test'] }),
    plainStep('test part', [slot], handsS.testPart, { about: slot, connectors: [...plugs] }),
    ...trialEnd(setting, slot, [cell, ...open]),
  ];
}
/**
 * Off again before anything is moved: the cell first.
 * @param on what is plugged in for the trial
 */
export function trialEnd(setting: Setting, slot: string, on: readonly string[]): Draft[] {
  const cell = setting.index.cellConnector;
  const plugs = on.filter((c) => c !== cell);
  const about = { about: slot, trial: slot, tools: ['spudger'] };
  const out: Draft[] = [];
  if (cell && on.includes(cell))
    out.push(
      // what has been tried is on
      ...(setting.conditions.includes('stuck on')
        ? []
        : [plainStep('switch off', ['device:trial'], handsS.act, { about: slot })]),
      plainStep('disconnect', [cell], handsS.disconnect, { ...about, cautions: ['live-board', 'trial-off'] }),
    );
  if (plugs.length) out.push(plainStep('disconnect', plugs, times(handsS.disconnect, plugs.length), about));
  return out;
}

/** Whether the cell is still in the device when the route comes to an operation of its way out. */
export const cellIsIn = (setting: Setting, before: readonly Operation[]): boolean =>
  setting.index.cellSlot !== undefined &&
  !setting.standing.moved.some((m) => m.slot === setting.index.cellSlot && m.pose === 'out') &&
  !before.some((o) => o.kind === 'move' && o.slot === setting.index.cellSlot && o.way!.to === 'out');
