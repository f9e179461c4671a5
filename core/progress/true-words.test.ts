import { describe, expect, test } from 'vitest';
import { checksDue } from '../checks/due';
import { consentsFor } from '../consents/consents';
import { compareRemedies } from '../pairing/compare';
import { workOf } from '../route/tasks';
import { asItCame } from '../steps/route';
import { defaultMethods } from '../methods/methods';
import { Bench } from '../testing/bench';
import { atlas, dune3, indexed, mica9, replace, route, shippedModels, swollen } from '../testing/demo-models';

/** A repair from first to last, with what the owner answered about the old parts. */
function repaired(answer: 'back' | 'recycled', conditions: typeof swollen = []): Bench {
  const tasks = replace('display', 'cell');
  const b = new Bench(indexed(mica9), undefined);
  b.open(tasks);
  for (const condition of conditions)
    b.do({ type: 'conditionSet', condition, because: 'panel stands proud' });
  b.do({ type: 'consentGiven', effect: 'old-parts', by: 'owner', answer });
  b.adopt(route(mica9, { ...tasks, conditions }));
  return b.finish();
}

describe('the old parts', () => {
  test('go back to the owner where that was asked, the cell with them', () => {
    expect(repaired('back').state.place).toMatchObject({
      'display#1': 'aside/owner',
      'cell#1': 'aside/owner',
    });
  });
  test('are recycled where that was asked', () => {
    expect(repaired('recycled').state.place).toMatchObject({
      'display#1': 'aside/recycling',
      'cell#1': 'aside/recycling',
    });
  });
  test('but a damaged cell is handed out to nobody, and that is said with the question', () => {
    const b = repaired('back', swollen);
    expect(b.state.place).toMatchObject({ 'display#1': 'aside/owner', 'cell#1': 'aside/recycling' });
    const asked = consentsFor(b.index, b.state).find((c) => c.id === 'old-parts')!;
    expect(asked.kept).toEqual(['cell']);
  });
});

test('after a paired part was replaced the parts notice is due, and before the work it is nobody’s question', () => {
  const b = repaired('recycled');
  expect(checksDue(b.state, b.index, 'after').find((c) => c.function === 'notice')!.because).toEqual(
    expect.arrayContaining(['display', 'cell']),
  );
  const fresh = new Bench(indexed(mica9), undefined).open(replace('display', 'cell'));
  expect(checksDue(fresh.state, fresh.index, 'before').map((c) => c.function)).not.toContain('notice');
});

test('a display that is not folded yet is held by what holds it shut, never by itself', () => {
  const b = new Bench(indexed(mica9), route(mica9)).open();
  const d = b.do({ type: 'pieceMoved', slot: 'display', pose: 'out' });
  const held = d.findings.find((f) => f.rule === 'still held')!.ids;
  expect(held).not.toContain('display');
  expect(held).toEqual(expect.arrayContaining(['A1', 'seal', 'K-panel']));
});

test('a calibration that was chosen stays on the route when the part is in and the rest is planned again', () => {
  const remedies = { camera: 'calibrate' } as const;
  const b = new Bench(indexed(dune3), undefined).open(replace('camera'));
  const first = route(dune3, { ...replace('camera'), remedies });
  expect(first.steps.map((s) => s.action)).toContain('calibrate');
  b.adopt(first);
  for (let k = 0; k < 300 && b.state.place['camera#2'] !== 'slot/camera'; k++) b.next();
  const again = route(dune3, { ...replace('camera'), remedies, standing: b.standing() });
  expect(again.steps.map((s) => s.action)).toContain('calibrate');
});
test('a calibration that would settle nothing of a part cannot be chosen', () => {
  for (const model of shippedModels)
    for (const slot of model.slots) {
      const compared = compareRemedies(indexed(model), slot.id);
      const at = compared.remedies.indexOf('calibrate');
      if (at >= 0)
        expect(
          compared.rows.some((r) => r.becomes[at] === 'calibrate'),
          `${model.id} ${slot.id}`,
        ).toBe(true);
    }
});

describe('a housing rebuild', () => {
  // four to five hours: common practice
  test.each(shippedModels.filter((m) => m.slots.some((s) => s.kind === 'frame')))(
    '$name: within what the trade says, as a range that holds it',
    (model) => {
      const { hands } = route(model, replace(model.slots.find((s) => s.kind === 'frame')!.id)).minutes;
      expect(hands.low).toBeLessThan(4 * 60);
      expect(hands.high).toBeGreaterThan(5 * 60);
      expect(hands.likely).toBeGreaterThan(3 * 60);
      expect(hands.likely).toBeLessThan(5.5 * 60);
    },
  );
  test('what the model lists already is not asked for twice', () => {
    expect(route(atlas, replace('frame')).steps.map((s) => s.action)).not.toContain('outfit');
  });
});
test('a visit that is asked for twice is one', () => {
  const rework = { slot: 'id-chip', action: 'rework' } as const;
  const work = workOf(indexed(dune3), {
    tasks: [rework, rework],
    methods: defaultMethods,
    standing: asItCame,
  });
  expect(work.visits).toHaveLength(1);
});
