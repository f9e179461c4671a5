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
  s: Setting;
  work: Work;
  c: Candidate;
  steps: PhasedDraft[];
  /** The way out in its order. */
  way: readonly Operation[];
  /** The first move that opens the device. */
  firstCover: Operation | undefined;
  /** Bonds of the covers, which are cut. */
  cutting: readonly Operation[];
  /** New displays that are tried before they are fitted; the others are seen for the first time at the mid check. */
  tried: Set<string>;
  /** Old pieces that have been put aside. */
  aside: Set<string>;
}
export function beginAssembly(s: Setting, work: Work, c: Candidate): Assembly {
  const way = inOrder(c, c.out);
  return {
    s,
    work,
    c,
    steps: [],
    way,
    firstCover: way.find((o) => opens(s, o)),
    cutting: way.filter((o) => o.kind === 'bond' && s.index.coverSlots.includes(o.slot)),
    tried: new Set(),
    aside: new Set(s.standing.aside),
  };
}
export function add(a: Assembly, phase: Phase, ...drafts: Draft[]): void {
  for (const d of drafts) a.steps.push({ ...d, phase });
}
/** Operations in the order that was found best. */
export function inOrder(c: Candidate, list: readonly Operation[]): Operation[] {
  const rank = new Map(c.order.sequence.map((id, i) => [id, i]));
  return list.toSorted((a, b) => rank.get(a.id)! - rank.get(b.id)!);
}
/** Whether an operation lifts a cover. */
export const opens = (s: Setting, o: Operation): boolean =>
  o.kind === 'move' && s.index.coverSlots.includes(o.slot);
/** Whether an act was done before this route was planned. */
export const isDone = (a: Assembly, act: string): boolean => a.s.standing.acted.includes(act);
/** Whether shards are cut through with a blade: panel and frame are both replaced, so neither is spared. */
export const isCutByBlade = ({ s, work }: Assembly): boolean => {
  const replaces = (kind: string) => work.replaced.some((r) => s.index.slots.get(r)!.kind === kind);
  return s.conditions.includes('shattered') && replaces('display') && replaces('frame');
};
export const isStuckOn = ({ s }: Assembly): boolean => s.conditions.includes('stuck on');
/** Whether the cell is plugged in when the route begins. */
export const isLive = ({ s: { index, standing } }: Assembly): boolean =>
  index.cellConnector !== undefined && !standing.connectorsOff.includes(index.cellConnector);
/** Whether the device has to be switched off on the way in. */
export const needsSwitchingOff = (a: Assembly): boolean =>
  isLive(a) &&
  a.way.length > 0 &&
  (a.firstCover !== undefined || a.way.some((o) => o.kind === 'connector')) &&
  !isDone(a, 'switch off device');
export const switchOff = (cautions: Caution[]): Draft =>
  plainStep('switch off', ['device'], handsS.act, { cautions: [...cautions, 'charger-off'] });

/** An old piece put aside, once; a bad cell into its container. */
export function setAside(a: Assembly, slot: string): void {
  const { index, conditions } = a.s;
  if (a.aside.has(slot) || !a.work.replaced.includes(slot)) return;
  a.aside.add(slot);
  const cell = index.slots.get(slot)!.kind === 'cell';
  add(
    a,
    'Swap',
    plainStep('set aside', [slot], handsS.aside, {
      about: slot,
      face: faceOf(index, slot),
      cautions: cell ? ['swollen-container'] : [],
      ...(cell && badCell(conditions) ? { tools: ['sand-box'] } : {}),
    }),
  );
}
/** A new display tried out of its bag where the house does that and the cell is in. */
export function addTrial(a: Assembly, slot: string, before: readonly Operation[]): void {
  const { s } = a;
  if (s.index.slots.get(slot)!.kind !== 'display' || s.methods['part-test'] !== 'bag') return;
  if (isDone(a, `test part ${slot}`)) a.tried.add(slot);
  const plugs = a.tried.has(slot) || !cellIsIn(s, before) ? undefined : trialPlugs(s, slot);
  if (!plugs) return;
  a.tried.add(slot);
  const loose = new Set([
    ...s.standing.connectorsOff,
    ...before.filter((o) => o.kind === 'connector').flatMap((o) => o.things),
  ]);
  add(a, 'Swap', ...trialSteps(s, slot, plugs, loose));
}
