import fc from 'fast-check';
import { tests as knownTests } from '../knowledge/tests';
import type { Body, JobEvent } from '../log/events';
import type { JobState } from '../log/state';
import { Bench } from './bench';
import { indexed, mica9, route } from './demo-models';
import { holderOf } from '../vocabulary/pieces';

export const index = indexed(mica9);
export const plan = route(mica9);
export const holes = [...index.fasteners.keys()];
export const slots = [...index.slots.keys()];
const of = <T>(list: readonly T[]) => fc.constantFrom(...list);

/** Facts in any order, sensible or not: what hurried people report. */
export const fact: fc.Arbitrary<Body> = fc.oneof(
  of(holes).map((f): Body => ({ type: 'screwOut', fastener: f, piece: `${f}#1` })),
  fc
    .tuple(of(holes.slice(0, 8)), of(holes.slice(0, 8)), of([1, 2]))
    .map(([f, g, n]): Body => ({ type: 'screwIn', fastener: f, piece: `${g}#${n}` })),
  of([...index.connectors.keys()]).map((c): Body => ({ type: 'connectorOff', connector: c })),
  of([...index.connectors.keys()]).map((c): Body => ({ type: 'connectorOn', connector: c })),
  fc
    .tuple(of([...index.bonds.keys()]), fc.boolean())
    .map(([b, torn]): Body => ({ type: 'bondReleased', bond: b, torn })),
  of([...index.bonds.keys()]).map((b): Body => ({ type: 'bondRenewed', bond: b })),
  fc
    .tuple(of(slots), of(['folded', 'out'] as const))
    .map(([slot, pose]): Body => ({ type: 'pieceMoved', slot, pose })),
  fc
    .tuple(of(slots), of([1, 2]))
    .map(([slot, n]): Body => ({ type: 'pieceFitted', slot, piece: `${slot}#${n}`, pose: 'in' })),
  of(slots).map((s): Body => ({ type: 'pieceSetAside', piece: `${s}#1`, to: 'recycling' })),
  fc.tuple(of(slots), of(holes)).map(
    ([s, h]): Body => ({
      type: 'pieceSetAside',
      piece: 'display#1',
      to: 'owner',
      with: [`${s}#1`, `screw:${h}#1`],
    }),
  ),
  fc.tuple(of(slots), of(holes)).map(
    ([s, h]): Body => ({
      type: 'pieceFitted',
      slot: 'display',
      piece: 'display#2',
      pose: 'folded',
      with: [`${s}#2`, `screw:${h}#2`],
    }),
  ),
  of(['switch off', 'gap', 'press'] as const).map(
    (act): Body => ({ type: 'acted', act, target: act === 'press' ? 'frame:end' : 'device' }),
  ),
  of(slots).map((slot): Body => ({ type: 'dataRead', slot })),
  fc
    .tuple(of(slots), of(['replace', 'none'] as const))
    .map(([slot, action]): Body => ({ type: 'taskSet', slot, action })),
  of(holes).map((f): Body => ({ type: 'lost', piece: `${f}#1` })),
  of(holes).map((f): Body => ({ type: 'found', piece: `${f}#1` })),
  of(['swollen', 'bent'] as const).map(
    (condition): Body => ({ type: 'conditionSet', condition, because: 'seen' }),
  ),
  fc
    .tuple(of(['mid', 'after'] as const), of(mica9.shortList), of(['works', 'fails'] as const))
    .map(([round, fn, result]): Body => ({ type: 'checked', round, function: fn, result })),
  fc
    .tuple(of(['no-picture', 'wet', 'hot'] as const), fc.boolean())
    .map(([symptom, on]): Body => ({ type: 'symptomSet', symptom, on })),
  fc
    .tuple(of(knownTests), fc.nat(2))
    .map(([t, k]): Body => ({ type: 'tested', test: t.id, outcome: t.outcomes[k % t.outcomes.length]!.id })),
  of(knownTests).map((t): Body => ({ type: 'testDeclined', test: t.id, reason: 'no time' })),
  of(['panel-bad', 'none']).map((cause): Body => ({ type: 'causeStated', cause, because: 'seen' })),
  fc.tuple(of(['water', 'price', 'data']), fc.boolean()).map(
    ([effect, signed]): Body => ({
      type: 'consentGiven',
      effect,
      by: 'owner',
      ...(signed ? { answer: '1', signature: '00000000-0000-4000-8000-000000000001' } : {}),
    }),
  ),
  of(['copy', 'chip', 'accept'] as const).map(
    (remedy): Body => ({ type: 'remedySet', slot: 'display', remedy }),
  ),
  fc.tuple(fc.nat(9000), fc.boolean()).map(
    ([p, limit]): Body => ({
      type: 'quoted',
      p10Minor: p,
      p50Minor: p + 1,
      p90Minor: p + 2,
      meanMinor: p + 1,
      limitMinor: limit ? p : null,
      chance: limit ? 0.5 : null,
      replacementMinor: null,
      advice: 'repair',
    }),
  ),
  fc.nat(9).map((k): Body => ({ type: 'promised', at: 1_800_000_000_000 + k, as: 'sailing' })),
  of(slots).map((slot): Body => ({ type: 'partDropped', slot })),
  // troubles: knocked mats, odd lengths, heads that strip, pieces with an outcome of their own
  fc
    .shuffledSubarray(holes, { minLength: 1, maxLength: 6 })
    .map((fs): Body => ({ type: 'spilled', pieces: fs.map((f) => `${f}#1`) })),
  fc
    .shuffledSubarray(holes, { minLength: 1, maxLength: 6 })
    .map((fs): Body => ({ type: 'sorted', screws: fs.map((f) => ({ piece: `${f}#1`, lengthMm: 1.5 })) })),
  fc
    .tuple(of(holes), of([0.9, 1.5, 7.5]))
    .map(([f, lengthMm]): Body => ({ type: 'screwMeasured', piece: `${f}#1`, lengthMm })),
  fc
    .tuple(of(holes), of(['stripped head', 'bad thread'] as const))
    .map(([thing, kind]): Body => ({ type: 'troubled', kind, thing })),
  fc
    .tuple(of(holes), of(['stripped head', 'bad thread'] as const))
    .map(([thing, kind]): Body => ({ type: 'troubleEnded', kind, thing, how: 'done' })),
  fc
    .tuple(of(slots), of(slots), of(['move over', 'keep', 'scrap'] as const))
    .map(([slot, part, outcome]): Body => ({ type: 'transferSet', slot, part, outcome })),
  of(holes).map((thing): Body => ({ type: 'noted', text: 'soft', thing })),
  of([...index.connectors.keys()]).map((connector): Body => ({ type: 'reseated', connector })),
  fc.constant<Body>({ type: 'takenOver', bench: 'Quay bench' }),
  of(['lift', 'wash', 'place'] as const).map(
    (step): Body => ({ type: 'reworkStepped', slot: 'display', step }),
  ),
  of(['good', 'lifted'] as const).map(
    (is): Body => ({ type: 'padsSeen', slot: 'display', side: 'after', pads: { A1: is } }),
  ),
  of(['works', 'given up'] as const).map(
    (outcome): Body => ({ type: 'reworkEnded', slot: 'display', outcome }),
  ),
  fc.constant<Body>({ type: 'rimCleaned' }),
  fc.constant<Body>({ type: 'heatEnded' }),
  fc.constant<Body>({ type: 'strayFound', stray: 'stray 1', note: 'a screw that is not ours' }),
);
export const gate: fc.Arbitrary<Body> = fc.oneof(
  fc.constant<Body>({ type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' }),
  fc.constant<Body>({ type: 'solventApplied', bond: 'seal', dwellS: 60 }),
  fc.constant<Body>({ type: 'sealApplied', bond: 'seal' }),
  of(knownTests).map((t): Body => ({ type: 'testBegun', test: t.id })),
  of(['locked', 'proof seen'] as const).map(
    (released): Body => ({
      type: 'partChosen',
      slot: 'cell',
      part: '00000000-0000-4000-8000-000000000002',
      name: 'cell',
      provenance: 'pulled',
      supplier: '',
      lot: '',
      serial: '',
      priceMinor: 1,
      arrivesWith: [],
      released,
      proof: '',
    }),
  ),
  fc.constant<Body>({ type: 'deviceClosed' }),
  fc.constant<Body>({ type: 'acted', act: 'press', target: 'frame:start', forS: 30 }),
  of(['handed over', 'declined', 'abandoned'] as const).map(
    (ending): Body => ({ type: 'jobClosed', ending, note: '' }),
  ),
  of(['identity chip', 'conversion flex'] as const).map(
    (kind): Body => ({
      type: 'reworkBegun',
      slot: 'display',
      kind,
      school: '280',
      practice: false,
      stencil: '',
    }),
  ),
  of(['lift', 'place'] as const).map(
    (step): Body => ({
      ...{ type: 'reworkHeatStarted', slot: 'display', step, by: 'air', setC: 280, airPercent: 60 },
      extraction: true,
    }),
  ),
  fc.constant<Body>({ type: 'conditionCleared', condition: 'swollen', reason: 'looked' }),
);
/** Mostly the ordinary course, with anything in between. */
export const course = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: fc.constant('next' as const) },
    { weight: 3, arbitrary: fact },
    { weight: 2, arbitrary: gate },
    { weight: 1, arbitrary: fc.constant('undo' as const) },
  ),
  { maxLength: 70 },
);

/** The plainest possible book-keeping, written apart from the core: where each piece was last said to be. */
export class Book {
  at = new Map<string, string>();
  fate = new Map<string, string>();
  constructor() {
    for (const h of holes) this.at.set(`${h}#1`, `hole/${h}`);
    for (const s of slots) this.at.set(`${s}#1`, `slot/${s}`);
  }
  static from(log: JobEvent[]): Book {
    const book = new Book();
    const gone = new Set(log.flatMap((e) => (e.body.type === 'retracted' ? [e.body.event] : [])));
    for (const e of log) {
      const b = e.body;
      if (gone.has(e.id)) continue;
      if (b.type === 'screwOut') book.at.set(b.piece, `mat/${b.fastener}`);
      if (b.type === 'screwIn') book.at.set(b.piece, `hole/${b.fastener}`);
      if (b.type === 'pieceMoved' && b.pose === 'out')
        for (const [p, place] of book.at) if (place === `slot/${b.slot}`) book.at.set(p, 'tray');
      if (b.type === 'pieceFitted') book.at.set(b.piece, `slot/${b.slot}`);
      if (b.type === 'pieceFitted')
        for (const w of b.with ?? []) {
          const p = w.replace('screw:', '');
          book.at.set(p, `${w.startsWith('screw:') ? 'hole' : 'slot'}/${holderOf(p)}`);
        }
      if (b.type === 'pieceSetAside') {
        book.at.set(b.piece, `aside/${b.to}`);
        for (const w of b.with ?? []) {
          const p = w.replace('screw:', '');
          const fate = book.fate.get(`${holderOf(b.piece)}/${holderOf(p)}`);
          book.at.set(p, `aside/${fate === 'keep' ? 'stock' : fate === 'scrap' ? 'scrap' : b.to}`);
        }
      }
      if (b.type === 'transferSet') book.fate.set(`${b.slot}/${b.part}`, b.outcome);
      if (b.type === 'spilled') for (const p of b.pieces) book.at.set(p, 'mixed');
      if (b.type === 'sorted') for (const x of b.screws) book.at.set(x.piece, `mat/${holderOf(x.piece)}`);
      if (b.type === 'lost') book.at.set(b.piece, 'adrift');
      if (b.type === 'found') book.at.set(b.piece, `mat/${holderOf(b.piece)}`);
    }
    return book;
  }
}
/** A course, step by step; after each, what was done and what the log has more. */
export function run(
  steps: ('next' | 'undo' | Body)[],
  each?: (bench: Bench, body: Body | undefined, before: JobState, log: JobEvent[]) => void,
): Bench {
  const bench = new Bench(index, plan).open();
  for (const s of steps) {
    const before = bench.state;
    const length = bench.log.length;
    if (s === 'next') bench.next();
    else if (s === 'undo') {
      const last = bench.state.trail.at(-1);
      if (last) bench.do({ type: 'retracted', event: last.event });
    } else bench.do(s);
    each?.(bench, typeof s === 'string' ? undefined : s, before, bench.log.slice(length));
  }
  return bench;
}
