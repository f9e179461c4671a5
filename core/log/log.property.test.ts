import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route, sprigModel } from '../testing/demo-models';
import { tests as knownTests } from '../knowledge/tests';
import { unaccounted } from '../rules/balance';
import { type Command, decide } from '../rules/decide';
import { type Body, final, isGate, type JobEvent } from './events';
import { nextStep } from '../rules/step-of-event';
import { evolve, fold } from './evolve';
import { empty, type JobState, tableNames } from './state';
import { holderOf } from '../vocabulary/pieces';
import { placeOf } from './view';

const index = indexed(mica9);
const plan = route(mica9);
const holes = [...index.fasteners.keys()];
const slots = [...index.slots.keys()];
const of = <T>(list: readonly T[]) => fc.constantFrom(...list);

/** Facts in any order, sensible or not: what hurried people report. */
const fact: fc.Arbitrary<Body> = fc.oneof(
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
const gate: fc.Arbitrary<Body> = fc.oneof(
  fc.constant<Body>({ type: 'heatStarted', station: 'hot-plate', forS: 300 }),
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
const course = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: fc.constant('next' as const) },
    { weight: 3, arbitrary: fact },
    { weight: 2, arbitrary: gate },
    { weight: 1, arbitrary: fc.constant('undo' as const) },
  ),
  { maxLength: 70 },
);

/** The plainest possible book-keeping, written apart from the core: where each piece was last said to be. */
class Book {
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
function run(
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
const withoutAudit = (s: JobState) => Object.fromEntries(tableNames.map((t) => [t, s[t]]));
const runs = { numRuns: Number(process.env.SNAVEK_RUNS ?? 120) };

describe('over any course of commands', () => {
  test('the ledger says of every piece what an independent book says', () => {
    fc.assert(
      fc.property(course, (steps) => {
        const bench = run(steps);
        for (const [piece, place] of Book.from(bench.log).at)
          expect(placeOf(bench.state, piece, index)).toBe(place);
      }),
      runs,
    );
  });
  test('when the device is closed or the job handed over without an override, every piece due is in exactly its place', () => {
    fc.assert(
      fc.property(course, (steps) => {
        run(steps, (bench, _b, _s, added) => {
          const e = added.find((x) => x.body.type === 'deviceClosed' || x.body.type === 'jobClosed');
          if (!e || (e.body.type === 'jobClosed' && e.body.ending === 'abandoned')) return;
          const book = Book.from(bench.log);
          const outside = new Set(['A1', 'A2', 'display', 'sim-tray']);
          const due = [...holes, ...slots].filter((h) => e.body.type === 'jobClosed' || !outside.has(h));
          for (const h of due) {
            const place = `${index.fasteners.has(h) ? 'hole' : 'slot'}/${h}`;
            expect(
              [...book.at.values()].filter((p) => p === place),
              h,
            ).toHaveLength(1);
          }
          expect([...book.at.values()]).not.toContain('adrift');
        });
      }),
      runs,
    );
  });
  test('facts are never refused: each is recorded, or already so', () => {
    fc.assert(
      fc.property(course, fact, (steps, body) => {
        const bench = run(steps);
        const d = bench.do(body);
        expect(
          bench.state.flag.ending !== undefined || d.already || d.events.some((e) => e.body === body),
        ).toBe(true);
      }),
      runs,
    );
  });
  test('a gate never opens against a forbid', () => {
    fc.assert(
      fc.property(course, gate, (steps, body) => {
        const bench = run(steps);
        const d = decide(bench.context, bench.state, {
          id: 'x1',
          job: 'j',
          body,
          at: bench.at,
          clockKnown: true,
          override: {
            rules: [
              'no heat on this cell',
              'no press on this cell',
              'still hot',
              'solvent still wet',
              'only a lead clears',
            ],
            reason: 'I want to',
          },
        });
        if (d.findings.some((f) => f.severity === 'forbid')) {
          expect(d.events).toEqual([]);
          expect(d.refused?.code).toBe('interlock');
        }
      }),
      runs,
    );
  });
  test('taking back any event that can be taken back gives the state before it', () => {
    fc.assert(
      fc.property(course, (steps) => {
        run(steps, (bench, body, before, added) => {
          const last = added.at(-1);
          if (
            !last ||
            !body ||
            final.has(last.body.type) ||
            bench.state.trail.at(-1)?.event !== last.id ||
            added.length > 1
          )
            return;
          const undone = decide(bench.context, bench.state, {
            id: 'u1',
            job: 'j',
            body: { type: 'retracted', event: last.id },
            at: bench.at,
            clockKnown: true,
          });
          expect(undone.refused).toBeUndefined();
          expect(withoutAudit(evolve(bench.state, undone.events[0]!))).toEqual(withoutAudit(before));
        });
      }),
      runs,
    );
  });
  test('folding in one go, step by step, or on from any snapshot gives the same state', () => {
    fc.assert(
      fc.property(course, fc.nat(), (steps, cut) => {
        const { log, state } = run(steps);
        expect(fold(empty(), log)).toEqual(state);
        const k = cut % (log.length + 1);
        const snapshot = JSON.parse(JSON.stringify(fold(empty(), log.slice(0, k)))) as JobState;
        expect(fold(snapshot, log)).toEqual(state);
      }),
      runs,
    );
  });
  test('a command that is sent again changes nothing', () => {
    fc.assert(
      fc.property(course, fact, (steps, body) => {
        const bench = run(steps);
        bench.do(body);
        const again: Command = { id: 'again', job: 'j', body, at: bench.at, clockKnown: true };
        if (['checked', 'strayFound', 'noted', 'reseated', 'takenOver'].includes(body.type)) return;
        expect(decide(bench.context, bench.state, again).events).toEqual([]);
      }),
      runs,
    );
  });
});

describe('over any course with troubles', () => {
  test('no screw is ever lost from the ledger: each is in a hole, on the mat, mixed up, adrift or put aside, and once', () => {
    fc.assert(
      fc.property(course, (steps) => {
        const { state } = run(steps);
        for (const f of holes) {
          const place = placeOf(state, `${f}#1`, index);
          expect(place, f).toMatch(/^(hole\/|mat\/|mixed$|adrift$|aside\/|tray$)/);
        }
      }),
      runs,
    );
  });
  test('entries of two benches that are sent in any order of the benches, and some of them twice, come to one log with every account in it', () => {
    fc.assert(
      fc.property(
        fc.array(fact, { maxLength: 12 }),
        fc.array(fact, { maxLength: 12 }),
        fc.array(fc.boolean(), { maxLength: 40 }),
        (a, b, turns) => {
          const bench = new Bench(index, plan).open();
          const heard = bench.state.seq;
          const queue = {
            p1: a.map((body, i) => ({ id: `a${i}`, body })),
            p2: b.map((body, i) => ({ id: `b${i}`, body })),
          };
          const outcomes = new Map<string, number>();
          let state = bench.state;
          const send = (person: 'p1' | 'p2', c: { id: string; body: Body }) => {
            // the server answers a repeat with the stored outcome
            if (outcomes.has(c.id)) return;
            const d = decide({ ...bench.context, person }, state, {
              id: c.id,
              job: 'j',
              body: c.body,
              at: bench.at,
              clockKnown: true,
              seen: heard,
            });
            outcomes.set(c.id, d.events.length);
            for (const e of d.events) state = evolve(state, e);
          };
          for (const first of [
            ...turns,
            ...Array<boolean>(30).fill(true),
            ...Array<boolean>(30).fill(false),
          ]) {
            const who = first ? 'p1' : 'p2';
            const c = queue[who][0];
            if (!c) continue;
            send(who, c);
            send(who, c);
            queue[who].shift();
          }
          // nothing that was kept is dropped, and no piece is in a place that nobody named
          expect(outcomes.size).toBe(a.length + b.length);
          for (const q of Object.values(state.question))
            if (q?.claims) {
              expect(q.claims[0]!.by).not.toBe(q.claims[1]!.by);
              expect(q.claims[0]!.value).not.toBe(q.claims[1]!.value);
            }
          // whatever contradicts is asked about before any gate opens again
          if (Object.values(state.question).some((q) => q?.claims))
            expect(
              decide(bench.context, state, {
                id: 'g',
                job: 'j',
                body: { type: 'deviceClosed' },
                at: bench.at,
                clockKnown: true,
              }).refused?.code,
            ).toBe('interlock');
        },
      ),
      runs,
    );
  });
});

describe('by identity, not by count', () => {
  test('one screw lost and one stray found do not cancel', () => {
    const bench = new Bench(index, plan).open();
    for (let k = 0; k < 12; k++) bench.next();
    bench.do({ type: 'lost', piece: 'B1#1' });
    bench.do({ type: 'strayFound', stray: 'stray 1', note: 'a screw' });
    bench.do({ type: 'strayRemoved', stray: 'stray 1', note: 'out' });
    bench.finish();
    const rules = bench.do({ type: 'deviceClosed' }).findings.map((f) => f.rule);
    expect(rules).toContain('piece adrift');
    expect(unaccounted(bench.state, index)).toContain('B1#1');
  });
  test('a screw that flies off while it comes out is not asked for again, and stays adrift', () => {
    const bench = new Bench(index, plan).open();
    const step = plan.steps.find((s) => s.action === 'unscrew')!;
    while (nextStep(plan, bench.state, index)!.step !== step) bench.next();
    const [flown, ...rest] = step.targets;
    bench.do({ type: 'lost', piece: `${flown}#1` });
    expect(nextStep(plan, bench.state, index)).toEqual({ step, left: rest });
    for (const _ of rest) bench.next();
    expect(nextStep(plan, bench.state, index)!.step).not.toBe(step);
    expect(bench.state.place[`${flown}#1`]).toBe('adrift');
  });
  test('the right number of screws with one in another’s hole does not balance', () => {
    const bench = new Bench(index, plan).open();
    for (const f of ['B1', 'C1']) bench.do({ type: 'screwOut', fastener: f, piece: `${f}#1` });
    bench.do({ type: 'screwIn', fastener: 'B1', piece: 'C1#1' });
    bench.do({ type: 'screwIn', fastener: 'C1', piece: 'B1#1' });
    expect(unaccounted(bench.state, index)).toEqual(['B1#1', 'C1#1']);
    expect(Object.values(bench.state.question).map((q) => q?.rule)).toContain('screw of another hole');
  });
});

test('the list of what can be refused and of what cannot be taken back name real events', () => {
  const log = new Bench(indexed(sprigModel), route(sprigModel)).open().finish().log;
  expect(log.filter((e) => isGate(e.body)).every((e) => e.decidedAt !== undefined)).toBe(true);
  expect(log.filter((e) => !isGate(e.body)).every((e) => e.decidedAt === undefined)).toBe(true);
});
