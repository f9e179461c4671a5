import type { Bond } from '../model/schema';
import { type Assembly, isDone, add, bondsLate, inOrder } from './assembly';
import { effectsOf } from '../pairing/effects';
import { isSeal } from '../model/seals';
import { pressed, pressS, rimStep } from './seal-steps';
import { checkStep, holdStep, plainStep, toolsOf } from './draft';
import { handsS, around } from './times';
import type { Operation } from './way-out';
import type { Phase, Caution } from '../vocabulary/steps';
import { laidAs, stepsBack } from './steps-back';
import { glueTimes } from '../seal/glue';
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
function planBack(assembly: Assembly): WayBack {
  const { setting, candidate, work } = assembly;
  const { index, standing, methods } = setting;
  // also of parts that are in already: their calibration is still to come
  const effects = effectsOf(
    index,
    [...new Set([...work.replaced, ...standing.done])],
    methods,
    setting.remedies,
    setting.system,
  );
  const rim = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  const again = assembly.way.length > 0;
  const sealed = !again && standing.sealed;
  const seal =
    rim && (candidate.loose.bonds.includes(rim.id) || (sealed && candidate.loose.moves.length > 0))
      ? rim
      : undefined;
  const newSeal = seal !== undefined || candidate.loose.bonds.some((b) => isSeal(index, index.bonds.get(b)!));
  return {
    seal,
    toSeal: seal !== undefined && !sealed,
    again,
    midPassed: !again && standing.midPassed,
    calibrate: effects.some((e) => e.effect === 'calibrate') && !isDone(assembly, 'calibrate device'),
    offBetween: methods['cell-between'] === 'each',
    newSeal,
    leakTest: newSeal && methods['leak-test'] === 'always' && setting.stations.includes('leak-tester'),
    press: pressed(setting),
  };
}

/** The way back: parts in, proved while it is still open, sealed, closed, proved again. */
export function putTogether(assembly: Assembly): void {
  const { setting, candidate } = assembly;
  const plan = planBack(assembly);
  const { methods, index } = setting;
  refit(assembly, candidate.first, phaseBack(assembly));
  const laySeals = () => refit(assembly, candidate.seals, () => 'Refit');
  if (!plan.toSeal) laySeals();
  let plugged = prove(assembly, plan);
  if (plan.toSeal && plan.seal) {
    layRim(assembly, plan, plan.seal);
    laySeals();
  }
  if (candidate.cellOn && !plugged && (plan.toSeal || plan.midPassed)) {
    plugCell(assembly);
    plugged = true;
    add(assembly, 'Prove', checkStep('mid', 1, { short: true }));
  }
  refit(assembly, candidate.second, () => 'Refit');
  if (candidate.cover) close(assembly, plan, candidate.cover);
  refit(assembly, candidate.outside, () => 'Refit');
  // whatever seal is new is pressed again once the device is shut
  if (candidate.cover && plan.newSeal && plan.press)
    add(assembly, 'Refit', holdStep('press', 'closed', pressS, handsS.act, { station: 'seal-press' }));
  if (candidate.cover && plan.leakTest)
    add(
      assembly,
      'Prove',
      holdStep('leak test', 'device', leakHoldS, handsS.look, { station: 'leak-tester' }),
    );
  if (plan.calibrate && methods.calibration === 'closed') calibrate(assembly, 'calibrate-closed');
  if (methods.screws === 'new' && assembly.steps.some((d) => d.action === 'fasten'))
    add(assembly, 'Prove', plainStep('bag screws', ['screws'], handsS.aside));
  add(assembly, 'Prove', checkStep('after', index.model.shortList.length));
}
function refit(assembly: Assembly, list: readonly Operation[], phase: (o: Operation) => Phase): void {
  const { setting, work, candidate } = assembly;
  const folded = (slot: string) =>
    candidate.loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
  for (const operation of bondsLate(candidate, inOrder(candidate, list)))
    add(assembly, phase(operation), ...stepsBack(setting, operation, work.replaced, folded(operation.slot)));
}
/** What belongs to the part itself is still the swap; the rest is the refit. */
const phaseBack =
  ({ work }: Assembly) =>
  (operation: Operation): Phase =>
    (operation.kind === 'bond' || operation.kind === 'move') &&
    (work.replaced.includes(operation.slot) || work.transfers.includes(operation.slot))
      ? 'Swap'
      : 'Refit';
const plugCell = (assembly: Assembly): void =>
  add(
    assembly,
    'Refit',
    ...(assembly.candidate.cellOn
      ? stepsBack(assembly.setting, assembly.candidate.cellOn, assembly.work.replaced, false)
      : []),
  );

/** The mid check, while the device is still open. @returns whether the cell is plugged in after it */
function prove(assembly: Assembly, plan: WayBack): boolean {
  const { setting, candidate, work } = assembly;
  const { index } = setting;
  if ((!candidate.loose.moves.length && !candidate.cover) || plan.midPassed) return false;
  plugCell(assembly);
  const boot = bootConnectors(index, setting.system);
  const seenFirst = work.replaced.some(
    (r) => index.slots.get(r)!.kind === 'display' && !assembly.tried.has(r),
  );
  add(
    assembly,
    'Prove',
    checkStep('mid', Math.ceil(index.model.shortList.length / 2), {
      ...(boot.length ? { connectors: boot } : {}),
      cautions: seenFirst ? ['first-test-now'] : [],
    }),
  );
  if (plan.calibrate && setting.methods.calibration === 'open') calibrate(assembly, 'calibrate-open');
  if (!candidate.cellOn || !plan.toSeal || !plan.offBetween) return true;
  add(
    assembly,
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
function calibrate(assembly: Assembly, when: Caution): void {
  const low = assembly.steps.some((d) => d.cautions.includes('charge-low'));
  if (low && !badCell(assembly.setting.conditions) && !isDone(assembly, 'recharge device'))
    add(
      assembly,
      'Prove',
      plainStep('recharge', ['device'], handsS.act, { waitS: rechargeS, cautions: ['recharge-listed'] }),
    );
  add(
    assembly,
    'Prove',
    plainStep('calibrate', ['device'], handsS.calibrate, { cautions: [when, 'calibrate-fails'] }),
  );
}
/** The rim cleaned, its seal laid and pressed; or the seal that came on the new part. */
function layRim(assembly: Assembly, plan: WayBack, seal: Bond): void {
  const { setting, candidate, work } = assembly;
  const stays: Caution[] = candidate.cellOn && !plan.offBetween ? ['cell-stays-on'] : [];
  if (plan.again || !setting.standing.rimClean)
    add(assembly, 'Refit', rimStep(setting, 'rim', work.replaced, { cautions: stays }));
  const came = bringsSeal(setting, seal, work.replaced);
  const sheet = glueTimes(setting.glues, 'perimeter-seal');
  add(
    assembly,
    'Refit',
    came
      ? plainStep('apply seal', [seal.id], handsS.look, { about: came, cautions: ['seal-came-fitted'] })
      : plainStep('apply seal', [seal.id], around(seal.renewS), {
          tools: toolsOf(setting.index, ['roller']),
          cautions: plan.press ? [] : ['press-by-hand'],
          ...(seal.renewedBy.length ? { uses: seal.renewedBy } : {}),
          ...(seal.renewNote ? { note: seal.renewNote } : {}),
          ...(sheet ? laidAs(sheet) : {}),
        }),
  );
  if (plan.press && !came)
    add(assembly, 'Refit', holdStep('press', 'frame', pressS, handsS.act, { station: 'seal-press' }));
}
/** The last films and the liner off, and the device shut. */
function close(assembly: Assembly, plan: WayBack, cover: Operation): void {
  const { setting, work } = assembly;
  const { index } = setting;
  const films = work.replaced
    .filter((r) => index.coverSlots.includes(r))
    .flatMap((slot) => filmsOf(index, slot))
    .concat(filmsLeft(setting, true));
  // each about its own piece: the back's film is not peeled off the display
  for (const [slot, own] of bySlot(films)) add(assembly, 'Refit', filmStep(index, slot, own));
  if (plan.seal && (plan.again || !setting.standing.linerOff))
    add(assembly, 'Refit', plainStep('liner off', [plan.seal.id], handsS.liner));
  const note = index.slots.get(cover.slot)!.install?.note;
  add(
    assembly,
    'Refit',
    plainStep('close', [cover.slot], handsS.close, {
      face: cover.face,
      about: cover.slot,
      cautions: plan.newSeal && !plan.leakTest ? ['no-water-claim'] : [],
      ...(note ? { note } : {}),
    }),
  );
}
