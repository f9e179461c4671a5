import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { transfersOf } from '../model/carried';
import { functionsOf } from '../model/functions-of';
import { consentsNeeded, dataDue, effectsOf } from '../pairing/effects';
import { standingOf } from '../progress/standing';
import { functionIds } from '../vocabulary/trade';
import { checksDue, type DueCheck, functionsOfTasks, openChecks, toTell } from './due';

const index = indexed(mica9);
const opened = () => new Bench(index, route(mica9)).open();

describe('what must be tested', () => {
  test('before the work: the model’s short list, whatever has been touched', () => {
    expect(checksDue(opened().state, index, 'before').map((c) => c.function)).toEqual(mica9.shortList);
  });
  test('mid: at least that it starts, shows and answers; more only where something was touched', () => {
    const b = opened();
    expect(checksDue(b.state, index, 'mid').map((c) => c.function)).toEqual(['power', 'picture', 'touch']);
    b.do({ type: 'connectorOff', connector: 'K-cell' });
    b.do({ type: 'connectorOff', connector: 'K-cam' });
    expect(checksDue(b.state, index, 'mid').find((c) => c.function === 'cameras')!.because).toEqual([
      'K-cam',
    ]);
  });
  test('a bracket is judged by the connectors that it hides', () => {
    expect(functionsOf(index, 'panel-bracket')).toEqual(['picture', 'touch']);
    const b = opened();
    b.do({ type: 'pieceMoved', slot: 'camera-bracket', pose: 'out' });
    expect(checksDue(b.state, index, 'mid').map((c) => c.function)).toContain('cameras');
  });
  test('an answer is stale once a connector it depends on has moved, and good again when answered again', () => {
    const b = opened();
    b.do({ type: 'connectorOff', connector: 'K-cell' });
    b.do({ type: 'connectorOff', connector: 'K-cam' });
    b.do({ type: 'connectorOn', connector: 'K-cam' });
    b.do({ type: 'connectorOn', connector: 'K-cell' });
    b.answer('mid', 'works');
    expect(openChecks(b.state, index, 'mid')).toEqual([]);
    b.do({ type: 'connectorOff', connector: 'K-cell' });
    b.do({ type: 'connectorOff', connector: 'K-cam' });
    b.do({ type: 'connectorOn', connector: 'K-cam' });
    b.do({ type: 'connectorOn', connector: 'K-cell' });
    expect(Object.fromEntries(openChecks(b.state, index, 'mid').map((c) => [c.function, c.stale]))).toEqual({
      battery: ['K-cell'],
      cameras: ['K-cam'],
    });
    b.answer('mid', 'works');
    expect(openChecks(b.state, index, 'mid')).toEqual([]);
  });
  test('could not be tested passes only where it could not be tested before', () => {
    const b = opened();
    b.do({ type: 'checked', round: 'before', function: 'radios', result: 'untested' });
    b.do({ type: 'checked', round: 'after', function: 'radios', result: 'untested' });
    b.do({ type: 'checked', round: 'after', function: 'keys', result: 'untested' });
    const after = checksDue(b.state, index, 'after');
    expect(after.find((c) => c.function === 'radios')!.passed).toBe(true);
    expect(after.find((c) => c.function === 'keys')!.passed).toBe(false);
  });
  test('what a dead display hid on arrival is due once the new one shows: "not tested" is no answer any more', () => {
    const b = new Bench(index, undefined).open({ tasks: [{ slot: 'display', action: 'replace' }] });
    const answer = (
      round: 'before' | 'after',
      fn: 'touch' | 'face',
      result: 'works' | 'fails' | 'untested',
    ) => b.do({ type: 'checked', round, function: fn, result });
    answer('before', 'touch', 'fails');
    answer('before', 'face', 'untested');
    b.do({ type: 'pieceMoved', slot: 'sensor-flex', pose: 'out' });
    const face = () => checksDue(b.state, index, 'after').find((c) => c.function === 'face')!;
    answer('after', 'touch', 'fails');
    answer('after', 'face', 'untested');
    expect(face()).toMatchObject({ untestable: true, good: true });
    answer('after', 'touch', 'works');
    expect(face()).toMatchObject({ untestable: false, good: false });
  });
  test('a part that is replaced counts with what moves over to the new one; one that is only looked at does not', () => {
    const model = indexed(mica9);
    const touched = (action: 'replace' | 'inspect') =>
      functionsOfTasks(
        model,
        new Bench(model, undefined).open({ tasks: [{ slot: 'display', action }] }).state,
      );
    const moved = transfersOf(model, 'display').flatMap((slot) => functionsOf(model, slot));
    expect(moved.length).toBeGreaterThan(0);
    expect(touched('replace')).toEqual(expect.arrayContaining(moved.filter((f) => f !== 'notice')));
    expect(touched('inspect').toSorted()).toEqual(
      functionsOf(model, 'display')
        .filter((f) => f !== 'notice')
        .toSorted(),
    );
  });
  test('of what moves over also what no plug tells: it counts where the part is replaced, and not where it is looked at', () => {
    const odd = structuredClone(mica9);
    const others = new Set(functionsOf(index, 'display'));
    const own = functionIds.find((f) => !others.has(f) && f !== 'notice')!;
    odd.slots.find((s) => s.id === 'ear-speaker')!.functions = [own];
    const model = indexed(odd);
    const touched = (action: 'replace' | 'inspect') =>
      functionsOfTasks(
        model,
        new Bench(model, undefined).open({ tasks: [{ slot: 'display', action }] }).state,
      );
    expect([touched('replace').includes(own), touched('inspect').includes(own)]).toEqual([true, false]);
  });
  test('once the tasks are chosen, what they will touch is asked before anything is opened', () => {
    const b = new Bench(index, undefined);
    b.open({ tasks: [] });
    const before = () => checksDue(b.state, index, 'before').map((c) => c.function);
    const extra = functionsOf(index, 'camera').filter((f) => !mica9.shortList.includes(f));
    b.do({ type: 'taskSet', slot: 'display', action: 'replace' });
    const asked = before().filter((f) => !mica9.shortList.includes(f));
    expect(asked).toEqual(expect.arrayContaining(['ear-speaker', 'proximity']));
    expect(extra.every((f) => functionsOf(index, 'display').includes(f) || !asked.includes(f))).toBe(true);
    const d = b.do({ type: 'routeAdopted', routeHash: 'r', modelHash: 'h', variant: 'standard' });
    expect(d.findings.find((f) => f.rule === 'before check open')?.ids).toEqual(asked);
  });
});

describe('what the owner will notice', () => {
  test('follows from the model’s pairing rules for what is replaced', () => {
    const effects = effectsOf(index, ['cell']);
    expect(effects.map((e) => [e.id, e.effect])).toEqual([
      ['cell notice', 'notice'],
      ['cell battery', 'lost'],
    ]);
    expect(consentsNeeded(effects)).toHaveLength(2);
    expect(dataDue(effects)).toEqual([]);
    expect(dataDue(effectsOf(index, ['display', 'cell']))).toEqual(['display']);
    expect(effectsOf(index, ['loudspeaker'])).toEqual([]);
  });
  test('identity data of a replaced display holds the job open until it is verified or declined', () => {
    const b = opened().finish();
    b.do({ type: 'pieceFitted', slot: 'display', piece: 'display#2', pose: 'in' });
    const due = () =>
      b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).findings.map((f) => f.rule);
    expect(due()).toContain('identity data open');
    b.do({ type: 'dataWritten', slot: 'display', verified: false });
    expect(due()).toContain('identity data open');
    b.do({ type: 'dataDeclined', slot: 'display', reason: 'owner accepts the notice' });
    expect(due()).not.toContain('identity data open');
  });
});

test('where a device stands is read off its state: what the planner starts from', () => {
  const b = opened();
  for (let k = 0; k < 15; k++) b.next();
  expect(standingOf(b.state, index)).toMatchObject({
    fastenersOut: ['A1', 'A2', 'B1', 'B2'],
    connectorsOff: ['K-cell'],
    bondsOpen: ['seal'],
    catchesFree: ['hook-l', 'hook-r'],
    moved: [
      { slot: 'display', pose: 'folded' },
      { slot: 'cell-bracket', pose: 'out' },
    ],
    done: [],
    sealed: false,
  });
  b.finish();
  expect(standingOf(b.state, index)).toMatchObject({
    fastenersOut: [],
    connectorsOff: [],
    bondsOpen: [],
    moved: [],
    done: ['cell'],
    sealed: true,
    linerOff: true,
    midPassed: true,
  });
});

test('once something failed after work only what can tell is asked; as it came, all of it', () => {
  const due = (of: Record<string, boolean | undefined>): DueCheck[] =>
    Object.entries(of).map(([fn, works]) => ({
      ...{ function: fn, result: works === undefined ? undefined : works ? 'works' : 'fails' },
      passed: works === true,
    })) as DueCheck[];
  const names = (list: DueCheck[]) => list.map((c) => c.function);
  const mixed = due({ power: true, touch: false, picture: undefined });
  expect(names(toTell(mixed, 'mid'))).toEqual(['touch', 'picture']);
  expect(names(toTell(mixed, 'before'))).toHaveLength(3);
  expect(names(toTell(due({ power: true, touch: undefined }), 'after'))).toHaveLength(2);
});
