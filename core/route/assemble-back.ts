import type { Bond } from '../model/schema';
import { type Assembly, isDone, isStuckOn, add, bondsLate, inOrder } from './assembly';
import { effectsOf } from '../pairing/effects';
import { isSeal } from '../model/seals';
import { pressed, pressS, rimStep } from './seal-steps';
import { checkStep, faceOf, holdStep, plainStep, toolsOf } from './draft';
import { handsS, around, inSeconds, times } from './times';
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
  /** The display has been off its plugs, and is so once more while the rim is sealed. */
  bare: boolean;
  /** The display hangs open beside the frame while that is done. */
  hangs: boolean;
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
  const toSeal = seal !== undefined && !sealed;
  const offBetween = methods['cell-between'] === 'each';
  const bare =
    toSeal &&
    offBetween &&
    candidate.cellOn !== undefined &&
    methods['display-at-seal'] !== 'stays' &&
    candidate.hung.some((o) => o.kind === 'move');
  const folded = candidate.loose.moves.some(
    (m) => m.way.to === 'folded' && index.slots.get(m.slot)!.kind === 'display',
  );
  const newSeal = seal !== undefined || candidate.loose.bonds.some((b) => isSeal(index, index.bonds.get(b)!));
  return {
    seal,
    toSeal,
    again,
    midPassed: !again && standing.midPassed,
    calibrate: effects.some((e) => e.effect === 'calibrate') && !isDone(assembly, 'calibrate device'),
    offBetween,
    newSeal,
    leakTest: newSeal && methods['leak-test'] === 'always' && setting.stations.includes('leak-tester'),
    press: pressed(setting),
    bare,
    hangs: folded && !bare,
  };
}

/** The way back: parts in, proved while it is still open, sealed, closed, proved again. */
export function putTogether(assembly: Assembly): void {
  const { setting, candidate } = assembly;
  const plan = planBack(assembly);
  const { methods, index } = setting;
  refit(assembly, candidate.first, phaseBack(assembly));
  const laySeals = () => refit(plan.hangs ? byHand(assembly) : assembly, candidate.seals, () => 'Refit');
  if (!plan.toSeal) laySeals();
  // the display is hung last; one that is still off its plugs after the mid check waits for the rim
  const waits = plan.bare && plan.midPassed;
  if (!waits) refit(assembly, candidate.hung, phaseBack(assembly));
  let plugged = prove(assembly, plan);
  if (plan.toSeal && plan.seal) {
    if (plan.bare && !waits) takeDown(assembly);
    layRim(assembly, plan, plan.seal);
    laySeals();
    if (waits) refit(assembly, candidate.hung, () => 'Refit');
    else if (plan.bare) hangAgain(assembly);
  }
  if (candidate.cellOn && !plugged && (plan.toSeal || plan.midPassed)) {
    plugCell(assembly);
    plugged = true;
    add(assembly, 'Prove', checkStep('mid', 1, { short: true }));
  }
  refit(assembly, candidate.second, () => 'Refit');
  if (candidate.cover) close(assembly, plan, candidate.cover);
  // whatever seal is new is pressed again once the device is shut
  const pressClosed = candidate.cover !== undefined && plan.newSeal && plan.press;
  const pressFirst = methods['closing-press'] !== 'last';
  const press = () =>
    add(assembly, 'Refit', holdStep('press', 'closed', pressS, handsS.act, { station: 'seal-press' }));
  if (pressClosed && pressFirst) press();
  const from = assembly.steps.length;
  refit(assembly, candidate.outside, () => 'Refit');
  const [screws] = assembly.steps.slice(from);
  if (pressClosed && screws)
    screws.cautions = [...screws.cautions, pressFirst ? 'pressed-first' : 'screws-first'];
  if (pressClosed && !pressFirst) press();
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
  if (methods['outer-film'] !== 'closing') filmsOff(assembly, 'Prove', 'film-at-hand-over');
}
/** The same where the device hangs open: a seal is not pressed beside a display on its flexes. */
const byHand = (assembly: Assembly): Assembly => ({
  ...assembly,
  setting: { ...assembly.setting, noPlate: true },
});
/** The display off its plugs and away once more, so that the frame is bare. */
function takeDown(assembly: Assembly): void {
  const { setting, candidate } = assembly;
  const plugs = candidate.hung.filter((o) => o.kind === 'connector').flatMap((o) => o.things);
  const fit = candidate.hung.find((o) => o.kind === 'move')!;
  const at = { about: fit.slot, face: faceOf(setting.index, fit.slot) };
  if (plugs.length)
    add(
      assembly,
      'Refit',
      plainStep('disconnect', plugs, times(handsS.disconnect, plugs.length), {
        ...at,
        tools: ['spudger'],
        cautions: ['plugs-off-again'],
      }),
    );
  add(
    assembly,
    'Refit',
    plainStep('move', [fit.slot], inSeconds(fit.way!.minutes), {
      ...at,
      pose: 'out',
      cautions: plugs.length ? [] : ['plugs-off-again'],
    }),
  );
}
/** The display on its plugs again, when the rim is sealed: the same piece, with its data. */
function hangAgain(assembly: Assembly): void {
  const { setting, candidate } = assembly;
  const folded = (slot: string) =>
    candidate.loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
  for (const operation of inOrder(candidate, candidate.hung))
    add(assembly, 'Refit', ...stepsBack(setting, operation, [], folded(operation.slot)));
}
/** The outer films of new covers, each about its own piece: the back's film is not peeled off the display. */
function filmsOff(assembly: Assembly, phase: Phase, when: Caution): void {
  const { setting, work } = assembly;
  const films = work.replaced
    .filter((r) => setting.index.coverSlots.includes(r))
    .flatMap((slot) => filmsOf(setting.index, slot))
    .concat(filmsLeft(setting, true));
  for (const [slot, own] of bySlot(films)) {
    const step = filmStep(setting.index, slot, own);
    add(assembly, phase, { ...step, cautions: [...step.cautions, when] });
  }
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
    // the check has left it on
    ...(isStuckOn(assembly) ? [] : [plainStep('switch off', ['device:mid'], handsS.act)]),
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
  const pressFrame = plan.press && !plan.hangs;
  const sheet = glueTimes(setting.glues, 'perimeter-seal');
  add(
    assembly,
    'Refit',
    came
      ? plainStep('apply seal', [seal.id], handsS.look, { about: came, cautions: ['seal-came-fitted'] })
      : plainStep('apply seal', [seal.id], around(seal.renewS), {
          tools: toolsOf(setting.index, ['roller']),
          cautions: pressFrame ? [] : plan.hangs && plan.press ? ['display-stays-on'] : ['press-by-hand'],
          ...(seal.renewedBy.length ? { uses: seal.renewedBy } : {}),
          ...(seal.renewNote ? { note: seal.renewNote } : {}),
          ...(sheet ? laidAs(sheet) : {}),
        }),
  );
  if (pressFrame && !came)
    add(assembly, 'Refit', holdStep('press', 'frame', pressS, handsS.act, { station: 'seal-press' }));
}
/** The liner off, by house method the last films, and the device shut. */
function close(assembly: Assembly, plan: WayBack, cover: Operation): void {
  const { setting } = assembly;
  const { index } = setting;
  if (setting.methods['outer-film'] === 'closing') filmsOff(assembly, 'Refit', 'film-before-closing');
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
