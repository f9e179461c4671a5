import { describe, expect, test } from 'vitest';
import type { Body, JobEvent } from '../log/events';
import { applyEdits } from '../model/edit';
import { indexModel } from '../model/index-model';
import { checkModel } from '../model/check-model';
import { indexed, mica9, shippedModels } from '../testing/demo-models';
import { learnMinutes, minutesEdits, refutedBy, saidOtherwise } from './learn-ways';
import { mayGo, needsOfModel, withoutNeeds } from './needs';
import { gradesOf } from './grades';
import { questionsOf } from './questions';

const index = indexed(mica9);
/** A log as a bench would write it, an entry every so many minutes. */
const logOf = (bodies: Body[], everyMin = 1): JobEvent[] =>
  bodies.map((body, k) => ({
    ...{ id: `e${k}`, seq: k + 1, v: 3, by: 'p', at: 1_700_000_000_000 + k * everyMin * 60_000 },
    ...{ clockKnown: true, body },
  }));
const out = (slot: string): Body => ({ type: 'pieceMoved', slot, pose: 'out' });
/** All that the only way of a part waits for, but for some. */
const undone = (slot: string, but: string[] = []): Body[] =>
  needsOfModel(index)
    .filter((need) => need.slot === slot && !but.includes(need.first))
    .map(({ kind, first }): Body => {
      if (kind === 'fastener') return { type: 'screwOut', fastener: first, piece: `${first}#1` };
      if (kind === 'connector') return { type: 'connectorOff', connector: first };
      if (kind === 'bond') return { type: 'bondReleased', bond: first, torn: false };
      if (kind === 'catch') return { type: 'catchFreed', catch: first };
      return out(first);
    });
const shared = needsOfModel(index).filter(
  (need) => mayGo(index, need) && index.slots.get(need.slot)!.ways.length === 1,
);

describe('what jobs did without', () => {
  const [need] = shared;
  test('a part that came off while something was still in shows that it is not needed, in how many jobs', () => {
    const without = logOf([...undone(need!.slot, [need!.first]), out(need!.slot)]);
    const found = refutedBy(index, [without, without, logOf([...undone(need!.slot), out(need!.slot)])]);
    expect(found.filter((r) => r.slot === need!.slot).map((r) => [r.key, r.jobs])).toEqual([[need!.key, 2]]);
  });
  test('the usual order shows nothing, and what is put back does not either', () => {
    const usual = [...undone(need!.slot), out(need!.slot)];
    const found = refutedBy(index, [logOf(usual), logOf([...usual, out(need!.slot)])]);
    expect(found.filter((r) => r.slot === need!.slot)).toEqual([]);
  });
  test('left out, the model still stands as far as the need goes; what holds one part alone is never left out', () => {
    for (const one of shared) {
      const edits = withoutNeeds(index, [one]);
      expect(edits.length, one.key).toBeGreaterThan(0);
      const after = indexModel(applyEdits(mica9, edits));
      expect(needsOfModel(after).map((n) => n.key)).not.toContain(one.key);
    }
    for (const model of shippedModels) {
      const all = indexed(model);
      const kept = needsOfModel(all).filter((n) => !mayGo(all, n));
      expect(withoutNeeds(all, kept)).toEqual([]);
      // no screw that holds something is forgotten by every way
      const loosest = applyEdits(
        all.model,
        withoutNeeds(
          all,
          needsOfModel(all).filter((n) => n.kind === 'fastener'),
        ),
      );
      const checked = checkModel(loosest);
      expect(checked.ok ? [] : checked.problems.filter((p) => p.text.includes('never be free'))).toEqual([]);
    }
  });
});

describe('true minutes', () => {
  const slot = index.model.slots.find((s) => s.ways.length === 1 && s.ways[0]!.minutes.high < 4)!;
  const [way] = slot.ways;
  test('of five jobs and more: eight of ten, and proposed where the middle is longer than the model allows', () => {
    const took = (minutes: number) => logOf([{ type: 'noted', text: 'x' }, out(slot.id)], minutes);
    const slow = [6, 7, 8, 9, 10].map(took);
    expect(learnMinutes(index, slow.slice(0, 4))).toEqual([]);
    const [learnt] = learnMinutes(index, slow);
    expect(learnt).toMatchObject({ slot: slot.id, jobs: 5, proposed: true, measured: { likely: 8 } });
    const after = applyEdits(mica9, minutesEdits(index, [learnt!]));
    expect(after.slots.find((s) => s.id === slot.id)!.ways[0]!.minutes.likely).toBe(8);
    const usual = Array.from({ length: 5 }, () => took(way!.minutes.likely));
    expect(learnMinutes(index, usual)[0]!.proposed).toBe(false);
    // pressed in a row, it was not done in a row
    const pressed = Array.from({ length: 5 }, () => took(0.05));
    expect(learnMinutes(index, pressed)[0]!.proposed).toBe(false);
  });
  test('a pause is no time at the bench, and an unknown clock is none', () => {
    const long = Array.from({ length: 6 }, () => logOf([{ type: 'noted', text: 'x' }, out(slot.id)], 40));
    expect(learnMinutes(index, long)).toEqual([]);
    const unknown = long.map((log) => log.map((e) => ({ ...e, clockKnown: false })));
    expect(learnMinutes(index, unknown)).toEqual([]);
  });
});

test('what was said to be otherwise is gathered by thing, a job once', () => {
  const log = logOf([
    { type: 'troubled', kind: 'not as the model says', thing: 'C3', note: 'two washers' },
    { type: 'noted', text: 'longer here', thing: 'C3', finding: true },
    { type: 'troubled', kind: 'stuck', thing: 'C4' },
  ]);
  expect(saidOtherwise([log, log])).toEqual([
    { thing: 'C3', jobs: 2, notes: ['longer here', 'longer here'] },
  ]);
});

describe('what is asked', () => {
  /** Recorded at a bench: these parts, each with what somebody pressed. */
  const recorded = (needed: (slot: string) => string[]): JobEvent[] =>
    logOf(
      mica9.slots.map(
        ({ id }) =>
          ({
            ...{ type: 'met', off: false },
            thing: {
              ...{ kind: 'part', id, name: 'p', face: 'front', part: 'bracket', functions: [] },
              ...{ shape: { x: 1, y: 1, w: 5, h: 5 }, needed: needed(id), said: needed(id) },
            },
          }) as Body,
      ),
    );
  test('the dearest first, at most eight, nothing that was said or confirmed', () => {
    const log = recorded(() => []);
    const asked = questionsOf(index, [log]);
    expect(asked.length).toBeLessThanOrEqual(8);
    expect(asked.length).toBeGreaterThan(1);
    expect(asked.map((q) => q.minutes)).toEqual(asked.map((q) => q.minutes).toSorted((a, b) => b - a));
    const [first] = asked;
    const confirmed = indexModel({ ...mica9, said: [first!.key] });
    expect(questionsOf(confirmed, [log]).map((q) => q.key)).not.toContain(first!.key);
    const said = recorded((slot) => (slot === first!.slot ? [first!.first] : []));
    expect(questionsOf(index, [said]).map((q) => q.key)).not.toContain(first!.key);
  });
  test('nothing of a model that came in a file: somebody wrote it', () => {
    expect(questionsOf(index, [])).toEqual([]);
    expect(questionsOf(index, [logOf([out('cell')])])).toEqual([]);
  });
});

describe('how sure each need is', () => {
  const [need] = shared;
  const of = (model: typeof index, logs: JobEvent[][]) => {
    const found = gradesOf(model, logs).find((graded) => graded.key === need!.key)!;
    return [found.grade, found.jobs];
  };
  const usual = logOf([...undone(need!.slot), out(need!.slot)]);
  const without = logOf([...undone(need!.slot, [need!.first]), out(need!.slot)]);
  const part = index.slots.get(need!.slot)!;
  const recorded = (needed: string[], said: string[] = []): JobEvent[] =>
    logOf([
      ...undone(need!.slot),
      {
        type: 'met',
        thing: {
          ...{
            kind: 'part',
            id: part.id,
            name: part.name,
            face: part.face,
            part: part.kind,
            shape: part.shape,
          },
          ...{ functions: [], needed, said, first: undefined },
        },
      } as unknown as Body,
      out(need!.slot),
    ]);
  test('what came in a file is written so; jobs that kept to it are counted', () => {
    expect(of(index, [])).toEqual(['written', 0]);
    expect(of(index, [usual, usual])).toEqual(['written', 2]);
  });
  test('what a job did without is refuted, whatever was said', () => {
    const confirmed = indexModel({ ...mica9, said: [need!.key] });
    expect(of(index, [usual, without])).toEqual(['refuted', 1]);
    expect(of(confirmed, [usual, without])).toEqual(['refuted', 1]);
    expect(of(confirmed, [usual])).toEqual(['said', 1]);
  });
  test('of a part that was recorded, what somebody pressed is said, and the rest is supposed', () => {
    expect(of(index, [recorded([])])).toEqual(['supposed', 1]);
    expect(of(index, [recorded([need!.first])])).toEqual(['supposed', 1]);
    expect(of(index, [recorded([need!.first], [need!.first])])).toEqual(['said', 1]);
  });
});
