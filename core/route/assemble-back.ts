import type { Bond } from '../model/schema';
import { type Assembly, isDone, add, inOrder } from './assembly';
import { effectsOf } from '../pairing/effects';
import { isSeal } from '../model/seals';
import { pressed, pressS, rimStep } from './seal-steps';
import { checkStep, holdStep, plainStep, toolsOf } from './draft';
import { handsS, around } from './times';
import type { Operation } from './way-out';
import type { Phase, Caution } from '../vocabulary/steps';
import { stepsBack } from './steps-back';
import { bootConnectors } from '../model/system';
import { badCell } from '../vocabulary/conditions';
import { bringsSeal } from './setting';
import { filmsOf, filmsLeft, bySlot, filmStep } from './films';
/** Seconds of charging that bring a cell well past the least charge of a calibration (a guess; the phone shows it). */
const rechargeS = 900;
/** Seconds of the leak test's hold: common practice. */
const leakHoldS = 20;

/** What is known of the way back before its first step. */
interface WayBack {
  /** The rim's seal where it is to be laid anew, and whether that is still to be done. */
  seal: Bond | undefined;
  toSeal: boolean;
  /** What stands now is worth nothing once the route opens the device again. */
  again: boolean;
  midPassed: boolean;
  calibrate: boolean;
  /** Between mid check and closing the cell is off for each thing that is done. */
  offBetween: boolean;
  newSeal: boolean;
  leakTest: boolean;
  press: boolean;
}
function planBack(a: Assembly): WayBack {
  const { s, c, work } = a;
  const { index, standing, methods } = s;
  // also of parts that are in already: their calibration is still to come
  const effects = effectsOf(
    index,
    [...new Set([...work.replaced, ...standing.done])],
    methods,
    s.remedies,
    s.system,
  );
  const rim = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  const again = a.way.length > 0;
  const sealed = !again && standing.sealed;
  const seal =
    rim && (c.loose.bonds.includes(rim.id) || (sealed && c.loose.moves.length > 0)) ? rim : undefined;
  const newSeal = seal !== undefined || c.loose.bonds.some((b) => isSeal(index, index.bonds.get(b)!));
  return {
    seal,
    toSeal: seal !== undefined && !sealed,
    again,
    midPassed: !again && standing.midPassed,
    calibrate: effects.some((e) => e.effect === 'calibrate') && !isDone(a, 'calibrate device'),
    offBetween: methods['cell-between'] === 'each',
    newSeal,
    leakTest: newSeal && methods['leak-test'] === 'always' && s.stations.includes('leak-tester'),
    press: pressed(s),
  };
}

/** The way back: parts in, proved while it is still open, sealed, closed, proved again. */
export function putTogether(a: Assembly): void {
  const { s, c } = a;
  const plan = planBack(a);
  const { methods, index } = s;
  refit(a, c.first, phaseBack(a));
  let plugged = prove(a, plan);
  if (plan.toSeal && plan.seal) layRim(a, plan, plan.seal);
  if (c.cellOn && !plugged && (plan.toSeal || plan.midPassed)) {
    plugCell(a);
    plugged = true;
    add(a, 'Prove', checkStep('mid', 1, { short: true }));
  }
  refit(a, c.second, () => 'Refit');
  if (c.cover) close(a, plan, c.cover);
  refit(a, c.outside, () => 'Refit');
  // whatever seal is new is pressed again once the device is shut
  if (c.cover && plan.newSeal && plan.press)
    add(a, 'Refit', holdStep('press', 'closed', pressS, handsS.act, { station: 'seal-press' }));
  if (c.cover && plan.leakTest)
    add(a, 'Prove', holdStep('leak test', 'device', leakHoldS, handsS.look, { station: 'leak-tester' }));
  if (plan.calibrate && methods.calibration === 'closed') calibrate(a, 'calibrate-closed');
  if (methods.screws === 'new' && a.steps.some((d) => d.action === 'fasten'))
    add(a, 'Prove', plainStep('bag screws', ['screws'], handsS.aside));
  add(a, 'Prove', checkStep('after', index.model.shortList.length));
}
function refit(a: Assembly, list: readonly Operation[], phase: (o: Operation) => Phase): void {
  const { s, work, c } = a;
  const folded = (slot: string) => c.loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
  for (const o of inOrder(c, list)) add(a, phase(o), ...stepsBack(s, o, work.replaced, folded(o.slot)));
}
/** What belongs to the part itself is still the swap; the rest is the refit. */
const phaseBack =
  ({ work }: Assembly) =>
  (o: Operation): Phase =>
    (o.kind === 'bond' || o.kind === 'move') &&
    (work.replaced.includes(o.slot) || work.transfers.includes(o.slot))
      ? 'Swap'
      : 'Refit';
const plugCell = (a: Assembly): void =>
  add(a, 'Refit', ...(a.c.cellOn ? stepsBack(a.s, a.c.cellOn, a.work.replaced, false) : []));

/** The mid check, while the device is still open. @returns whether the cell is plugged in after it */
function prove(a: Assembly, plan: WayBack): boolean {
  const { s, c, work } = a;
  const { index } = s;
  if ((!c.loose.moves.length && !c.cover) || plan.midPassed) return false;
  plugCell(a);
  const boot = bootConnectors(index, s.system);
  const seenFirst = work.replaced.some((r) => index.slots.get(r)!.kind === 'display' && !a.tried.has(r));
  add(
    a,
    'Prove',
    checkStep('mid', Math.ceil(index.model.shortList.length / 2), {
      ...(boot.length ? { connectors: boot } : {}),
      cautions: seenFirst ? ['first-test-now'] : [],
    }),
  );
  if (plan.calibrate && s.methods.calibration === 'open') calibrate(a, 'calibrate-open');
  if (!c.cellOn || !plan.toSeal || !plan.offBetween) return true;
  add(
    a,
    'Refit',
    plainStep('disconnect', [index.cellConnector!], handsS.disconnect, {
      about: index.cellSlot!,
      tools: ['spudger'],
      cautions: ['live-board', 'off-again'],
    }),
  );
  return false;
}
/** The maker's calibration. Prying wants less than 25 %, it more than 20 %: where both meet it is charged in between. */
function calibrate(a: Assembly, when: Caution): void {
  const low = a.steps.some((d) => d.cautions.includes('charge-low'));
  if (low && !badCell(a.s.conditions) && !isDone(a, 'recharge device'))
    add(
      a,
      'Prove',
      plainStep('recharge', ['device'], handsS.act, { waitS: rechargeS, cautions: ['recharge-listed'] }),
    );
  add(
    a,
    'Prove',
    plainStep('calibrate', ['device'], handsS.calibrate, { cautions: [when, 'calibrate-fails'] }),
  );
}
/** The rim cleaned, its seal laid and pressed; or the seal that came on the new part. */
function layRim(a: Assembly, plan: WayBack, seal: Bond): void {
  const { s, c, work } = a;
  const stays: Caution[] = c.cellOn && !plan.offBetween ? ['cell-stays-on'] : [];
  if (plan.again || !s.standing.rimClean) add(a, 'Refit', rimStep(s, 'rim', { cautions: stays }));
  const came = bringsSeal(s, seal, work.replaced);
  add(
    a,
    'Refit',
    came
      ? plainStep('apply seal', [seal.id], handsS.look, { about: came, cautions: ['seal-came-fitted'] })
      : plainStep('apply seal', [seal.id], around(seal.renewS), {
          tools: toolsOf(s.index, ['roller']),
          cautions: plan.press ? [] : ['press-by-hand'],
          ...(seal.renewedBy.length ? { uses: seal.renewedBy } : {}),
          ...(seal.renewNote ? { note: seal.renewNote } : {}),
        }),
  );
  if (plan.press && !came)
    add(a, 'Refit', holdStep('press', 'frame', pressS, handsS.act, { station: 'seal-press' }));
}
/** The last films and the liner off, and the device shut. */
function close(a: Assembly, plan: WayBack, cover: Operation): void {
  const { s, work } = a;
  const { index } = s;
  const films = work.replaced
    .filter((r) => index.coverSlots.includes(r))
    .flatMap((slot) => filmsOf(index, slot))
    .concat(filmsLeft(s, true));
  // each about its own piece: the back's film is not peeled off the display
  for (const [slot, own] of bySlot(films)) add(a, 'Refit', filmStep(index, slot, own));
  if (plan.seal && (plan.again || !s.standing.linerOff))
    add(a, 'Refit', plainStep('liner off', [plan.seal.id], handsS.liner));
  const note = index.slots.get(cover.slot)!.install?.note;
  add(
    a,
    'Refit',
    plainStep('close', [cover.slot], handsS.close, {
      face: cover.face,
      about: cover.slot,
      cautions: plan.newSeal && !plan.leakTest ? ['no-water-claim'] : [],
      ...(note ? { note } : {}),
    }),
  );
}
