import { describe, expect, test } from 'vitest';
import { bodySchema } from '../log/event-schema';
import { holds } from '../log/events';
import type { JobState } from '../log/state';
import type { Step } from '../steps/route';
import { Bench } from '../testing/bench';
import { indexed, mica9, replace, route, shippedModels, swollen } from '../testing/demo-models';
import { bodyFor, doneBy, isStepDone, nextStep, stepFor, stillToDo, targetsLeft } from './step-of-event';

const index = indexed(mica9);
const plan = route(mica9);
const opened = new Bench(index, plan).open().state;
const firstOf = (action: Step['action']): Step => plan.steps.find((s) => s.action === action)!;
/** Every target of every step of the usual repairs of every model, with what is reported when it is done. */
function* reports() {
  for (const model of shippedModels) {
    const variant = model.variants[0]!.id;
    const slots = model.slots.filter((s) => s.kind === 'cell' || s.kind === 'display').map((s) => s.id);
    for (const tasks of [replace(...slots), { ...replace(slots[0]!), conditions: swollen }]) {
      const planned = route(model, tasks, variant);
      const at = indexed(model, variant);
      const { state } = new Bench(at, planned).open(tasks);
      for (const step of planned.steps)
        for (const target of step.targets) yield { step, target, body: bodyFor(at, state, step, target) };
    }
  }
}

describe('what is reported of a step', () => {
  test('is the work of that step and of that target: a check is passed by its own name', () => {
    for (const { step, target, body } of reports()) {
      if (step.action === 'check') expect(body).toMatchObject({ type: 'stepPassed', passed: step.id });
      else {
        const did = doneBy(body)!;
        expect(did.action, target).toBe(step.action);
        if (did.target !== '') expect(did.target).toBe(target);
      }
    }
  });
  test('is taken by the log also where the route is of the last version, which said more of a soak', () => {
    const soak = { setC: 80, softForS: 80, limitS: 340, opensS: 140, closesS: 340, bond: 'seal' };
    const old = bodyFor(index, opened, { ...firstOf('heat'), soak }, 'start');
    expect(bodySchema.parse(old)).toMatchObject({
      setC: 80,
      opensS: 140,
      closesS: 340,
      softForS: 80,
      bond: 'seal',
    });
    expect(old).not.toHaveProperty('limitS');
  });
  test('says how long where it goes on by itself, when it begins and nowhere else', () => {
    let begun = 0;
    for (const { step, target, body } of reports()) {
      if (body.type === 'heatStarted') expect(body.forS).toBe(step.waitS);
      if (body.type !== 'acted') continue;
      const begins = holds.has(step.action) && target.endsWith(':start');
      expect(body.forS, `${step.action} ${target}`).toBe(begins ? step.waitS : undefined);
      if (begins) begun++;
    }
    expect(begun).toBeGreaterThan(5);
  });
  test('can be written into the log as it stands', () => {
    for (const { body } of reports())
      expect(bodySchema.safeParse(body).success, JSON.stringify(body)).toBe(true);
  });
});

describe('where the route stands', () => {
  test('an event does the first step that is open for its thing, and none that is done', () => {
    const step = firstOf('unscrew');
    const [first] = step.targets;
    const out = { type: 'screwOut', fastener: first!, piece: `${first}#1` } as const;
    expect(stepFor(plan, opened, out)).toEqual({ step: step.id, target: first });
    const done = { ...opened, progress: { ...opened.progress, [`${step.id} ${first}`]: 1 as const } };
    expect(stepFor(plan, done, out)).toBeUndefined();
    expect(targetsLeft(done, step)).toEqual(step.targets.slice(1));
    expect(isStepDone(done, step)).toBe(step.targets.length === 1);
    expect(stepFor(plan, opened, { type: 'noted', text: 'no step' })).toBeUndefined();
  });
  test('a check is passed by the name of its step; of a step that the route does not have by none', () => {
    const check = firstOf('check');
    const passed = (id: string) =>
      stepFor(plan, opened, { type: 'stepPassed', passed: id, round: check.round! });
    expect(passed(check.id)).toEqual({ step: check.id, target: check.targets[0] });
    expect(passed('no such step')).toBeUndefined();
  });
  test('what the device shows is not asked for again; what has ended has begun; an empty hole has no screw to come out', () => {
    const unscrew = firstOf('unscrew');
    const [first, ...rest] = unscrew.targets;
    const gone: JobState = { ...opened, place: { ...opened.place, [`${first}#1`]: 'adrift' } };
    expect(stillToDo(index, opened, unscrew)).toEqual(unscrew.targets);
    expect(stillToDo(index, gone, unscrew)).toEqual(rest);
    const heat = firstOf('heat');
    const ended: JobState = { ...opened, progress: { ...opened.progress, [`${heat.id} end`]: 1 } };
    expect(heat.targets).toContain('end');
    expect(stillToDo(index, ended, heat)).toEqual([]);
    const begun: JobState = {
      ...opened,
      progress: { ...opened.progress, [`${heat.id} start`]: 1 },
      flag: { ...opened.flag, heat: { since: opened.lastAt, until: opened.lastAt + 1, clockKnown: true } },
    };
    expect(stillToDo(index, begun, heat)).toEqual(['end']);
  });
  test('it is over when every step is', () => {
    const b = new Bench(index, plan).open();
    expect(nextStep(plan, b.state, index)!.step).toBe(plan.steps[0]);
    b.finish();
    expect(nextStep(plan, b.state, index)).toBeUndefined();
  });
});

describe('an old part', () => {
  const aside = firstOf('set aside');
  const where = (change: Partial<JobState>) => {
    const body = bodyFor(index, { ...opened, ...change }, aside, 'cell');
    return body.type === 'pieceSetAside' ? body.to : undefined;
  };
  test('goes where the owner has asked; a cell that nobody asked for is recycled', () => {
    expect(aside.targets).toContain('cell');
    expect(where({ answer: {} })).toBe('recycling');
    expect(where({ answer: { 'old-parts': 'back' } })).toBe('owner');
    expect(where({ answer: { 'old-parts': 'recycled' } })).toBe('recycling');
    const other = bodyFor(index, { ...opened, answer: {} }, { ...aside, targets: ['display'] }, 'display');
    expect(other).toMatchObject({ type: 'pieceSetAside', to: 'owner' });
  });
  test('that is a damaged cell is handed out to nobody, whoever asks', () => {
    const condition = { swollen: { because: 'seen', event: 'e' } } as unknown as JobState['condition'];
    expect(where({ condition, answer: { 'old-parts': 'back' } })).toBe('recycling');
  });
});

describe('the screw for a hole', () => {
  const hole = firstOf('fasten').targets[0]!;
  const into = (place: JobState['place'], fresh?: true) => {
    const body = bodyFor(index, { ...opened, place }, { ...firstOf('fasten'), fresh } as Step, hole);
    return body.type === 'screwIn' ? body.piece : undefined;
  };
  test('is the one that lies in its place, its own where none does', () => {
    expect(into({ [`${hole}#1`]: `mat/${hole}` })).toBe(`${hole}#1`);
    expect(into({})).toBe(`${hole}#1`);
  });
  test('is a new one where its own is lost or put aside, or where new ones are the method', () => {
    for (const gone of ['adrift', 'aside/scrap']) expect(into({ [`${hole}#1`]: gone })).not.toBe(`${hole}#1`);
    const fresh = into({ [`${hole}#1`]: `mat/${hole}` }, true)!;
    expect(fresh).not.toBe(`${hole}#1`);
    // the one that was laid there is taken, and not another
    expect(into({ [`${hole}#1`]: 'adrift', [fresh]: `mat/${hole}` })).toBe(fresh);
    // one that is somewhere already is not taken twice
    expect(into({ [`${hole}#1`]: 'adrift', [fresh]: 'aside/scrap' })).not.toBe(fresh);
  });
});
