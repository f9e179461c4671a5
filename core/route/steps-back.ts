import type { Slot, Bond } from '../model/schema';
import { longScrew } from './steps-out';
import { type Setting, renewalOf, bringsSeal } from './setting';
import type { Operation } from './way-out';
import { type Draft, holdStep } from './draft';
import type { Caution } from '../vocabulary/steps';
import type { Drive } from '../vocabulary/trade';
import { times, handsS, around, plus, inSeconds } from './times';
import { type GlueTimes, glueTimes } from '../seal/glue';
import { crumbsStep, residueLeft } from './back-glass';
import { isGluedBack } from '../model/glued-back';
import { isSeal } from '../model/seals';
import { rimStep, pressed, pressS } from './seal-steps';
import { bringsOf } from '../model/carried';
import { newPiece } from '../vocabulary/pieces';
import { newPartSteps } from './identity-steps';
/** The steps of one operation on the way back; `replaced` are the slots that get another piece. */
export function stepsBack(
  setting: Setting,
  operation: Operation,
  replaced: readonly string[],
  hasFolded: boolean,
): Draft[] {
  const base: Base = {
    about: operation.slot,
    face: operation.face,
    tools: [],
    waitS: 0,
    why: [],
    cautions: [],
  };
  switch (operation.kind) {
    case 'fasteners':
      return [fastened(setting, operation, base)];
    case 'connector': {
      const connector = setting.index.connectors.get(operation.things[0]!)!;
      return [
        {
          ...base,
          action: 'connect',
          targets: operation.things,
          handsS: handsS.connect,
          cautions: connector.press === 'ends' ? ['press-ends'] : [],
        },
      ];
    }
    case 'bond':
      return renewed(setting, operation, base, replaced);
    case 'catches':
      throw new RangeError('catches go home with the piece they hold');
    case 'move':
      return [
        ...(replaced.includes(operation.slot) ? newPartSteps(setting, operation.slot) : []),
        fitted(
          setting,
          operation,
          base,
          replaced,
          operation.way!.to === 'out' && hasFolded ? 'folded' : 'in',
        ),
        ...cures(setting, operation),
      ];
  }
}
type Base = Pick<Draft, 'about' | 'face' | 'tools' | 'waitS' | 'why' | 'cautions'>;

/** Screws of one bracket in again: to their torque where the model knows it, new ones where the house wants that. */
function fastened(setting: Setting, operation: Operation, base: Base): Draft {
  const known = operation.things.map((f) => setting.index.fasteners.get(f)!.torqueNcM);
  const same = known[0] !== undefined && known.every((t) => t === known[0]);
  return {
    ...base,
    action: 'fasten',
    targets: operation.things,
    bit: operation.tool as Drive,
    handsS: times(handsS.fasten, operation.things.length),
    cautions: [
      ...longScrew(setting, operation.things),
      setting.methods.screws === 'new' ? 'new-screws' : 'check-threads',
    ],
    ...(setting.methods.screws === 'new' ? { fresh: true as const } : {}),
    ...(same ? { torqueNcM: known[0]!, tools: ['torque-driver'] } : {}),
  };
}
/** A bond that is made again: laid anew, or come with the new part. */
function renewed(setting: Setting, operation: Operation, base: Base, replaced: readonly string[]): Draft[] {
  const bond = setting.index.bonds.get(operation.things[0]!)!;
  const seal = isSeal(setting.index, bond);
  const rim = () => rimStep(setting, bond.id, replaced, { about: operation.slot, face: operation.face });
  if (seal && bringsSeal(setting, bond, replaced))
    return [
      rim(),
      {
        ...base,
        action: 'renew',
        targets: operation.things,
        handsS: handsS.look,
        cautions: ['seal-came-fitted'],
      },
    ];
  const items = renewalOf(setting, bond);
  const taped = items === bond.orTape && items.length > 0;
  const glue = bond.kind === 'glue' && bond.cureS > 0;
  const uv = glue && setsByLight(setting, bond);
  const glued = glue
    ? glueTimes(setting.glues, uv ? 'uv-glue' : 'contact-glue')
    : seal
      ? glueTimes(setting.glues, 'perimeter-seal')
      : undefined;
  const renew: Draft = {
    ...base,
    action: 'renew',
    targets: operation.things,
    handsS: around(bond.renewS),
    cautions: [
      ...(taped ? ['tape-next-time' as const] : []),
      ...(glue && !uv ? ['glue-wait' as const] : []),
      ...(uv ? ['uv-eyes' as const] : []),
      ...(seal && !pressed(setting) ? ['press-by-hand' as const] : []),
    ],
    ...(uv ? { uses: [{ item: 'uv-glue', quantity: 1 }] } : items.length ? { uses: items } : {}),
    ...(bond.renewNote ? { note: bond.renewNote } : {}),
    ...(glued ? laidAs(glued) : {}),
  };
  if (!seal) {
    const back = isGluedBack(setting.index, bond);
    return back ? [...residueLeft(setting, bond, base), ...crumbsStep(setting, bond, base), renew] : [renew];
  }
  // another seal is laid like the display's: clean rim, laid, pressed
  const press = { station: 'seal-press', about: operation.slot, face: operation.face } as const;
  return [rim(), renew, ...(pressed(setting) ? [holdStep('press', bond.id, pressS, handsS.act, press)] : [])];
}
/** A piece that goes home, the old one or the new. */
function fitted(
  setting: Setting,
  operation: Operation,
  base: Base,
  replaced: readonly string[],
  pose: 'folded' | 'in',
): Draft {
  const slot = setting.index.slots.get(operation.slot)!;
  const rule = slot.install;
  const fresh = replaced.includes(operation.slot);
  const brings = bringsOf(setting.index, operation.slot);
  // into a new frame a piece takes longer than back to where it was
  const intoFrame =
    replaced.some((r) => setting.index.slots.get(r)!.kind === 'frame' && r !== operation.slot) &&
    !slot.carrier;
  return {
    ...base,
    action: 'fit',
    targets: [operation.slot],
    pose,
    handsS: plus(
      inSeconds(rule?.minutes ?? { low: 0.3, likely: 0.5, high: 1 }),
      intoFrame ? handsS.intoFrame : { low: 0, likely: 0, high: 0 },
    ),
    waitS: rule?.pressS ?? 0,
    cautions: fittedWith(slot, fresh),
    ...(fresh ? { piece: newPiece(operation.slot), ...(brings.length ? { brings } : {}) } : {}),
    ...(rule?.note ? { note: rule.note } : {}),
    ...(rule?.lipFirst ? { lipFirst: rule.lipFirst } : {}),
    ...(rule?.angleDeg ? { angleDeg: rule.angleDeg } : {}),
    ...(rule?.flexRuns ? { flexRuns: rule.flexRuns } : {}),
  };
}
const fittedWith = (slot: Slot, fresh: boolean): Caution[] => {
  if (slot.kind === 'cell') return ['cell-no-bend'];
  if (slot.kind === 'camera' && fresh) return ['sealed-until-now'];
  return slot.traits.includes('fragile') ? ['fragile'] : [];
};
/** Glue under a piece that has just gone in sets by itself: under the lamp, or in its own time. */
function cures(setting: Setting, operation: Operation): Draft[] {
  return setting.index.model.bonds
    .filter(
      (b) =>
        b.kind === 'glue' &&
        b.cureS > 0 &&
        b.holds[0] === operation.slot &&
        operation.way!.bonds.includes(b.id),
    )
    .map((bond) => {
      const uv = setsByLight(setting, bond);
      const sheet = glueTimes(setting.glues, uv ? 'uv-glue' : 'contact-glue');
      const holdsFrom = sheet?.handlingS ?? (uv ? uvCureS : bond.cureS);
      return holdStep('cure', bond.id, holdsFrom, handsS.act, {
        about: operation.slot,
        face: operation.face,
        ...(uv ? { station: 'uv-lamp' } : {}),
      });
    });
}
/** Whether a glue sets under the lamp: it is made for it, light reaches it, and that is how it is done here. */
const setsByLight = (setting: Setting, bond: Bond): boolean =>
  bond.setsByLight && setting.methods['fixing-glue'] === 'uv' && setting.stations.includes('uv-lamp');
/** What a step says of the glue that it lays. */
export const laidAs = ({ item, openS, fullS }: GlueTimes): Pick<Draft, 'glue' | 'maxDelayS'> => ({
  glue: { item, ...(openS === undefined ? {} : { openS }), fullS },
  ...(openS === undefined ? {} : { maxDelayS: openS }),
});
/** Under the lamp where the workshop has no sheet, s: from memory, the glue's sheet comes first. */
const uvCureS = 30;
