import type { Round } from '../log/events';
import type { Act } from '../vocabulary/steps';
import { badCell, noHeat } from '../vocabulary/conditions';
import { newPiece } from '../vocabulary/pieces';
import { bringsOf } from '../model/riders';
import type { IndexedModel } from '../model/index-model';
import type { Bond, Minutes, Slot } from '../model/schema';
import type { Drive, Face } from '../vocabulary/trade';
import { dataDue, effectsOf } from '../pairing/effects';
import { isSeal } from '../model/seals';
import { bringsSeal, renewalOf, type Setting } from './facts';
import { releaseFor } from './release';
import { around, handsS, inSeconds, plus, times } from './times';
import type { Step } from '../steps/route';
import type { Caution, Phase } from '../vocabulary/steps';
import type { Operation } from './way-out';

export type Draft = Omit<Step, 'id' | 'phase'>;
export type PhasedDraft = Draft & { phase: Phase };
/** A step that is not about loosing or fitting one operation's things. */
export const plainStep = (
  action: Step['action'],
  targets: string[],
  hands: Minutes,
  more: Partial<Draft> = {},
): Draft => ({
  action,
  targets,
  face: 'front',
  tools: [],
  handsS: hands,
  waitS: 0,
  why: [],
  cautions: [],
  ...more,
});
/** An act that runs by itself once it is started. */
export const holdStep = (
  act: Act,
  thing: string,
  waitS: number,
  hands: Minutes,
  more: Partial<Draft> = {},
): Draft => plainStep(act, [`${thing}:start`, `${thing}:end`], hands, { waitS, ...more });

const solventMl = 2;
/** Of some tools, those that the model lists. */
export const toolsOf = (index: IndexedModel, ids: readonly string[]) =>
  ids.filter((t) => index.model.tools.some((x) => x.id === t));

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
function longScrew(s: Setting, ids: string[]): Caution[] {
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

function bondSteps(
  s: Setting,
  o: Operation,
  base: Pick<Draft, 'about' | 'face' | 'tools' | 'waitS' | 'why' | 'cautions'>,
): Draft[] {
  const b = s.index.bonds.get(o.things[0]!)!;
  // where nothing gentler is owned the house source stands, and the interlock speaks when it comes to it
  const plan = releaseFor(s, b) ?? releaseFor({ ...s, openWithCell: false }, b)!;
  const { release } = plan;
  const kinds = b.holds.map((h) => s.index.slots.get(h)!.kind);
  const cell = kinds.includes('cell');
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
  if (cell) {
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
  if (release.by === 'heat') {
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
    // a gap that is there already needs no second soak: solvent goes on from it
    const gap = s.standing.acted.includes(`gap ${b.id}`);
    if (plan.follow && gap) return [solventStep(o, base, plan.follow.waitS), work];
    return plan.follow
      ? [
          heat,
          {
            ...base,
            action: 'gap',
            targets: o.things,
            tools: release.tools,
            handsS: handsS.gap,
            cautions: ['depth'],
          },
          solventStep(o, base, plan.follow.waitS),
          work,
        ]
      : [heat, work];
  }
  if (release.by === 'solvent') return [solventStep(o, base, plan.waitS), work];
  return [work];
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

/** What is done with a part's identity data once it is out, before anything warms it or it is put aside. */
export function dataSteps(s: Setting, slot: string): Draft[] {
  if (s.standing.data[slot] !== undefined || !dataDue(effectsOf(s.index, [slot])).includes(slot)) return [];
  // saved also before the chip is moved: if that goes wrong, the data are what is left
  if (s.methods['display-data'] === 'accept')
    return [
      plainStep('leave data', [slot], handsS.act, {
        about: slot,
        cautions: s.remedies[slot] !== 'calibrate' ? ['notice-stays'] : [],
      }),
    ];
  return [plainStep('read data', [slot], handsS.data, { about: slot, station: 'programmer' })];
}
/** The old identity chip moved over to a new part, while the old one is still at hand. */
export function chipSteps(s: Setting, slot: string): Draft[] {
  if (
    s.methods['display-data'] !== 'chip' ||
    s.standing.acted.includes(`move chip ${slot}`) ||
    !dataDue(effectsOf(s.index, [slot])).includes(slot)
  )
    return [];
  return [
    plainStep('move chip', [slot], handsS.chip, {
      about: slot,
      station: 'microscope',
      tools: ['scraper', ...chipTools(s)],
      cautions: [...chipCautions(s), 'lead-hands'],
      uses: [{ item: 'flux', quantity: 2 }],
    }),
  ];
}
/** Data written to the new part before it goes in. */
export function newPartSteps(s: Setting, slot: string): Draft[] {
  if (
    s.methods['display-data'] !== 'copy' ||
    s.standing.data[slot] === 'written' ||
    !dataDue(effectsOf(s.index, [slot])).includes(slot)
  )
    return [];
  return [plainStep('write data', [slot], handsS.data, { about: slot, station: 'programmer' })];
}
export const chipCautions = (s: Setting): Caution[] => [
  s.methods['chip-work'] === '280' ? 'air-280' : 'air-300',
  s.methods['chip-removal'] === 'hot-air' ? 'score-and-heat' : 'grinding-dust',
];
export const chipTools = (s: Setting): string[] =>
  s.methods['chip-removal'] === 'grinding' ? ['rotary-tool'] : [];

/** The steps of one operation on the way back; `replaced` are the slots that get another piece. */
export function stepsBack(
  s: Setting,
  o: Operation,
  replaced: readonly string[],
  hasFolded: boolean,
): Draft[] {
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
      const known = o.things.map((f) => index.fasteners.get(f)!.torqueNcM);
      const same = known[0] !== undefined && known.every((t) => t === known[0]);
      return [
        {
          ...base,
          action: 'fasten',
          targets: o.things,
          bit: o.tool as Drive,
          handsS: times(handsS.fasten, o.things.length),
          cautions: [...longScrew(s, o.things), s.methods.screws === 'new' ? 'new-screws' : 'check-threads'],
          ...(s.methods.screws === 'new' ? { fresh: true as const } : {}),
          ...(same ? { torqueNcM: known[0]!, tools: ['torque-driver'] } : {}),
        },
      ];
    }
    case 'connector': {
      const c = index.connectors.get(o.things[0]!)!;
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
    case 'bond': {
      const b = index.bonds.get(o.things[0]!)!;
      const items = renewalOf(s, b);
      const taped = items === b.orTape && items.length > 0;
      const glue = b.kind === 'glue' && b.cureS > 0;
      const uv = glue && setsByLight(s, b);
      const back = isSeal(index, b);
      if (back && bringsSeal(s, b, replaced))
        return [
          rimStep(s, b.id, { about: o.slot, face: o.face }),
          {
            ...base,
            action: 'renew',
            targets: o.things,
            handsS: handsS.look,
            cautions: ['seal-came-fitted'],
          },
        ];
      const renew: Draft = {
        ...base,
        action: 'renew',
        targets: o.things,
        handsS: around(b.renewS),
        cautions: [
          ...(taped ? ['tape-next-time' as const] : []),
          ...(glue && !uv ? ['glue-wait' as const] : []),
          ...(uv ? ['uv-eyes' as const] : []),
          ...(back && !pressed(s) ? ['press-by-hand' as const] : []),
        ],
        ...(uv ? { uses: [{ item: 'uv-glue', quantity: 1 }] } : items.length ? { uses: items } : {}),
        ...(b.renewNote ? { note: b.renewNote } : {}),
      };
      // another seal is laid like the display's: clean rim, laid, pressed
      return back
        ? [
            rimStep(s, b.id, { about: o.slot, face: o.face }),
            renew,
            ...(pressed(s)
              ? [
                  holdStep('press', b.id, pressS, handsS.act, {
                    station: 'seal-press',
                    about: o.slot,
                    face: o.face,
                  }),
                ]
              : []),
          ]
        : [renew];
    }
    case 'catches':
      throw new RangeError('catches go home with the piece they hold');
    case 'move': {
      const slot = index.slots.get(o.slot)!;
      const rule = slot.install;
      const brings = bringsOf(index, o.slot);
      const pose = o.way!.to === 'out' && hasFolded ? 'folded' : 'in';
      const fit: Draft = {
        ...base,
        action: 'fit',
        targets: [o.slot],
        pose,
        handsS: plus(
          inSeconds(rule?.minutes ?? { low: 0.3, likely: 0.5, high: 1 }),
          // into a new frame a piece takes longer than back to where it was
          replaced.some((r) => index.slots.get(r)!.kind === 'frame' && r !== o.slot) && !slot.carrier
            ? handsS.intoFrame
            : { low: 0, likely: 0, high: 0 },
        ),
        waitS: rule?.pressS ?? 0,
        cautions:
          slot.kind === 'cell'
            ? ['cell-no-bend']
            : slot.kind === 'camera' && replaced.includes(o.slot)
              ? ['sealed-until-now']
              : slot.traits.includes('fragile')
                ? ['fragile']
                : [],
        ...(replaced.includes(o.slot)
          ? { piece: newPiece(o.slot), ...(brings.length ? { brings } : {}) }
          : {}),
        ...(rule?.note ? { note: rule.note } : {}),
        ...(rule?.lipFirst ? { lipFirst: rule.lipFirst } : {}),
        ...(rule?.angleDeg ? { angleDeg: rule.angleDeg } : {}),
        ...(rule?.flexRuns ? { flexRuns: rule.flexRuns } : {}),
      };
      return [...(replaced.includes(o.slot) ? newPartSteps(s, o.slot) : []), fit, ...cures(s, o)];
    }
  }
}
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
/** Whether seals are pressed by a press here: not on a device that is bent, and never over a bad cell. */
export const pressed = (s: Setting): boolean =>
  s.methods['seal-press'] === 'press' &&
  s.stations.includes('seal-press') &&
  !s.conditions.some((x) => x === 'bent' || noHeat.includes(x));
/** Seconds under the press: common practice, 75 kgf for 30 s on the frame and again after closing. */
export const pressS = 30;
/** Old glue off a rim, before a seal is laid on it. */
export const rimStep = (s: Setting, target: string, more: Partial<Draft>): Draft => {
  const acetone = s.methods['rim-solvent'] === 'acetone';
  return plainStep('clean rim', [target], handsS.cleanRim, {
    tools: toolsOf(s.index, ['swabs', 'brush']),
    uses: [{ item: acetone ? 'acetone' : 'solvent', quantity: 5 }],
    ...more,
    cautions: [
      'solvent-away-from-heat',
      'solvent-ventilate',
      acetone ? 'acetone-metal-only' : 'rim-alcohol',
      ...(more.cautions ?? []),
    ],
  });
};
/** Under the lamp, s: from memory, the glue's sheet comes first. */
const uvCureS = 30;

/** A check round as a step: its own time is the number of checks times the time of one. */
export const checkStep = (round: Round, count: number, more: Partial<Draft> = {}): Draft =>
  plainStep('check', [round], times(handsS.check, Math.max(1, count)), { round, ...more });

/** Steps that follow each other, do the same to the same piece and need the same are one. */
export function merge(steps: PhasedDraft[], cellConnector: string | undefined): PhasedDraft[] {
  const out: PhasedDraft[] = [];
  // the cell's plug is a step of its own: the first off, the last on
  const alone = (step: PhasedDraft) => step.targets.includes(cellConnector ?? '');
  for (const step of steps) {
    const last = out[out.length - 1];
    const mergeable = ['unscrew', 'fasten', 'release', 'renew', 'disconnect', 'connect', 'film off'].includes(
      step.action,
    );
    const connectors = step.action === 'disconnect' || step.action === 'connect';
    const same =
      last &&
      mergeable &&
      last.phase === step.phase &&
      last.action === step.action &&
      last.bit === step.bit &&
      last.face === step.face &&
      last.torqueNcM === step.torqueNcM &&
      last.station === step.station &&
      (connectors
        ? !last.cautions.includes('live-board') &&
          !step.cautions.includes('live-board') &&
          !alone(last) &&
          !alone(step) &&
          last.trial === undefined &&
          step.trial === undefined
        : last.about === step.about);
    // solvent dwells on one bond before that bond is worked on
    if (!same || (step.action === 'release' && step.note !== last.note)) {
      out.push(step);
      continue;
    }
    out[out.length - 1] = {
      ...last,
      targets: [...last.targets, ...step.targets],
      handsS: {
        low: last.handsS.low + step.handsS.low,
        likely: last.handsS.likely + step.handsS.likely,
        high: last.handsS.high + step.handsS.high,
      },
      waitS: Math.max(last.waitS, step.waitS),
      why: [...new Set([...last.why, ...step.why])],
      cautions: [...new Set([...last.cautions, ...step.cautions])],
      tools: [...new Set([...last.tools, ...step.tools])],
      ...(last.uses || step.uses ? { uses: [...(last.uses ?? []), ...(step.uses ?? [])] } : {}),
    };
  }
  return out;
}
export const faceOf = (index: IndexedModel, slot: string): Face => index.slots.get(slot)?.face ?? 'front';

/**
 * One wetting along the edge serves every bond of a cell: the others are not wetted and waited for again.
 * @param cell the cell's slot
 */
export function wetOnce(steps: PhasedDraft[], cell: string | undefined): PhasedDraft[] {
  const wet = steps.findIndex((x) => x.action === 'solvent' && x.about === cell);
  return steps.filter((x, i) => i <= wet || x.action !== 'solvent' || x.about !== cell);
}
