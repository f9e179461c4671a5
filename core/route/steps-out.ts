import type { Bond, Slot } from '../model/schema';
import type { Setting } from './setting';
import type { Caution } from '../vocabulary/steps';
import { badCell } from '../vocabulary/conditions';
import type { Operation } from './way-out';
import type { Draft } from './draft';
import type { Condition, Drive } from '../vocabulary/trade';
import { times, handsS, inSeconds, around } from './times';
import { plannedParts, type PlannedSoak } from '../heat/planned-soak';
import { type ReleasePlan, releaseFor } from './release';
import { crazeStep, liftedByHand, laserSteps } from './back-glass';
import { isGluedBack } from '../model/glued-back';
import { isSeal } from '../model/seals';
import { chipTools, chipCautions } from './identity-steps';
const solventMl = 2;

/** The cautions that belong to one way of moving a slot, from its kind, its traits and the device's condition. */
function moveCautions(setting: Setting, slot: Slot, pose: string): Caution[] {
  const out: Caution[] = [];
  if (slot.kind === 'cell') out.push('cell-no-metal', 'cell-no-bend');
  if (slot.kind === 'cell' && badCell(setting.conditions)) out.push('swollen-container');
  if (slot.traits.includes('fragile') && slot.kind !== 'display') out.push('fragile');
  if (slot.traits.includes('laser')) out.push('laser');
  // from here on a live board may lie open
  const opensIt = pose !== 'out' || !slot.ways.some((way) => way.to === 'folded');
  if (setting.index.coverSlots.includes(slot.id) && opensIt) out.push('static', 'strap-checked');
  if (slot.kind === 'magnet') out.push('magnets');
  if (setting.index.coverSlots.includes(slot.id) && setting.conditions.includes('shattered'))
    out.push('glass', 'vacuum-bench');
  if (slot.kind === 'cell' && pose === 'out') out.push('cell-not-alone');
  return out;
}
/** A screw that is longer than another hole of its bracket bears must be named: it would reach the board or the panel there. */
export function longScrew(setting: Setting, ids: string[]): Caution[] {
  const group = ids.flatMap((id) =>
    setting.index.model.fasteners.filter((f) => f.holds[0] === setting.index.fasteners.get(id)!.holds[0]),
  );
  return ids.some((id) =>
    group.some(
      (g) => g.maxLengthMm !== undefined && setting.index.fasteners.get(id)!.lengthMm > g.maxLengthMm,
    ),
  )
    ? ['long-screw']
    : [];
}
/** The tool at a connector: plastic, or metal in practised hands; at the cell always plastic. */
function atConnector(setting: Setting, cell: boolean): { tools: string[]; cautions: Caution[] } {
  if (setting.methods['connector-tools'] === 'metal' && !cell)
    return { tools: ['fine-tweezers', 'spudger'], cautions: [] };
  return { tools: ['spudger'], cautions: cell ? [] : ['plastic-only'] };
}

/** The steps of one operation on the way out. `why` is filled in by the planner, which knows the order. */
export function stepsOut(setting: Setting, operation: Operation): Draft[] {
  const { index } = setting;
  const base = {
    about: operation.slot,
    face: operation.face,
    tools: [] as string[],
    waitS: 0,
    why: [] as string[],
    cautions: [] as Caution[],
  };
  switch (operation.kind) {
    case 'fasteners':
      return [unscrewed(setting, operation, base)];
    case 'catches': {
      const note = operation.things.map((c) => index.catches.get(c)!.note).find(Boolean);
      return [
        {
          ...base,
          action: 'unhook',
          targets: operation.things,
          handsS: times(handsS.unhook, operation.things.length),
          ...(note ? { note } : {}),
        },
      ];
    }
    case 'connector': {
      const connector = index.connectors.get(operation.things[0]!)!;
      const cell = connector.id === index.cellConnector;
      const at = atConnector(setting, cell);
      return [
        {
          ...base,
          action: 'disconnect',
          targets: operation.things,
          tools: at.tools,
          handsS: handsS.disconnect,
          cautions: [
            ...(cell ? ['live-board' as const] : connector.press === 'ends' ? ['press-ends' as const] : []),
            ...at.cautions,
          ],
        },
      ];
    }
    case 'bond':
      return bondSteps(setting, operation, base);
    case 'move': {
      const way = operation.way!;
      return [
        {
          ...base,
          action: 'move',
          targets: [operation.slot],
          pose: way.to,
          tools: way.tools,
          handsS: inSeconds(way.minutes),
          cautions: moveCautions(setting, index.slots.get(operation.slot)!, way.to),
          ...(way.note ? { note: way.note } : {}),
          ...(way.consumables.length ? { uses: way.consumables } : {}),
        },
      ];
    }
  }
}

/** Screws of one bracket out; after an earlier repair each is measured, since nobody knows whether it is the right one. */
function unscrewed(setting: Setting, operation: Operation, base: Base): Draft {
  const unknown = setting.conditions.includes('earlier repair');
  return {
    ...base,
    action: 'unscrew',
    targets: operation.things,
    bit: operation.tool as Drive,
    handsS: times(handsS.unscrew, operation.things.length),
    tools: [
      setting.methods['screw-keeping'] === 'trays' ? 'step-trays' : 'magnetic-mat',
      ...(unknown ? ['calliper'] : []),
    ],
    cautions: [...longScrew(setting, operation.things), ...(unknown ? ['measure-screws' as const] : [])],
  };
}
type Base = Pick<Draft, 'about' | 'face' | 'tools' | 'waitS' | 'why' | 'cautions'>;
/** A bond that is loosed: warmed, wetted, cut or pulled, as the house does it and the device allows. */
function bondSteps(setting: Setting, operation: Operation, base: Base): Draft[] {
  const bond = setting.index.bonds.get(operation.things[0]!)!;
  // where nothing gentler is owned the house source stands, and the interlock speaks when it comes to it
  const plan = releaseFor(setting, bond) ?? releaseFor({ ...setting, openWithCell: false }, bond)!;
  const { release } = plan;
  const { tools, cautions } = atBond(setting, bond, plan);
  const work: Draft = {
    ...base,
    action: 'release',
    targets: operation.things,
    tools,
    handsS: around(release.handsS),
    cautions,
    ...(release.note ? { note: release.note } : {}),
  };
  if (release.by === 'laser')
    return laserSteps(setting, bond, base, work, soakOverCoil(setting, operation, base, work));
  if (release.by === 'heat' && plan.station === 'microscope')
    // lifted when the solder is liquid: seconds of hot air, no soak and no window
    return [
      {
        ...work,
        station: 'microscope',
        waitS: plan.waitS,
        tools: [...tools, ...chipTools(setting)],
        cautions: [...cautions, ...chipCautions(setting), 'lead-hands'],
      },
    ];
  if (release.by === 'heat') {
    const crazed = isGluedBack(setting.index, bond) ? crazeStep(setting, bond, base) : [];
    return [...crazed, ...warmed(setting, operation, base, plan, work)];
  }
  if (release.by === 'solvent') return [solventStep(operation, base, plan.waitS), work];
  return [work];
}
/**
 * What a glued back is got under with, by its damage (common practice): a whole one is held by a cup and entered with a
 * thin blade before the chisel; broken glass takes no cup; where glass is missing, plastic goes in at the gap, since the
 * cell lies bare there.
 */
const backTools = (conditions: readonly Condition[]): string[] =>
  conditions.includes('back glass missing')
    ? ['spudger', 'chisel']
    : conditions.includes('shattered')
      ? ['chisel']
      : ['cup', 'blade', 'chisel'];
/** What a bond's kind, what it holds and the device's condition ask for while it is loosed. */
function atBond(setting: Setting, bond: Bond, plan: ReleasePlan): { tools: string[]; cautions: Caution[] } {
  const { release } = plan;
  const kinds = bond.holds.map((h) => setting.index.slots.get(h)!.kind);
  const back = kinds.includes('back');
  const seal = isSeal(setting.index, bond);
  const cautions: Caution[] = [];
  const tools = [...release.tools];
  if (seal) {
    cautions.push('depth', 'corners');
    if (setting.index.model.noGo.length) cautions.push('no-go-edges');
    if (badCell(setting.conditions)) cautions.push('swollen-poke');
    if (setting.conditions.includes('shattered')) {
      cautions.push('glass');
      tools.push('glasses');
    }
    if (release.by === 'heat' && !plan.follow) cautions.push('cut-while-warm');
    if (release.by === 'solvent') cautions.push('drip-and-wait');
  }
  if (setting.conditions.includes('back glass missing') && (seal || back)) cautions.push('open-back');
  if (kinds.includes('cell')) {
    if (release.by === 'pull') cautions.push('strip-flat');
    else {
      cautions.push('wide-tool');
      // a damaged cell is not discharged on purpose
      if (!badCell(setting.conditions)) cautions.push('charge-low');
      if (!tools.includes('wide-card')) tools.push('wide-card');
    }
    cautions.push('cell-no-metal');
  }
  if (back && release.by === 'heat' && bond.kind === 'glue') {
    cautions.push('chisel-shards');
    if (setting.index.cellSlot !== undefined && !badCell(setting.conditions)) cautions.push('charge-low');
    tools.push(...backTools(setting.conditions), 'glasses');
  }
  return { tools, cautions };
}
/** Until when opening has to begin: while the bond is soft, and no longer than the model says. */
const maxDelayOf = (ofModelS: number | undefined, softForS: number | undefined): Pick<Draft, 'maxDelayS'> =>
  ofModelS === undefined && softForS === undefined
    ? {}
    : { maxDelayS: Math.min(ofModelS ?? Infinity, softForS ?? Infinity) };
/** The soak before a bond is cut, and where a gap and solvent follow it, those; by heat alone as many soaks as its work takes. */
function warmed(setting: Setting, operation: Operation, base: Base, plan: ReleasePlan, work: Draft): Draft[] {
  const { release, follow } = plan;
  const { index, heat: asSet, standing } = setting;
  const bond = operation.things[0]!;
  const planned = plannedParts(index, bond, plan.station!, plan.waitS, follow ? 0 : release.handsS, asSet);
  const on = (soak: PlannedSoak | undefined, restS = 0) => soakStep(setting, base, plan, soak, restS);
  if (follow) {
    const wet = solventStep(operation, base, follow.waitS);
    // a gap that is there already needs no second soak: solvent goes on from it
    if (standing.acted.includes(`gap ${bond}`)) return [wet, work];
    const gap: Draft = {
      ...base,
      action: 'gap',
      targets: operation.things,
      tools: release.tools,
      handsS: handsS.gap,
      cautions: ['depth'],
    };
    return [on(planned?.first), gap, wet, work];
  }
  const parts = planned?.parts ?? 1;
  const done = standing.acted.filter((act) => act.startsWith(`part ${bond}:`)).length;
  const out: Draft[] = [];
  for (let k = Math.min(done, parts - 1); k < parts; k++) {
    out.push(k === done ? on(planned?.first) : on(planned!.again!.soak, planned!.again!.restS));
    if (k < parts - 1)
      out.push({
        ...work,
        action: 'part',
        targets: [`${bond}:${k + 1}`],
        handsS: times(work.handsS, 1 / parts),
      });
  }
  return [...out, { ...work, handsS: times(work.handsS, 1 / parts) }];
}
/** What still holds over the coil after the laser is warmed as for a chisel, with its window; nothing where no heat is owned or allowed. */
function soakOverCoil(setting: Setting, operation: Operation, base: Base, work: Draft): Draft[] {
  const { index, methods, heat } = setting;
  const bond = index.bonds.get(operation.things[0]!)!;
  if (!index.model.slots.some((s) => s.kind === 'coil')) return [];
  const plan = releaseFor({ ...setting, methods: { ...methods, 'bonded-back': 'chisel' } }, bond);
  if (plan?.release.by !== 'heat') return [];
  const lift = times(work.handsS, liftedByHand).likely;
  const planned = plannedParts(index, bond.id, plan.station!, plan.waitS, lift, heat);
  return [soakStep(setting, base, plan, planned?.first, 0)];
}
/** A device on its heat source. */
function soakStep(
  setting: Setting,
  base: Base,
  plan: ReleasePlan,
  soak: PlannedSoak | undefined,
  restS: number,
): Draft {
  const { waitS, ...when } = soak ?? { waitS: plan.waitS };
  return {
    ...base,
    action: 'heat',
    targets: ['start', 'end'],
    handsS: handsS.heatStart,
    waitS,
    ...(restS ? { restS } : {}),
    ...(soak ? { soak: when as Omit<PlannedSoak, 'waitS'> } : {}),
    station: plan.station!,
    cautions: [
      'heat-window',
      ...(setting.index.cellSlot === undefined ? [] : ['heat-near-cell' as const]),
      ...(setting.conditions.includes('bent') ? ['bent-frame' as const] : []),
    ],
    ...maxDelayOf(plan.release.maxDelayS, soak?.softForS),
  };
}
const solventStep = (
  operation: Operation,
  base: Pick<Draft, 'about' | 'face' | 'tools' | 'why'>,
  waitS: number,
): Draft => ({
  ...base,
  action: 'solvent',
  targets: operation.things,
  handsS: handsS.solvent,
  waitS,
  cautions: ['solvent-away-from-heat', 'solvent-ventilate'],
  uses: [{ item: 'solvent', quantity: solventMl * operation.things.length }],
});
