import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type Body, final } from './events';
import { evolve, fold } from './evolve';
import { empty, type JobState, tableNames } from './state';
import { placeOf } from './view';
import { type Command, decide } from '../rules/decide';
import { Bench } from '../testing/bench';
import { depth } from '../testing/depth';
import { Book, course, fact, gate, holes, index, plan, run, slots } from '../testing/courses';

const withoutAudit = (s: JobState) => Object.fromEntries(tableNames.map((t) => [t, s[t]]));
const runs = { numRuns: depth(120, 600) };

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
