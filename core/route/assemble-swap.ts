import { type Assembly, addTrial, isDone, add, inOrder, setAside } from './assembly';
import { transfersOf } from '../model/carried';
import { plainStep, faceOf, type Draft } from './draft';
import { handsS, times } from './times';
import { loosen } from './assemble-out';
import { chipSteps, chipTools, chipCautions, reworkHands, reworkUses } from './identity-steps';
import { filmsOf, filmStep, filmsLeft } from './films';
import { holderOf } from '../vocabulary/pieces';
import type { Work } from './tasks';
import { plugsOf } from '../checks/reseat';
/** Pieces that move from housing to housing, the small ones with them: dozens (common practice; the number is ours). */
const piecesOfHousing = 60;

/** At the bench: the new part tried and compared, parts moved over, the old one aside, and what is only visited. */
export function swap(assembly: Assembly): void {
  const { setting, work, candidate } = assembly;
  const { index } = setting;
  for (const slot of work.replaced) {
    const { kind } = index.slots.get(slot)!;
    if (setting.standing.moved.some((m) => m.slot === slot && m.pose === 'out'))
      addTrial(assembly, slot, assembly.way);
    const compared = kind === 'display' || kind === 'frame' || transfersOf(index, slot).length > 0;
    if (compared && !isDone(assembly, `compare ${slot}`))
      add(
        assembly,
        'Swap',
        plainStep('compare', [slot], handsS.look, { about: slot, face: faceOf(index, slot) }),
      );
  }
  loosen(assembly, inOrder(candidate, candidate.bench), () => 'Swap');
  outfit(assembly);
  for (const slot of work.replaced) add(assembly, 'Swap', ...chipSteps(setting, slot));
  for (const slot of work.replaced) {
    setAside(assembly, slot);
    const films = filmsOf(index, slot);
    // the last film of a display comes off when the device is closed, by the film step there
    if (films.length && !index.coverSlots.includes(slot)) add(assembly, 'Swap', filmStep(index, slot, films));
  }
  // a new piece that went in with its film on, before this route was planned
  for (const film of filmsLeft(setting, false))
    add(assembly, 'Swap', filmStep(index, holderOf(film.split('/')[0]!), [film]));
  for (const visit of work.visits) add(assembly, 'Swap', ...visited(assembly, visit));
}
/** The small pieces of a housing, which no list of the model names one by one. */
function outfit(assembly: Assembly): void {
  const { index } = assembly.setting;
  const frame = assembly.work.replaced.find((r) => index.slots.get(r)!.kind === 'frame');
  const unlisted = Math.max(0, piecesOfHousing - index.model.slots.length);
  if (!frame || !unlisted || isDone(assembly, `outfit ${frame}`)) return;
  add(
    assembly,
    'Swap',
    plainStep('outfit', [frame], times(handsS.outfitPiece, unlisted), {
      about: frame,
      face: faceOf(index, frame),
      cautions: ['small-pieces'],
    }),
  );
}
/** What is done at a part that stays: its plugs seated again, its joints reworked, or a look. */
function visited({ setting, candidate }: Assembly, { slot, act }: Work['visits'][number]): Draft[] {
  const { index } = setting;
  if (act === 'reseat') {
    // one that is off by now is seated anew when it goes on again
    const off = new Set([
      ...setting.standing.connectorsOff,
      ...[...candidate.out, ...candidate.bench].flatMap((o) => (o.kind === 'connector' ? o.things : [])),
    ]);
    const plugs = plugsOf(index, slot).filter((plug) => plug !== index.cellConnector && !off.has(plug));
    if (!plugs.length) return [];
    return [
      plainStep('reseat', plugs, times(handsS.connect, plugs.length), {
        about: slot,
        face: index.connectors.get(plugs[0]!)!.face,
        tools: ['spudger'],
        cautions: plugs.some((plug) => index.connectors.get(plug)!.press === 'ends') ? ['press-ends'] : [],
      }),
    ];
  }
  const at = { about: slot, face: faceOf(index, slot) };
  if (act !== 'rework') return [plainStep(act, [slot], handsS.look, at)];
  return [
    plainStep('rework', [slot], reworkHands(setting, slot) ?? handsS.rework, {
      ...at,
      station: 'microscope',
      tools: ['scraper', ...chipTools(setting)],
      cautions: chipCautions(setting),
      uses: reworkUses(setting, slot, 1),
    }),
  ];
}
