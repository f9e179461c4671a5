import type { Setting } from './setting';
import type { Work } from './tasks';
import type { Candidate } from './joint';
import { type PhasedDraft, type Draft, plainStep, faceOf } from './draft';
import type { Operation } from './way-out';
import type { Phase, Caution } from '../vocabulary/steps';
import { handsS } from './times';
import { badCell } from '../vocabulary/conditions';
import { cellIsIn, trialPlugs, trialSteps } from './trial';
/** A route while its steps are put together: what was planned, and what has been written so far. */
export interface Assembly {
  setting: Setting;
  work: Work;
  candidate: Candidate;
  steps: PhasedDraft[];
  /** The way out in its order. */
  way: readonly Operation[];
  /** The first move that opens the device, unless it stands open. */
  firstCover: Operation | undefined;
  /** Bonds of the covers, which are cut. */
  cutting: readonly Operation[];
  /** New displays that are tried before they are fitted; the others are seen for the first time at the mid check. */
  tried: Set<string>;
  /** Old pieces that have been put aside. */
  aside: Set<string>;
}
export function beginAssembly(setting: Setting, work: Work, candidate: Candidate): Assembly {
  const way = inOrder(candidate, candidate.out);
  return {
    setting: setting,
    work,
    candidate: candidate,
    steps: [],
    way,
    firstCover: standsOpen(setting) ? undefined : way.find((o) => opens(setting, o)),
    cutting: way.filter((o) => o.kind === 'bond' && setting.index.coverSlots.includes(o.slot)),
    tried: new Set(),
    aside: new Set(setting.standing.aside),
  };
}
export function add(assembly: Assembly, phase: Phase, ...drafts: Draft[]): void {
  for (const draft of drafts) assembly.steps.push({ ...draft, phase });
}
/** Operations in the order that was found best. */
export function inOrder(candidate: Candidate, list: readonly Operation[]): Operation[] {
  const rank = new Map(candidate.order.sequence.map((id, i) => [id, i]));
  return list.toSorted((a, b) => rank.get(a.id)! - rank.get(b.id)!);
}
/**
 * The same with each glue, strip and seal as late as it may be, right before what lies on it: what is sticky gathers dust and
 * grows a skin. Where that would turn the device once more it stays where it was.
 */
export function bondsLate(candidate: Candidate, ordered: readonly Operation[]): Operation[] {
  const list = [...ordered];
  for (const bond of ordered.filter((o) => o.kind === 'bond')) {
    const after = new Set(candidate.precedences.flatMap(([a, b]) => (a === bond.id ? [b] : [])));
    const at = list.indexOf(bond);
    const first = list.findIndex((o, k) => k > at && after.has(o.id));
    if (first <= at + 1 || ![list[first - 1]!.face, list[first]!.face].includes(bond.face)) continue;
    list.splice(at, 1);
    list.splice(first - 1, 0, bond);
  }
  return list;
}
/** Whether an operation lifts a cover. */
export const opens = (setting: Setting, operation: Operation): boolean =>
  operation.kind === 'move' && setting.index.coverSlots.includes(operation.slot);
/** Whether the device stands open when the route begins. */
export const standsOpen = ({ index, standing }: Setting): boolean =>
  standing.openCover !== undefined || standing.moved.some((m) => index.coverSlots.includes(m.slot));
/** Whether an act was done before this route was planned. */
export const isDone = (a: Assembly, act: string): boolean => a.setting.standing.acted.includes(act);
/** Whether shards are cut through with a blade: panel and frame are both replaced, so neither is spared. */
export const isCutByBlade = ({ setting, work }: Assembly): boolean => {
  const replaces = (kind: string) => work.replaced.some((r) => setting.index.slots.get(r)!.kind === kind);
  return setting.conditions.includes('shattered') && replaces('display') && replaces('frame');
};
export const isStuckOn = ({ setting }: Assembly): boolean => setting.conditions.includes('stuck on');
/** Whether the cell is plugged in when the route begins. */
export const isLive = ({ setting: { index, standing } }: Assembly): boolean =>
  index.cellConnector !== undefined && !standing.connectorsOff.includes(index.cellConnector);
/** Whether the device has to be switched off on the way in. */
export const needsSwitchingOff = (assembly: Assembly): boolean =>
  isLive(assembly) &&
  assembly.way.length > 0 &&
  (assembly.firstCover !== undefined || assembly.way.some((o) => o.kind === 'connector')) &&
  !isDone(assembly, 'switch off device');
export const switchOff = (cautions: Caution[]): Draft =>
  plainStep('switch off', ['device'], handsS.act, { cautions: [...cautions, 'charger-off'] });

/** An old piece put aside, once; a bad cell into its container. */
export function setAside(assembly: Assembly, slot: string): void {
  const { index, conditions } = assembly.setting;
  if (assembly.aside.has(slot) || !assembly.work.replaced.includes(slot)) return;
  assembly.aside.add(slot);
  const cell = index.slots.get(slot)!.kind === 'cell';
  add(
    assembly,
    'Swap',
    plainStep('set aside', [slot], handsS.aside, {
      about: slot,
      face: faceOf(index, slot),
      cautions: !cell ? [] : badCell(conditions) ? ['swollen-container'] : ['cell-recycled'],
      ...(cell && badCell(conditions) ? { tools: ['sand-box'] } : {}),
    }),
  );
}
/** A new display tried out of its bag where the house does that and the cell is in. */
export function addTrial(assembly: Assembly, slot: string, before: readonly Operation[]): void {
  const { setting } = assembly;
  if (setting.index.slots.get(slot)!.kind !== 'display' || setting.methods['part-test'] !== 'bag') return;
  if (isDone(assembly, `test part ${slot}`)) assembly.tried.add(slot);
  const plugs =
    assembly.tried.has(slot) || !cellIsIn(setting, before) ? undefined : trialPlugs(setting, slot);
  if (!plugs) return;
  assembly.tried.add(slot);
  const loose = new Set([
    ...setting.standing.connectorsOff,
    ...before.filter((o) => o.kind === 'connector').flatMap((o) => o.things),
  ]);
  add(assembly, 'Swap', ...trialSteps(setting, slot, plugs, loose));
}
