import { describe, expect, test } from 'vitest';
import type { Body } from '../log/events';
import { Bench } from '../testing/bench';
import { indexed, mica9, shippedModels, sprigModel } from '../testing/demo-models';
import { beliefOf } from './belief';
import { type Experience, faultOf, guessJobs, knownCause, noExperience } from './fault';
import { causes, past } from '../knowledge/causes';
import { refused, refusedIn } from '../knowledge/refused';
import { symptoms, symptomsIn } from '../knowledge/symptoms';
import { rungs, tests } from '../knowledge/tests';
import { openRungs } from './ladder';
import { faultView } from './next';

const rate = 6000;
function received(model = mica9, ...bodies: Body[]): Bench {
  const b = new Bench(indexed(model), undefined);
  b.do({
    type: 'opened',
    modelHash: 'h',
    variant: 'standard',
    tag: 'T',
    complaint: 'x',
    tasks: [],
    promisedAt: null,
    promisedAs: '',
  });
  for (const body of bodies) b.do(body);
  return b;
}
const symptom = (s: 'no-picture' | 'no-start' | 'broken-glass' | 'short-battery' | 'face' | 'wet'): Body => ({
  type: 'symptomSet',
  symptom: s,
  on: true,
});
const chances = (b: Bench, experience: Experience = noExperience, more: string[] = []) => {
  const f = faultOf(b.index, b.state, rate, experience, more)!;
  const belief = beliefOf(f.problem)!;
  return Object.fromEntries(f.causes.map((c, i) => [c.id, belief[i]!]));
};

describe('what is known', () => {
  test('every row of chances adds up to 1 and belongs to a cause that is known; every name is used once', () => {
    const ids = new Set(causes.map((c) => c.id));
    expect(ids.size).toBe(causes.length);
    expect(new Set(tests.map((t) => t.id)).size).toBe(tests.length);
    for (const t of tests)
      for (const [c, row] of [['(usual)', t.usual] as const, ...Object.entries(t.given)]) {
        expect(row.length, `${t.id} ${c}`).toBe(t.outcomes.length);
        expect(
          row.reduce((a, b) => a + b, 0),
          `${t.id} ${c}`,
        ).toBeCloseTo(1, 9);
        if (c !== '(usual)') expect(ids.has(c), `${t.id} ${c}`).toBe(true);
      }
    for (const s of symptoms)
      for (const c of Object.keys(s.weights)) expect(ids.has(c), `${s.id} ${c}`).toBe(true);
    for (const list of Object.values(past))
      for (const c of Object.keys(list)) expect(ids.has(c), c).toBe(true);
    for (const t of tests) expect(rungs).toContain(t.rung);
  });
  test('every symptom can be told apart by some test or has one cause that stands out, on every model', () => {
    for (const m of shippedModels)
      for (const s of symptoms) {
        const b = received(m, { type: 'symptomSet', symptom: s.id, on: true });
        const view = faultView(b.index, b.state, faultOf(b.index, b.state, rate)!)!;
        const top = Math.max(...Object.values(view.diagnosis.posterior));
        expect(view.tests.length > 0 || top > 0.5, `${m.id} ${s.id}`).toBe(true);
      }
  });
  test('the owner’s own words lead to symptoms, and folk remedies are known by theirs', () => {
    expect(symptomsIn('Flat by noon, gets warm in the pocket.')).toEqual(['short-battery', 'hot']);
    expect(symptomsIn('Screen lifts on one side since last week.')).toContain('lifted');
    expect(symptomsIn('It’s all fine')).toEqual([]);
    expect(symptomsIn('x'.repeat(100_000))).toEqual([]);
    expect(refusedIn('scrape the trace and use a lighter')?.id).toBe('spark');
    expect(refusedIn('ch')).toBeUndefined();
    // words are matched whole, by their stems
    for (const text of ['device', 'notice', 'price', 'gasket', 'spinning', 'rubber gasket', 'scraped edge'])
      expect(refusedIn(text)?.id, text).toBeUndefined();
    expect(refusedIn('Put it into the freezer')?.id).toBe('freezer');
    expect(refusedIn('freezing it')?.id).toBe('freezer');
    expect(refusedIn('rice cooker')?.id).toBe('rice');
    expect(refusedIn('pierced with needles')?.id).toBe('press-flat');
    expect(symptomsIn('A photograph of the boat')).toEqual(['camera']);
    expect(symptomsIn('The ringtone cannot be changed')).toEqual([]);
    expect(symptomsIn('charges only when the cables are bent')).toEqual(['no-charge']);
    expect(symptomsIn('No Wi-Fi any more')).toEqual(['radio']);
    for (const r of refused) expect(r.why.length).toBeGreaterThan(40);
  });
});

describe('the causes of a fault', () => {
  test('are those that the model can have, with chances that add up to 1, and something else among them', () => {
    const c = chances(received(sprigModel, symptom('no-picture')));
    expect(Object.values(c).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(c.other).toBeGreaterThan(0);
    for (const id of Object.keys(c)) {
      const k = knownCause(id)!;
      expect(k.kinds.length === 0 || sprigModel.slots.some((s) => k.kinds.includes(s.kind)), id).toBe(true);
    }
    expect(faultOf(indexed(sprigModel), received(sprigModel).state, rate)).toBeUndefined();
  });
  test('a sensor flex that is off looks like a bad panel: the test with a known-good flex tells them apart, a known-good panel does not revive it', () => {
    const b = received(mica9, symptom('no-picture'));
    const before = chances(b);
    b.do({ type: 'tested', test: 'known-good', outcome: 'as before' });
    expect(chances(b)['sensor-off']).toBeGreaterThan(before['sensor-off']! * 1.8);
    b.do({ type: 'tested', test: 'known-good-sensor', outcome: 'picture' });
    expect(chances(b)['sensor-off']).toBeGreaterThan(0.8);
  });
  test('face unlock that asks to move higher or lower points at a loose lens', () => {
    const b = received(mica9, symptom('face'), {
      type: 'tested',
      test: 'higher-lower',
      outcome: 'higher or lower',
    });
    const c = chances(b);
    expect(Object.entries(c).toSorted((x, y) => y[1] - x[1])[0]![0]).toBe('projector-lens');
  });
  test('the past moves them: an earlier repair makes a loose contact likelier, a panel standing proud a swollen cell', () => {
    const plain = chances(received(mica9, symptom('no-picture')));
    expect(
      chances(
        received(mica9, symptom('no-picture'), {
          type: 'marked',
          mark: { id: 'm1', side: 'front', x: 1, y: 1, kind: 'earlier repair' },
        }),
      )['panel-contact'],
    ).toBeGreaterThan(plain['panel-contact']!);
    expect(
      chances(received(mica9, symptom('no-picture')), noExperience, ['here before'])['panel-contact'],
    ).toBeGreaterThan(plain['panel-contact']!);
  });
  test('one piece of news counts once: the mark and the condition that it sets, the symptom and its condition', () => {
    const proud: Body = {
      type: 'marked',
      mark: { id: 'm1', side: 'front', x: 1, y: 1, kind: 'panel standing proud' },
    };
    const marked = received(mica9, symptom('no-picture'), proud);
    expect(marked.state.condition.swollen).toMatchObject({ because: 'panel standing proud' });
    const seen = received(mica9, symptom('no-picture'), {
      type: 'conditionSet',
      condition: 'swollen',
      because: 'seen at the bench',
    });
    expect(chances(marked)['cell-swollen']! / chances(seen)['cell-swollen']!).toBeLessThan(1.5);
    expect(chances(received(mica9, symptom('wet'))).liquid).toBeLessThan(0.9);
  });
  test('finished jobs move the guesses: by hand for one symptom, guess 20 jobs and 20 more of which all were the cell', () => {
    const b = received(mica9, symptom('short-battery'));
    const guess = chances(b)['cell-worn']!;
    const after = chances(b, { causes: { 'short-battery': { 'cell-worn': 20 } }, tests: {} });
    const raw = 68 / (68 + 20 + 5 + 3 + 4 + 4);
    // shares before normalising over the causes that this model can have
    expect(after['cell-worn']! / (1 - after['cell-worn']!)).toBeCloseTo(
      ((guessJobs.symptom * raw + 20) / 40 / ((guessJobs.symptom * raw) / 20)) * 2 * (guess / (1 - guess)),
      6,
    );
    expect(after['cell-worn']).toBeGreaterThan(guess);
  });
  test('a test that finished jobs have shown to be blind loses its weight', () => {
    const b = received(mica9, symptom('short-battery'), {
      type: 'tested',
      test: 'battery-page',
      outcome: 'good',
    });
    const blind = { causes: {}, tests: { 'battery-page': { 'cell-worn': { good: 30 } } } };
    expect(chances(b, blind)['cell-worn']).toBeGreaterThan(chances(b)['cell-worn']!);
  });
});

describe('the ladder', () => {
  const view = (b: Bench) => faultView(b.index, b.state, faultOf(b.index, b.state, rate)!)!;
  test('a phone that does not start is charged and restarted before it is opened, and the route waits for that', () => {
    const b = received(mica9, symptom('no-start'));
    expect(openRungs(b.index, b.state)).toEqual(expect.arrayContaining(['charge', 'forced-restart']));
    expect(view(b).next).toHaveProperty('test');
    for (const t of view(b).tests) if (t.test.rung === 'open it') expect(t.shut).toBe('harmless first');
    b.answer('before', 'works');
    b.do({ type: 'received' });
    expect(b.do({ type: 'testBegun', test: 'reseat' }).refused).toMatchObject({ code: 'interlock' });
    b.agree();
    const adopt: Body = { type: 'routeAdopted', routeHash: 'r', modelHash: 'h', variant: 'standard' };
    expect(b.do(adopt).findings.map((f) => f.rule)).toEqual(['harmless first']);
    // each is done or declined; what it says may bring another one up
    for (let k = 0; k < 12 && openRungs(b.index, b.state).length; k++) {
      const id = openRungs(b.index, b.state)[0]!;
      if (k % 2) b.do({ type: 'testDeclined', test: id, reason: 'done at home by the owner' });
      else b.do({ type: 'tested', test: id, outcome: tests.find((t) => t.id === id)!.outcomes.at(-1)!.id });
    }
    expect(openRungs(b.index, b.state)).toEqual([]);
    expect(b.do(adopt).refused).toBeUndefined();
  });
  test('a technician who states the fault with a reason goes on', () => {
    const b = received(mica9, symptom('no-start'));
    b.answer('before', 'works');
    b.do({ type: 'received' });
    b.do({ type: 'causeStated', cause: 'panel-bad', because: 'ink spot, seen by two' });
    expect(
      b.do({ type: 'routeAdopted', routeHash: 'r', modelHash: 'h', variant: 'standard' }).refused,
    ).toBeUndefined();
    expect(b.do({ type: 'causeStated', cause: 'gremlins', because: 'x' }).refused).toEqual({
      code: 'unknown thing',
      id: 'gremlins',
    });
  });
  test('broken glass needs no harmless test first', () => {
    const b = received(mica9, symptom('broken-glass'), {
      type: 'marked',
      mark: { id: 'm1', side: 'front', x: 1, y: 1, kind: 'shattered glass' },
    });
    expect(openRungs(b.index, b.state)).toEqual([]);
  });
  test('nothing that erases data is proposed or begun without consent; reported all the same it is a question', () => {
    const b = received(mica9, symptom('no-start'));
    expect(view(b).tests.find((t) => t.test.id === 'restore')?.shut).toBe('consent');
    expect(b.do({ type: 'testBegun', test: 'restore' }).findings.map((f) => f.rule)).toEqual([
      'data would be erased',
    ]);
    const other = received(mica9, symptom('no-start'));
    other.do({ type: 'tested', test: 'restore', outcome: 'cured' });
    expect(other.log.at(-1)!.breach).toEqual([{ rule: 'data would be erased', ids: ['data'] }]);
    b.do({ type: 'consentGiven', effect: 'data', by: 'owner' });
    expect(view(b).tests.find((t) => t.test.id === 'restore')?.shut).toBeUndefined();
    expect(b.do({ type: 'testBegun', test: 'restore' }).refused).toBeUndefined();
  });
  test('a swollen or wet device is never charged: not proposed, and refused to everybody', () => {
    const b = received(mica9, symptom('no-start'), symptom('wet'));
    expect(b.state.condition.wet).toMatchObject({ because: 'the owner says that it was in water' });
    expect(view(b).tests.map((t) => t.test.id)).not.toContain('charge');
    expect(b.do({ type: 'testBegun', test: 'charge' }).findings[0]).toMatchObject({
      rule: 'no charging this cell',
      severity: 'forbid',
    });
  });
  test('no repair is proposed that is more likely wrong than right while a harmless test is owed', () => {
    for (const s of symptoms) {
      const b = received(mica9, { type: 'symptomSet', symptom: s.id, on: true }, symptom('wet'));
      const v = view(b);
      if ('repair' in v.next && v.rungs.length)
        expect(v.diagnosis.posterior[v.next.repair], s.id).toBeGreaterThanOrEqual(0.5);
    }
  });
  test('the next test is never one whose turn it is not, and the course ends in the belief of now', () => {
    for (const s of symptoms) {
      const b = received(mica9, { type: 'symptomSet', symptom: s.id, on: true });
      for (let k = 0; k < 6; k++) {
        const v = view(b);
        expect(v.course.at(-1)!.belief.reduce((a, x) => a + x, 0)).toBeCloseTo(1, 9);
        if ('repair' in v.next) break;
        const id = v.next.test;
        expect(v.tests.find((t) => t.test.id === id)?.shut, `${s.id} ${id}`).toBeUndefined();
        expect(b.do({ type: 'testBegun', test: id }).refused, `${s.id} ${id}`).toBeUndefined();
        const means = v.tests.find((t) => t.test.id === id)!.means;
        expect(means.reduce((a, m) => a + m.chance, 0)).toBeCloseTo(1, 9);
        b.do({
          type: 'tested',
          test: id,
          outcome: means.toSorted((x, y) => y.chance - x.chance)[0]!.outcome,
        });
      }
    }
  });
});
