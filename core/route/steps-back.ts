import type { Slot, Bond } from '../model/schema';
import { longScrew } from './steps-out';
import { type Setting, renewalOf, bringsSeal } from './setting';
import type { Operation } from './way-out';
import { type Draft, holdStep } from './draft';
import type { Caution } from '../vocabulary/steps';
import type { Drive } from '../vocabulary/trade';
import { times, handsS, around, plus, inSeconds } from './times';
import { isSeal } from '../model/seals';
import { rimStep, pressed, pressS } from './seal-steps';
import { bringsOf } from '../model/carried';
import { newPiece } from '../vocabulary/pieces';
import { newPartSteps } from './identity-steps';
/** The steps of one operation on the way back; `replaced` are the slots that get another piece. */
export function stepsBack(
  s: Setting,
  o: Operation,
  replaced: readonly string[],
  hasFolded: boolean,
): Draft[] {
  const base: Base = { about: o.slot, face: o.face, tools: [], waitS: 0, why: [], cautions: [] };
  switch (o.kind) {
    case 'fasteners':
      return [fastened(s, o, base)];
    case 'connector': {
      const c = s.index.connectors.get(o.things[0]!)!;
      return [
        {
          ...base,
          action: 'connect',
          targets: o.things,
          handsS: handsS.connect,
          cautions: c.press === 'ends' ? ['press-ends'] : [],
        },
      ];
    }
    case 'bond':
      return renewed(s, o, base, replaced);
    case 'catches':
      throw new RangeError('catches go home with the piece they hold');
    case 'move':
      return [
        ...(replaced.includes(o.slot) ? newPartSteps(s, o.slot) : []),
        fitted(s, o, base, replaced, o.way!.to === 'out' && hasFolded ? 'folded' : 'in'),
        ...cures(s, o),
      ];
  }
}
type Base = Pick<Draft, 'about' | 'face' | 'tools' | 'waitS' | 'why' | 'cautions'>;

/** Screws of one bracket in again: to their torque where the model knows it, new ones where the house wants that. */
function fastened(s: Setting, o: Operation, base: Base): Draft {
  const known = o.things.map((f) => s.index.fasteners.get(f)!.torqueNcM);
  const same = known[0] !== undefined && known.every((t) => t === known[0]);
  return {
    ...base,
    action: 'fasten',
    targets: o.things,
    bit: o.tool as Drive,
    handsS: times(handsS.fasten, o.things.length),
    cautions: [...longScrew(s, o.things), s.methods.screws === 'new' ? 'new-screws' : 'check-threads'],
    ...(s.methods.screws === 'new' ? { fresh: true as const } : {}),
    ...(same ? { torqueNcM: known[0]!, tools: ['torque-driver'] } : {}),
  };
}
/** A bond that is made again: laid anew, or come with the new part. */
function renewed(s: Setting, o: Operation, base: Base, replaced: readonly string[]): Draft[] {
  const b = s.index.bonds.get(o.things[0]!)!;
  const seal = isSeal(s.index, b);
  const rim = () => rimStep(s, b.id, { about: o.slot, face: o.face });
  if (seal && bringsSeal(s, b, replaced))
    return [
      rim(),
      { ...base, action: 'renew', targets: o.things, handsS: handsS.look, cautions: ['seal-came-fitted'] },
    ];
  const items = renewalOf(s, b);
  const taped = items === b.orTape && items.length > 0;
  const glue = b.kind === 'glue' && b.cureS > 0;
  const uv = glue && setsByLight(s, b);
  const renew: Draft = {
    ...base,
    action: 'renew',
    targets: o.things,
    handsS: around(b.renewS),
    cautions: [
      ...(taped ? ['tape-next-time' as const] : []),
      ...(glue && !uv ? ['glue-wait' as const] : []),
      ...(uv ? ['uv-eyes' as const] : []),
      ...(seal && !pressed(s) ? ['press-by-hand' as const] : []),
    ],
    ...(uv ? { uses: [{ item: 'uv-glue', quantity: 1 }] } : items.length ? { uses: items } : {}),
    ...(b.renewNote ? { note: b.renewNote } : {}),
  };
  if (!seal) return [renew];
  // another seal is laid like the display's: clean rim, laid, pressed
  const press = { station: 'seal-press', about: o.slot, face: o.face } as const;
  return [rim(), renew, ...(pressed(s) ? [holdStep('press', b.id, pressS, handsS.act, press)] : [])];
}
/** A piece that goes home, the old one or the new. */
function fitted(
  s: Setting,
  o: Operation,
  base: Base,
  replaced: readonly string[],
  pose: 'folded' | 'in',
): Draft {
  const slot = s.index.slots.get(o.slot)!;
  const rule = slot.install;
  const fresh = replaced.includes(o.slot);
  const brings = bringsOf(s.index, o.slot);
  // into a new frame a piece takes longer than back to where it was
  const intoFrame =
    replaced.some((r) => s.index.slots.get(r)!.kind === 'frame' && r !== o.slot) && !slot.carrier;
  return {
    ...base,
    action: 'fit',
    targets: [o.slot],
    pose,
    handsS: plus(
      inSeconds(rule?.minutes ?? { low: 0.3, likely: 0.5, high: 1 }),
      intoFrame ? handsS.intoFrame : { low: 0, likely: 0, high: 0 },
    ),
    waitS: rule?.pressS ?? 0,
    cautions: fittedWith(slot, fresh),
    ...(fresh ? { piece: newPiece(o.slot), ...(brings.length ? { brings } : {}) } : {}),
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
function cures(s: Setting, o: Operation): Draft[] {
  return s.index.model.bonds
    .filter((b) => b.kind === 'glue' && b.cureS > 0 && b.holds[0] === o.slot && o.way!.bonds.includes(b.id))
    .map((b) => {
      const uv = setsByLight(s, b);
      return holdStep('cure', b.id, uv ? uvCureS : b.cureS, handsS.act, {
        about: o.slot,
        face: o.face,
        ...(uv ? { station: 'uv-lamp' } : {}),
      });
    });
}
/** Whether a glue sets under the lamp: it is made for it, light reaches it, and that is how it is done here. */
const setsByLight = (s: Setting, bond: Bond): boolean =>
  bond.setsByLight && s.methods['fixing-glue'] === 'uv' && s.stations.includes('uv-lamp');
/** Under the lamp, s: from memory, the glue's sheet comes first. */
const uvCureS = 30;
