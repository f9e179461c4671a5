import type { Bond, Slot } from '../model/schema';
import type { Setting } from './setting';
import type { Caution } from '../vocabulary/steps';
import { badCell } from '../vocabulary/conditions';
import type { Operation } from './way-out';
import type { Draft } from './draft';
import type { Drive } from '../vocabulary/trade';
import { times, handsS, inSeconds, around } from './times';
import { type ReleasePlan, releaseFor } from './release';
import { isSeal } from '../model/seals';
import { chipTools, chipCautions } from './identity-steps';
const solventMl = 2;

/** The cautions that belong to one way of moving a slot, from its kind, its traits and the device's condition. */
function moveCautions(s: Setting, slot: Slot, pose: string): Caution[] {
  const out: Caution[] = [];
  if (slot.kind === 'cell') out.push('cell-no-metal', 'cell-no-bend');
  if (slot.kind === 'cell' && badCell(s.conditions)) out.push('swollen-container');
  if (slot.traits.includes('fragile') && slot.kind !== 'display') out.push('fragile');
  if (slot.traits.includes('laser')) out.push('laser');
  if (s.index.coverSlots.includes(slot.id) && pose !== 'out') out.push('static', 'strap-checked');
  if (slot.kind === 'magnet') out.push('magnets');
  if (s.index.coverSlots.includes(slot.id) && s.conditions.includes('shattered'))
    out.push('glass', 'vacuum-bench');
  if (slot.kind === 'cell' && pose === 'out') out.push('cell-not-alone');
  return out;
}
/** A screw that is longer than another hole of its bracket bears must be named: it would reach the board or the panel there. */
export function longScrew(s: Setting, ids: string[]): Caution[] {
  const group = ids.flatMap((id) =>
    s.index.model.fasteners.filter((f) => f.holds[0] === s.index.fasteners.get(id)!.holds[0]),
  );
  return ids.some((id) =>
    group.some((g) => g.maxLengthMm !== undefined && s.index.fasteners.get(id)!.lengthMm > g.maxLengthMm),
  )
    ? ['long-screw']
    : [];
}
/** The tool at a connector: plastic, or metal in practised hands; at the cell always plastic. */
function atConnector(s: Setting, cell: boolean): { tools: string[]; cautions: Caution[] } {
  if (s.methods['connector-tools'] === 'metal' && !cell)
    return { tools: ['fine-tweezers', 'spudger'], cautions: [] };
  return { tools: ['spudger'], cautions: cell ? [] : ['plastic-only'] };
}

/** The steps of one operation on the way out. `why` is filled in by the planner, which knows the order. */
export function stepsOut(s: Setting, o: Operation): Draft[] {
  const { index } = s;
  const base = {
    about: o.slot,
    face: o.face,
    tools: [] as string[],
    waitS: 0,
    why: [] as string[],
    cautions: [] as Caution[],
  };
  switch (o.kind) {
    case 'fasteners': {
      const unknown = s.conditions.includes('earlier repair');
      return [
        {
          ...base,
          action: 'unscrew',
          targets: o.things,
          bit: o.tool as Drive,
          handsS: times(handsS.unscrew, o.things.length),
          tools: [
            s.methods['screw-keeping'] === 'trays' ? 'step-trays' : 'magnetic-mat',
            ...(unknown ? ['calliper'] : []),
          ],
          cautions: [...longScrew(s, o.things), ...(unknown ? ['measure-screws' as const] : [])],
        },
      ];
    }
    case 'catches': {
      const note = o.things.map((c) => index.catches.get(c)!.note).find(Boolean);
      return [
        {
          ...base,
          action: 'unhook',
          targets: o.things,
          handsS: times(handsS.unhook, o.things.length),
          ...(note ? { note } : {}),
        },
      ];
    }
    case 'connector': {
      const c = index.connectors.get(o.things[0]!)!;
      const cell = c.id === index.cellConnector;
      const at = atConnector(s, cell);
      return [
        {
          ...base,
          action: 'disconnect',
          targets: o.things,
          tools: at.tools,
          handsS: handsS.disconnect,
          cautions: [
            ...(cell ? ['live-board' as const] : c.press === 'ends' ? ['press-ends' as const] : []),
            ...at.cautions,
          ],
        },
      ];
    }
    case 'bond':
      return bondSteps(s, o, base);
    case 'move': {
      const w = o.way!;
      return [
        {
          ...base,
          action: 'move',
          targets: [o.slot],
          pose: w.to,
          tools: w.tools,
          handsS: inSeconds(w.minutes),
          cautions: moveCautions(s, index.slots.get(o.slot)!, w.to),
          ...(w.note ? { note: w.note } : {}),
          ...(w.consumables.length ? { uses: w.consumables } : {}),
        },
      ];
    }
  }
}

type Base = Pick<Draft, 'about' | 'face' | 'tools' | 'waitS' | 'why' | 'cautions'>;
/** A bond that is loosed: warmed, wetted, cut or pulled, as the house does it and the device allows. */
function bondSteps(s: Setting, o: Operation, base: Base): Draft[] {
  const b = s.index.bonds.get(o.things[0]!)!;
  // where nothing gentler is owned the house source stands, and the interlock speaks when it comes to it
  const plan = releaseFor(s, b) ?? releaseFor({ ...s, openWithCell: false }, b)!;
  const { release } = plan;
  const { tools, cautions } = atBond(s, b, plan);
  const work: Draft = {
    ...base,
    action: 'release',
    targets: o.things,
    tools,
    handsS: around(release.handsS),
    cautions,
    ...(release.note ? { note: release.note } : {}),
  };
  if (release.by === 'laser')
    return [
      { ...work, station: plan.station!, waitS: plan.waitS, cautions: [...cautions, 'laser-enclosed'] },
    ];
  if (release.by === 'heat' && plan.station === 'microscope')
    // lifted when the solder is liquid: seconds of hot air, no soak and no window
    return [
      {
        ...work,
        station: 'microscope',
        waitS: plan.waitS,
        tools: [...tools, ...chipTools(s)],
        cautions: [...cautions, ...chipCautions(s), 'lead-hands'],
      },
    ];
  if (release.by === 'heat') return [...warmed(s, o, base, plan), work];
  if (release.by === 'solvent') return [solventStep(o, base, plan.waitS), work];
  return [work];
}
/** What a bond's kind, what it holds and the device's condition ask for while it is loosed. */
function atBond(s: Setting, b: Bond, plan: ReleasePlan): { tools: string[]; cautions: Caution[] } {
  const { release } = plan;
  const kinds = b.holds.map((h) => s.index.slots.get(h)!.kind);
  const back = kinds.includes('back');
  const seal = isSeal(s.index, b);
  const cautions: Caution[] = [];
  const tools = [...release.tools];
  if (seal) {
    cautions.push('depth', 'corners');
    if (s.index.model.noGo.length) cautions.push('no-go-edges');
    if (badCell(s.conditions)) cautions.push('swollen-poke');
    if (s.conditions.includes('shattered')) {
      cautions.push('glass');
      tools.push('glasses');
    }
    if (release.by === 'heat' && !plan.follow) cautions.push('cut-while-warm');
    if (release.by === 'solvent') cautions.push('drip-and-wait');
  }
  if (s.conditions.includes('back glass missing') && (seal || back)) cautions.push('open-back');
  if (kinds.includes('cell')) {
    if (release.by === 'pull') cautions.push('strip-flat');
    else {
      cautions.push('wide-tool');
      // a damaged cell is not discharged on purpose
      if (!badCell(s.conditions)) cautions.push('charge-low');
      if (!tools.includes('wide-card')) tools.push('wide-card');
    }
    cautions.push('cell-no-metal');
  }
  if (back && release.by === 'heat' && b.kind === 'glue') {
    cautions.push('chisel-shards');
    tools.push('chisel', 'glasses');
  }
  return { tools, cautions };
}
/** The soak before a bond is cut, and where a gap and solvent follow it, those. */
function warmed(s: Setting, o: Operation, base: Base, plan: ReleasePlan): Draft[] {
  const { release, follow } = plan;
  const heat: Draft = {
    ...base,
    action: 'heat',
    targets: ['start', 'end'],
    handsS: handsS.heatStart,
    waitS: plan.waitS,
    station: plan.station!,
    cautions: [
      'heat-window',
      'heat-near-cell',
      ...(s.conditions.includes('bent') ? ['bent-frame' as const] : []),
    ],
    ...(release.maxDelayS ? { maxDelayS: release.maxDelayS } : {}),
  };
  if (!follow) return [heat];
  // a gap that is there already needs no second soak: solvent goes on from it
  if (s.standing.acted.includes(`gap ${o.things[0]!}`)) return [solventStep(o, base, follow.waitS)];
  const gap: Draft = {
    ...base,
    action: 'gap',
    targets: o.things,
    tools: release.tools,
    handsS: handsS.gap,
    cautions: ['depth'],
  };
  return [heat, gap, solventStep(o, base, follow.waitS)];
}
const solventStep = (
  o: Operation,
  base: Pick<Draft, 'about' | 'face' | 'tools' | 'why'>,
  waitS: number,
): Draft => ({
  ...base,
  action: 'solvent',
  targets: o.things,
  handsS: handsS.solvent,
  waitS,
  cautions: ['solvent-away-from-heat', 'solvent-ventilate'],
  uses: [{ item: 'solvent', quantity: solventMl * o.things.length }],
});
