import { type Assembly, addTrial, isDone, add, inOrder, setAside } from './assembly';
import { transfersOf } from '../model/carried';
import { plainStep, faceOf, type Draft } from './draft';
import { handsS, times } from './times';
import { loosen } from './assemble-out';
import { chipSteps, chipTools, chipCautions } from './identity-steps';
import { filmsOf, filmStep, filmsLeft } from './films';
import { holderOf } from '../vocabulary/pieces';
import type { Setting } from './setting';
import type { Work } from './tasks';
import { plugsOf } from '../checks/reseat';
/** Pieces that move from housing to housing, the small ones with them: dozens (common practice; the number is ours). */
const piecesOfHousing = 60;

/** At the bench: the new part tried and compared, parts moved over, the old one aside, and what is only visited. */
export function swap(a: Assembly): void {
  const { s, work, c } = a;
  const { index } = s;
  for (const slot of work.replaced) {
    const { kind } = index.slots.get(slot)!;
    if (s.standing.moved.some((m) => m.slot === slot && m.pose === 'out')) addTrial(a, slot, a.way);
    const compared = kind === 'display' || kind === 'frame' || transfersOf(index, slot).length > 0;
    if (compared && !isDone(a, `compare ${slot}`))
      add(a, 'Swap', plainStep('compare', [slot], handsS.look, { about: slot, face: faceOf(index, slot) }));
  }
  loosen(a, inOrder(c, c.bench), () => 'Swap');
  outfit(a);
  for (const slot of work.replaced) add(a, 'Swap', ...chipSteps(s, slot));
  for (const slot of work.replaced) {
    setAside(a, slot);
    const films = filmsOf(index, slot);
    // the last film of a display comes off when the device is closed, by the film step there
    if (films.length && !index.coverSlots.includes(slot)) add(a, 'Swap', filmStep(index, slot, films));
  }
  // a new piece that went in with its film on, before this route was planned
  for (const film of filmsLeft(s, false))
    add(a, 'Swap', filmStep(index, holderOf(film.split('/')[0]!), [film]));
  for (const v of work.visits) add(a, 'Swap', ...visited(s, v));
}
/** The small pieces of a housing, which no list of the model names one by one. */
function outfit(a: Assembly): void {
  const { index } = a.s;
  const frame = a.work.replaced.find((r) => index.slots.get(r)!.kind === 'frame');
  const unlisted = Math.max(0, piecesOfHousing - index.model.slots.length);
  if (!frame || !unlisted || isDone(a, `outfit ${frame}`)) return;
  add(
    a,
    'Swap',
    plainStep('outfit', [frame], times(handsS.outfitPiece, unlisted), {
      about: frame,
      face: faceOf(index, frame),
      cautions: ['small-pieces'],
    }),
  );
}
/** What is done at a part that stays: its plugs seated again, its joints reworked, or a look. */
function visited(s: Setting, { slot, act }: Work['visits'][number]): Draft[] {
  const { index } = s;
  if (act === 'reseat') {
    const plugs = plugsOf(index, slot).filter(
      (c) => c !== index.cellConnector && !s.standing.connectorsOff.includes(c),
    );
    if (!plugs.length) return [];
    return [
      plainStep('reseat', plugs, times(handsS.connect, plugs.length), {
        about: slot,
        face: index.connectors.get(plugs[0]!)!.face,
        tools: ['spudger'],
        cautions: plugs.some((c) => index.connectors.get(c)!.press === 'ends') ? ['press-ends'] : [],
      }),
    ];
  }
  const at = { about: slot, face: faceOf(index, slot) };
  if (act !== 'rework') return [plainStep(act, [slot], handsS.look, at)];
  return [
    plainStep('rework', [slot], handsS.rework, {
      ...at,
      station: 'microscope',
      tools: ['scraper', ...chipTools(s)],
      cautions: chipCautions(s),
      uses: [{ item: 'flux', quantity: 3 }],
    }),
  ];
}
