import type { IndexedModel } from '../model/index-model';
import type { Slot } from '../model/schema';
import type { Setting } from './setting';
import { type PhasedDraft, plainStep } from './draft';
import { handsS, times } from './times';

/** What dirties optics: shards and dust, hot air, glue. */
type Dirt = 'dust' | 'heat' | 'glue';
/** How far each of them reaches, mm (from memory; glass flies furthest). */
const reachMm: Record<Dirt, number> = { dust: 60, heat: 25, glue: 10 };

type Shape = Slot['shape'];
/** Distance between two rectangles, mm; 0 where they touch. */
function distanceMm(a: Shape, b: Shape): number {
  const gap = (from: number, size: number, other: number, otherSize: number) =>
    Math.max(0, other - (from + size), from - (other + otherSize));
  return Math.hypot(gap(a.x, a.w, b.x, b.w), gap(a.y, a.h, b.y, b.h));
}
/** Parts with lenses or sensors that look out of the device. */
const opticKinds: ReadonlySet<string> = new Set(['camera', 'front-sensors']);
const looksBack = (slot: Slot): boolean => slot.functions.includes('cameras');

/** What a step throws about, and where it is done; undefined for clean ones. */
function dirtOf({ index, methods }: Setting, step: PhasedDraft): { dirt: Dirt; at: string } | undefined {
  const [target] = step.targets;
  const bond = index.bonds.get(target?.split(':')[0] ?? '');
  const back = bond?.kind === 'glue' && bond.holds.some((h) => index.slots.get(h)?.kind === 'back');
  if (back && ['craze', 'part', 'break glass', 'brush', 'release'].includes(step.action))
    return { dirt: 'dust', at: bond.id };
  // what is liquid runs; a tape does not
  if (step.action === 'renew' && bond?.kind === 'glue' && bond.cureS > 0)
    return { dirt: 'glue', at: bond.id };
  // on the bench beside the device nothing reaches its optics
  const chip = index.model.slots.find((s) => s.kind === 'chip')?.id;
  const inDevice =
    (step.action === 'rework' && target === chip) ||
    (step.action === 'move chip' && chip !== undefined) ||
    (step.station === 'microscope' && step.action === 'release');
  if (!inDevice || chip === undefined) return undefined;
  return { dirt: methods['chip-removal'] === 'grinding' ? 'dust' : 'heat', at: chip };
}
/** Where a thing lies. */
function placeOf(index: IndexedModel, id: string): { shape: Shape; back: boolean } | undefined {
  const slot = index.slots.get(id);
  if (slot) return { shape: slot.shape, back: slot.face === 'back' };
  const held = index.bonds.get(id)?.holds.map((h) => index.slots.get(h));
  const cover = held?.find((s) => s !== undefined);
  return cover && { shape: cover.shape, back: index.bonds.get(id)!.face === 'back' };
}
/** The optics near a dirty step that are in the device then: by the outside of a back, those that look out of it. */
function near(
  { index }: Setting,
  { dirt, at }: { dirt: Dirt; at: string },
  out: ReadonlySet<string>,
): string[] {
  const place = placeOf(index, at);
  if (!place) return [];
  return index.model.slots
    .filter(
      (slot) =>
        opticKinds.has(slot.kind) &&
        !out.has(slot.id) &&
        (!place.back || looksBack(slot)) &&
        distanceMm(slot.shape, place.shape) <= reachMm[dirt],
    )
    .map((slot) => slot.id)
    .toSorted();
}

/**
 * The steps with optics masked before the first step that would dirty them, and bare again after the last: on and off are
 * balanced at closing. What is masked already when the route begins comes off, too.
 */
export function withMasks(setting: Setting, steps: readonly PhasedDraft[]): PhasedDraft[] {
  const out = new Set(setting.standing.moved.filter((m) => m.pose === 'out').map((m) => m.slot));
  const needed = new Map<string, { first: number; last: number }>();
  for (const mask of setting.standing.masksOn ?? []) needed.set(mask, { first: -1, last: -1 });
  for (const [k, step] of steps.entries()) {
    if (step.action === 'move' && step.pose === 'out') for (const slot of step.targets) out.add(slot);
    if (step.action === 'fit') for (const slot of step.targets) out.delete(slot);
    const dirt = dirtOf(setting, step);
    if (!dirt) continue;
    for (const slot of near(setting, dirt, out))
      needed.set(slot, { first: needed.get(slot)?.first ?? k, last: k });
  }
  return steps.flatMap((step, k) => {
    const on = [...needed].filter(([, n]) => n.first === k).map(([slot]) => slot);
    const off = [...needed].filter(([, n]) => Math.max(0, n.last) === k).map(([slot]) => slot);
    const masked = (action: 'mask on' | 'mask off', targets: string[]): PhasedDraft[] =>
      targets.length
        ? [
            {
              ...plainStep(action, targets, times(handsS.film, targets.length), { about: targets[0]! }),
              face: step.face,
              phase: step.phase,
              ...(action === 'mask on' ? { uses: [{ item: 'mask-tape', quantity: targets.length }] } : {}),
            },
          ]
        : [];
    return [...masked('mask on', on), step, ...masked('mask off', off)];
  });
}
