import { sourceOf } from '../thermal/sources';
import { openChecks } from '../checks/due';
import type { IndexedModel } from '../model/index-model';
import type { Route, Step } from '../steps/route';
import type { RimPart, StepAction } from '../vocabulary/steps';
import { bringsOf, carriedOf } from '../model/carried';
import { isAlready } from './already';
import { badCell } from '../vocabulary/conditions';
import { type Body, type BodyOf, holds } from '../log/events';
import type { Act } from '../vocabulary/steps';
import { flag, type JobState } from '../log/state';
import { holderOf, newPiece, originalPiece } from '../vocabulary/pieces';
import { conditionsOf, pieceInHole, pieceInSlot, piecesAt } from '../log/view';

const onTheHeat = (index: IndexedModel, state: JobState, step: Step): Body => ({
  type: 'heatStarted',
  station: step.station ?? '',
  ...soakSaid(step),
  // by this press: the source is warm, and the device lies on it
  ...(sourceOf(step.station ?? '') ? { hot: 'said' as const } : {}),
  ...apart(index, state, step),
});
/** What of a planned soak the log keeps: by what it may be taken off, and when it has cooled. */
function soakSaid({ soak, waitS }: Step): Omit<BodyOf<'heatStarted'>, 'type' | 'station'> {
  if (!soak) return { forS: waitS };
  // by name: a route of an earlier version says more of its soak than the log takes
  const { bond, setC, softForS, opensS, closesS } = soak;
  return {
    forS: waitS,
    ...{ bond, setC, softForS },
    ...(opensS === undefined ? {} : { opensS }),
    ...(closesS === undefined ? {} : { closesS }),
  };
}
/** Which steps an event can do, and which of their targets: the one table between what is reported and the route. */
export function doneBy(body: Body): { action: StepAction; target: string } | undefined {
  switch (body.type) {
    case 'screwOut':
      return { action: 'unscrew', target: body.fastener };
    case 'screwIn':
      return { action: 'fasten', target: body.fastener };
    case 'connectorOff':
      return { action: 'disconnect', target: body.connector };
    case 'connectorOn':
      return { action: 'connect', target: body.connector };
    case 'reseated':
      return { action: 'reseat', target: body.connector };
    case 'bondReleased':
      return { action: 'release', target: body.bond };
    case 'bondRenewed':
      return { action: 'renew', target: body.bond };
    case 'catchFreed':
      return { action: 'unhook', target: body.catch };
    case 'pieceMoved':
      return { action: 'move', target: body.slot };
    case 'pieceFitted':
      return { action: 'fit', target: body.slot };
    case 'pieceSetAside':
      return { action: 'set aside', target: holderOf(body.piece) };
    case 'screwsBagged':
      return { action: 'bag screws', target: '' };
    case 'filmOff':
      return { action: 'film off', target: body.film };
    case 'maskOn':
      return { action: 'mask on', target: body.mask };
    case 'maskOff':
      return { action: 'mask off', target: body.mask };
    case 'heatStarted':
      return { action: 'heat', target: 'start' };
    case 'heatEnded':
      return { action: 'heat', target: 'end' };
    case 'solventApplied':
      return { action: 'solvent', target: body.bond };
    case 'rimCleaned':
      return { action: 'clean rim', target: `${body.bond ?? 'rim'}${body.what ? `:${body.what}` : ''}` };
    case 'leakTested':
      return { action: 'leak test', target: 'device:end' };
    case 'sealApplied':
      return { action: 'apply seal', target: body.bond };
    // left off on purpose is an answer to the step, too
    case 'leftUnsealed':
      return { action: 'apply seal', target: '' };
    case 'linerOff':
      return { action: 'liner off', target: '' };
    case 'deviceClosed':
      return { action: 'close', target: '' };
    case 'acted':
      return { action: body.act, target: body.target };
    case 'dataRead':
      return { action: 'read data', target: body.slot };
    case 'dataWritten':
      return body.verified ? { action: 'write data', target: body.slot } : undefined;
    case 'dataDeclined':
      return { action: 'leave data', target: body.slot };
    case 'stepPassed':
      return undefined;
    default:
      return undefined;
  }
}

/** The first step of the route that is not done yet and that this event does. */
export function stepFor(
  route: Route,
  state: JobState,
  body: Body,
): { step: string; target: string } | undefined {
  if (body.type === 'stepPassed') {
    const step = route.steps.find((s) => s.id === body.passed);
    return step && { step: step.id, target: step.targets[0]! };
  }
  const did = doneBy(body);
  if (!did) return undefined;
  for (const step of route.steps) {
    if (step.action !== did.action) continue;
    const target = did.target === '' ? step.targets[0]! : did.target;
    if (isOtherTrial(state, step, body)) continue;
    if (step.targets.includes(target) && !state.progress[`${step.id} ${target}`])
      return { step: step.id, target };
  }
  return undefined;
}

/** What is plugged in to try a part at the rework bench, and unplugged again, does no step of the route for another purpose. */
const isOtherTrial = (state: JobState, step: Step, body: Body): boolean => {
  if (body.type === 'connectorOn') return body.trial !== undefined && step.trial !== body.trial;
  const trial = flag(state, 'trial');
  return (
    body.type === 'connectorOff' &&
    trial !== undefined &&
    trial !== null &&
    trial.connectors.includes(body.connector) &&
    step.trial !== trial.slot
  );
};
/** Names of a step's targets in the table of progress. A rebuild asks for a thousand of them at each press: made once. */
const names = new WeakMap<Step, string[]>();
function progressNames(step: Step): string[] {
  let known = names.get(step);
  if (!known) {
    known = step.targets.map((t) => `${step.id} ${t}`);
    names.set(step, known);
  }
  return known;
}
export const targetsLeft = (state: JobState, step: Step): string[] => {
  const known = progressNames(step);
  return step.targets.filter((_, k) => state.progress[known[k]!] !== 1);
};
/** Whether every target of a step has been reported. */
export const isStepDone = (state: JobState, step: Step) =>
  progressNames(step).every((n) => state.progress[n] === 1);

/** The end of something that runs by itself: a soak, or an act of `holds`. */
const isEnd = (target: string) => target === 'end' || target.endsWith(':end');

/**
 * What of a step is left to do on this device: neither reported nor shown by the device already. A hole that is empty has
 * no screw to come out, wherever that screw is: one that flew off is adrift, and must not be reported as on the mat.
 */
export function stillToDo(index: IndexedModel, state: JobState, step: Step): string[] {
  const open = targetsLeft(state, step);
  if (step.action === 'check') return open;
  // what has ended has begun, also when another route was in force then
  if (step.targets.some((t) => isEnd(t) && !open.includes(t))) return [];
  return open.filter(
    (t) =>
      !(step.action === 'unscrew' && pieceInHole(state, t) === undefined) &&
      !isAlready(index, state, bodyFor(index, state, step, t)),
  );
}

/**
 * Where the route stands: the first step that has something left to do, with what is left.
 * What the device already shows (done before this route was planned, or out of order) is not asked for again.
 */
export function nextStep(
  route: Route,
  state: JobState,
  index: IndexedModel,
): { step: Step; left: string[] } | undefined {
  for (const step of route.steps) {
    if (isStepDone(state, step)) continue;
    const left = stillToDo(index, state, step);
    if (left.length) return { step, left };
  }
  return undefined;
}

/** The frame's rim is clean, with what else of it the route asks for; or one of those. */
function rimCleaned(step: Step, target: string): Body {
  const [key, what] = target.split(':') as [string, RimPart | undefined];
  const due = step.targets.flatMap((t) => (t.split(':')[1] as RimPart | undefined) ?? []);
  return {
    type: 'rimCleaned',
    ...(key === 'rim' ? {} : { bond: key }),
    ...(what ? { what } : due.length ? { due } : {}),
  };
}
/** What to report when this target of a step has been done. */
export function bodyFor(index: IndexedModel, state: JobState, step: Step, target: string): Body {
  switch (step.action) {
    case 'unscrew':
      return {
        type: 'screwOut',
        fastener: target,
        piece: pieceInHole(state, target) ?? originalPiece(target),
      };
    case 'fasten':
      return { type: 'screwIn', fastener: target, piece: screwFor(state, target, step.fresh === true) };
    case 'disconnect':
      return { type: 'connectorOff', connector: target };
    case 'connect':
      return { type: 'connectorOn', connector: target, ...(step.trial ? { trial: step.trial } : {}) };
    case 'release':
      return { type: 'bondReleased', bond: target, torn: false };
    case 'renew':
      return { type: 'bondRenewed', bond: target, ...(step.glue ? { glue: step.glue } : {}) };
    case 'unhook':
      return { type: 'catchFreed', catch: target };
    case 'move':
      return { type: 'pieceMoved', slot: target, pose: step.pose as 'out' };
    case 'fit':
      return {
        type: 'pieceFitted',
        slot: target,
        piece: step.piece ?? pieceInSlot(state, target) ?? looseOf(state, target),
        pose: step.pose === 'folded' ? 'folded' : 'in',
        ...arriving(index, step),
      };
    case 'set aside':
      return {
        type: 'pieceSetAside',
        piece: looseOf(state, target),
        to: asideFor(index, state, target),
        ...leaving(index, state, target),
      };
    case 'reseat':
      return { type: 'reseated', connector: target };
    case 'bag screws':
      return { type: 'screwsBagged', pieces: oldScrews(state) };
    case 'film off':
      return { type: 'filmOff', film: target };
    case 'mask on':
      return { type: 'maskOn', mask: target };
    case 'mask off':
      return { type: 'maskOff', mask: target };
    case 'heat':
      return target === 'start' ? onTheHeat(index, state, step) : { type: 'heatEnded' };
    case 'solvent':
      return { type: 'solventApplied', bond: target, dwellS: step.waitS };
    case 'clean rim':
      return rimCleaned(step, target);
    case 'apply seal':
      return { type: 'sealApplied', bond: target, ...(step.glue ? { glue: step.glue } : {}) };
    case 'liner off':
      return { type: 'linerOff' };
    case 'close':
      return { type: 'deviceClosed' };
    case 'read data':
      return { type: 'dataRead', slot: target };
    case 'write data':
      return { type: 'dataWritten', slot: target, verified: true };
    case 'leave data':
      return { type: 'dataDeclined', slot: target, reason: 'house method: the notice is accepted' };
    case 'check':
      return { type: 'stepPassed', passed: step.id, round: step.round! };
    case 'leak test':
      if (target.endsWith(':end')) return { type: 'leakTested', holds: true };
      return { type: 'acted', act: 'leak test', target, forS: step.waitS };
    default:
      return {
        type: 'acted',
        act: step.action satisfies Act,
        target,
        ...(holds.has(step.action) && target.endsWith(':start') ? { forS: step.waitS } : {}),
      };
  }
}
/** The loose assembly that a heat step warms apart from the device, where what it warms sits on one. */
function apart(index: IndexedModel, state: JobState, step: Step): { part?: string } {
  const slot = index.slots.get(step.about ?? '');
  const carrier = slot?.carrier ?? slot?.id;
  return carrier !== undefined && pieceInSlot(state, carrier) === undefined ? { part: carrier } : {};
}
/** The new pieces that come fitted on a new assembly: as it was planned, and for an older route as the model says. */
function arriving(index: IndexedModel, step: Step): { with?: string[] } {
  if (!step.piece) return {};
  const brings = step.brings ?? bringsOf(index, step.targets[0]!);
  return brings.length ? { with: brings } : {};
}
/** Where an old part goes: as the owner has asked; a damaged cell is handed out to nobody. */
function asideFor(index: IndexedModel, state: JobState, slot: string): 'recycling' | 'owner' {
  const cell = index.slots.get(slot)?.kind === 'cell';
  if (cell && badCell(conditionsOf(state))) return 'recycling';
  const asked = state.answer['old-parts'];
  if (asked === 'back') return 'owner';
  return asked === 'recycled' || cell ? 'recycling' : 'owner';
}
/** The old pieces that still sit on an old assembly and leave with it. */
function leaving(index: IndexedModel, state: JobState, slot: string): { with?: string[] } {
  const piece = (r: { id: string; hole: boolean }) =>
    r.hole ? pieceInHole(state, r.id) : pieceInSlot(state, r.id);
  const left = carriedOf(index, slot, 'leaving').flatMap((carried) => {
    const p = piece(carried);
    return p?.endsWith('#1') ? [carried.hole ? `screw:${p}` : p] : [];
  });
  return left.length ? { with: left } : {};
}
/**
 * The screw that lies in this hole's place on the mat; a new one when its own was lost or put aside, or where new ones
 * are the method.
 */
function screwFor(state: JobState, fastener: string, fresh: boolean): string {
  const first = originalPiece(fastener);
  const lying = piecesAt(state, `mat/${fastener}`).filter((p) => state.place[p] !== undefined);
  const own = fresh ? lying.find((p) => p !== first) : lying[0];
  if (own) return own;
  const gone = state.place[first] === 'adrift' || state.place[first]?.startsWith('aside/');
  if (!fresh && !gone) return first;
  for (let n = 1; ; n++) {
    const piece = newPiece(fastener, n);
    if (state.place[piece] === undefined) return piece;
  }
}
/** The screws that came with the device and lie on the mat although their holes are filled: new ones went in. */
function oldScrews(state: JobState): string[] {
  return Object.keys(state.place).filter(
    (p) =>
      p === originalPiece(holderOf(p)) &&
      state.place[p] === `mat/${holderOf(p)}` &&
      pieceInHole(state, holderOf(p)) !== undefined,
  );
}
function looseOf(state: JobState, slot: string): string {
  return (
    Object.keys(state.place).find((p) => holderOf(p) === slot && state.place[p] === 'tray') ??
    originalPiece(slot)
  );
}

/** The functions that a check step still waits for. */
export function checkStepOpen(index: IndexedModel, state: JobState, step: Step): string[] {
  return step.action === 'check' && step.round
    ? openChecks(state, index, step.round).map((c) => c.function)
    : [];
}
