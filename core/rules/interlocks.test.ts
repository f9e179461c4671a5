import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route, sprigModel, swollen } from '../testing/demo-models';
import { checksDue } from '../checks/due';
import { dueAtEnd } from './due-at-end';
import { instruct } from '../progress/instruct';
import { leastWaits, secondsLeft } from './interlock';
import { stageOf } from '../progress/stage';

const index = indexed(mica9);
const bench = (role: 'owner' | 'lead' | 'technician' | 'trainee' = 'technician') =>
  new Bench(index, route(mica9), 'p1', role).open();
const until = (b: Bench, action: string) => {
  for (let k = 0; k < 300; k++) {
    const i = instruct(b.context, b.state, { at: b.at, clockKnown: true });
    if ((i.kind === 'do' || i.kind === 'checks') && i.step.action === action) return b;
    b.next();
  }
  throw new Error(`never came to ${action}`);
};

describe('cell first off, last on', () => {
  test('a connector that moves while the cell is on is recorded, and asks what happened', () => {
    const b = bench();
    const d = b.do({ type: 'connectorOff', connector: 'K-panel' });
    expect(d.events).toHaveLength(1);
    expect(d.events[0]!.breach).toEqual([{ rule: 'cell first off', ids: ['K-cell'] }]);
    expect(instruct(b.context, b.state, { at: b.at, clockKnown: true })).toMatchObject({
      kind: 'question',
      rule: 'cell first off',
    });
  });
  test('until the question is answered no gate opens', () => {
    const b = bench();
    b.do({ type: 'connectorOff', connector: 'K-panel' });
    expect(b.do({ type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' }).refused).toMatchObject(
      {
        code: 'interlock',
      },
    );
    b.do({
      type: 'answered',
      question: Object.keys(b.state.question)[0]!,
      answer: 'panel flex checked, no damage',
    });
    expect(
      b.do({ type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' }).refused,
    ).toBeUndefined();
  });
  test('with a typed reason it is an override that stays in the record instead', () => {
    const d = bench().do(
      { type: 'connectorOff', connector: 'K-panel' },
      { override: { rules: ['cell first off'], reason: 'cell connector broken off' } },
    );
    expect(d.events.map((e) => e.body.type)).toEqual(['overridden', 'connectorOff']);
    expect(d.events[1]!.breach).toBeUndefined();
  });
  test('a trainee’s override counts only when a second person has confirmed it', () => {
    const alone = bench('trainee').do(
      { type: 'connectorOff', connector: 'K-panel' },
      { override: { rules: ['cell first off'], reason: 'because' } },
    );
    expect(alone.events[0]!.breach).toHaveLength(1);
    const two = bench('trainee').do(
      { type: 'connectorOff', connector: 'K-panel' },
      { override: { rules: ['cell first off'], reason: 'because', confirmedBy: 'p2' } },
    );
    expect(two.events[0]!.body).toMatchObject({ type: 'overridden', confirmedBy: 'p2' });
  });
});

describe('heat', () => {
  test('a swollen cell is never heated, by nobody, with whatever reason', () => {
    for (const role of ['owner', 'lead', 'technician'] as const) {
      const b = bench(role);
      b.do({ type: 'conditionSet', condition: 'swollen', because: 'panel stands proud' });
      expect(
        b.do(
          { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' },
          { override: { rules: ['no heat on this cell'], reason: 'quick' } },
        ).refused,
      ).toMatchObject({
        code: 'interlock',
        findings: [{ rule: 'no heat on this cell', severity: 'forbid', ids: ['swollen'] }],
      });
    }
  });
  test('a panel standing proud on arrival sets the device to swollen; only an owner or lead clears it', () => {
    const b = bench();
    b.do({ type: 'marked', mark: { id: 'm1', side: 'front', x: 60, y: 70, kind: 'panel standing proud' } });
    expect(b.state.condition.swollen).toMatchObject({ because: 'panel standing proud' });
    expect(b.do({ type: 'conditionCleared', condition: 'swollen', reason: 'flat' }).refused).toMatchObject({
      code: 'interlock',
    });
    const lead = new Bench(index, route(mica9), 'p2', 'lead');
    lead.state = b.state;
    expect(
      lead.do({ type: 'conditionCleared', condition: 'swollen', reason: 'cell seen, flat' }).refused,
    ).toBeUndefined();
    expect(lead.state.condition.swollen).toBeNull();
  });
  test('heat waits for solvent to flash off, solvent for the device to cool (waits from memory)', () => {
    const b = bench();
    b.do({ type: 'solventApplied', bond: 'seal', dwellS: 60 });
    expect(b.do({ type: 'heatStarted', station: 'hot-plate', forS: 60, hot: 'said' }).refused).toMatchObject({
      findings: [{ rule: 'solvent still wet', severity: 'forbid' }],
    });
    b.at += 61_000;
    expect(
      b.do({ type: 'heatStarted', station: 'hot-plate', forS: 60, hot: 'said' }).refused,
    ).toBeUndefined();
    expect(b.do({ type: 'solventApplied', bond: 'seal', dwellS: 60 }).refused).toMatchObject({
      findings: [{ rule: 'still hot', ids: ['hot-plate'] }],
    });
    b.do({ type: 'heatEnded' });
    expect(b.do({ type: 'solventApplied', bond: 'seal', dwellS: 60 }).refused).toMatchObject({
      findings: [{ rule: 'still hot' }],
    });
    b.at += leastWaits.coolingS * 1000;
    expect(b.do({ type: 'solventApplied', bond: 'seal', dwellS: 60 }).refused).toBeUndefined();
  });
  test('a clock that is not known, or runs backwards, ends no wait', () => {
    const since = { at: 1_000_000, clockKnown: true };
    expect(secondsLeft(since, 60, { at: 1_030_500, clockKnown: true })).toBe(30);
    expect(secondsLeft(since, 60, { at: 1_090_000, clockKnown: true })).toBe(0);
    expect(secondsLeft(since, 60, { at: 1_090_000, clockKnown: false })).toBe(60);
    expect(secondsLeft(since, 60, { at: 999_000, clockKnown: true })).toBe(60);
    expect(secondsLeft({ ...since, clockKnown: false }, 60, { at: 1_090_000, clockKnown: true })).toBe(60);
    expect(secondsLeft(undefined, 60, { at: 0, clockKnown: false })).toBe(0);
  });
});

describe('the gates at the end, in their order', () => {
  test('the seal waits for a clean rim and the mid check', () => {
    const b = until(bench(), 'clean rim');
    expect(b.do({ type: 'sealApplied', bond: 'seal' }).refused).toMatchObject({
      findings: [{ rule: 'rim not clean' }],
    });
    const early = until(bench(), 'connect');
    early.do({ type: 'rimCleaned' });
    expect(early.do({ type: 'sealApplied', bond: 'seal' }).findings.map((f) => f.rule)).toContain(
      'mid check open',
    );
  });
  test('the device closes only with everything inside, the liner off, and the check still good', () => {
    const b = until(bench(), 'liner off');
    const early = b.do({ type: 'deviceClosed' });
    expect(early.refused).toMatchObject({
      code: 'interlock',
      findings: [{ rule: 'seal missing', ids: ['liner'] }],
    });
    b.do({ type: 'connectorOff', connector: 'K-cell' });
    b.do({ type: 'connectorOn', connector: 'K-cell' });
    const stale = b.do({ type: 'deviceClosed' }).findings.find((f) => f.rule === 'mid check open');
    expect(stale?.ids).toEqual(['battery']);
  });
  test('a technician does not pass “not all inside”, a lead does, with a reason', () => {
    const b = until(bench(), 'fit');
    const ask = { type: 'deviceClosed' as const };
    const rules = b.do(ask).findings.map((f) => f.rule);
    expect(rules).toContain('not all inside');
    expect(b.do(ask, { override: { rules, reason: 'for transport' } }).refused).toMatchObject({
      code: 'interlock',
    });
    const lead = new Bench(index, b.route, 'p2', 'lead');
    lead.state = b.state;
    lead.at = b.at;
    expect(lead.do(ask, { override: { rules, reason: '   ' } }).refused).toMatchObject({
      code: 'reason missing',
    });
    expect(
      lead
        .do(ask, { override: { rules, reason: 'for transport' } })
        .events.filter((e) => e.body.type === 'overridden')
        .map((e) => (e.body as { rule: string }).rule)
        .toSorted(),
    ).toEqual(rules.toSorted());
  });
  test('a job ends in three ways, each with a due list of its own', () => {
    const b = until(bench(), 'fit');
    const due = (ending: 'handed over' | 'declined' | 'abandoned') =>
      dueAtEnd(
        { index, state: b.state, waits: leastWaits, role: 'technician', now: { at: b.at, clockKnown: true } },
        ending,
      ).map((f) => f.rule);
    expect(due('handed over')).toEqual(['device open', 'ledger does not balance', 'after check open']);
    expect(due('declined')).toEqual(['device open', 'ledger does not balance']);
    expect(due('abandoned')).toEqual([]);
    b.do({ type: 'lost', piece: 'B1#1' });
    expect(due('abandoned')).toEqual(['ledger does not balance']);
  });
  test('what the owner was not told, and a test enrolment, hold the job open', () => {
    const b = bench();
    for (let k = 0; k < 300 && b.next(); k++);
    b.do({
      type: 'quoted',
      p10Minor: 1,
      p50Minor: 2,
      p90Minor: 3,
      meanMinor: 2,
      limitMinor: null,
      chance: null,
      replacementMinor: null,
      advice: 'repair',
    });
    b.do({ type: 'enrolled', what: 'face' });
    const d = b.do({ type: 'jobClosed', ending: 'handed over', note: '' });
    expect(d.findings.map((f) => [f.rule, f.ids])).toEqual([
      ['consent open', ['price']],
      ['enrolment left', ['face']],
    ]);
  });
});

describe('checks', () => {
  test('what is due follows from what was touched', () => {
    const b = until(bench(), 'clean rim');
    const mid = checksDue(b.state, index, 'mid');
    expect(mid.find((c) => c.function === 'loudspeaker')!.because).toEqual(
      expect.arrayContaining(['K-speak', 'loudspeaker']),
    );
    expect(mid.map((c) => c.function)).not.toContain('cameras');
    expect(checksDue(b.state, index, 'after').map((c) => c.function)).toContain('cameras');
  });
  test('as before and accepted passes, does not work leads back', () => {
    const b = until(bench(), 'check');
    b.answer('mid', 'works');
    b.do({ type: 'checked', round: 'mid', function: 'loudspeaker', result: 'fails' });
    expect(stageOf(b.state, index, b.route)).toBe('Refit');
    b.do({ type: 'checked', round: 'mid', function: 'loudspeaker', result: 'same' });
    expect(stageOf(b.state, index, b.route)).toBe('Prove');
  });
  test('a check with the cell off is asked about', () => {
    const b = until(bench(), 'fit');
    expect(
      b.do({ type: 'checked', round: 'mid', function: 'picture', result: 'works' }).events[0]!.breach,
    ).toEqual([{ rule: 'tested without the cell', ids: ['picture'] }]);
  });
});

describe('taking back', () => {
  test('only one’s own, only the latest, and never heat that was given', () => {
    const b = bench();
    b.next();
    const first = b.state.trail.at(-1)!.event;
    b.next();
    expect(b.do({ type: 'retracted', event: first }).refused).toMatchObject({ code: 'not the latest' });
    const other = new Bench(index, b.route, 'p2');
    other.state = b.state;
    expect(other.do({ type: 'retracted', event: b.state.trail.at(-1)!.event }).refused).toMatchObject({
      code: 'somebody else’s',
      by: 'p1',
    });
    b.do({ type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' });
    expect(b.do({ type: 'retracted', event: b.state.trail.at(-1)!.event }).refused).toMatchObject({
      code: 'cannot be taken back',
      why: 'heat given',
    });
  });
});

test('a gate that a bench passed on its own copy is recorded with a breach, not denied; what needs the server is refused', () => {
  const b = bench();
  b.do({ type: 'conditionSet', condition: 'swollen', because: 'seen by another bench' });
  const late = b.do({ type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' }, { passedAt: 3 });
  expect(late.events[0]).toMatchObject({
    decidedAt: 3,
    breach: [{ rule: 'no heat on this cell', ids: ['swollen'] }],
  });
  expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }, { passedAt: 3 }).refused).toMatchObject(
    { code: 'interlock' },
  );
});

test('the swollen route on Sprig heats nothing and ends like any other', () => {
  const b = new Bench(indexed(sprigModel), route(sprigModel, { conditions: swollen })).open();
  b.do({ type: 'conditionSet', condition: 'swollen', because: 'seen' });
  b.finish();
  expect(b.log.some((e) => e.body.type === 'heatStarted')).toBe(false);
  expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
});

test('a seal left off on purpose is a state of the job: it closes without one, and no liner is asked for', () => {
  const b = until(bench(), 'apply seal');
  b.do({ type: 'leftUnsealed', reason: 'second opening is planned' });
  b.finish();
  expect(b.log.some((e) => e.body.type === 'sealApplied' || e.body.type === 'linerOff')).toBe(false);
  expect(b.log.filter((e) => e.breach)).toEqual([]);
  expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
});
test('masking tape that was put on holds the device open until it is off', () => {
  const b = until(bench(), 'close');
  b.do({ type: 'maskOn', mask: 'tape' });
  expect(b.do({ type: 'deviceClosed' }).refused).toMatchObject({
    findings: [{ rule: 'film still on', ids: ['tape'] }],
  });
  b.do({ type: 'maskOff', mask: 'tape' });
  expect(b.do({ type: 'deviceClosed' }).refused).toBeUndefined();
});

describe('screws and strips in trouble', () => {
  test('a screw measured longer than its hole bears is stopped on its way back, by its own measure', () => {
    const b = bench();
    b.do({ type: 'screwOut', fastener: 'B1', piece: 'B1#1' });
    b.do({ type: 'screwMeasured', piece: 'B1#1', lengthMm: 2.4 });
    expect(b.do({ type: 'screwIn', fastener: 'B1', piece: 'B1#1' }).events[0]!.breach).toEqual([
      { rule: 'screw too long', ids: ['B1#1', 'B1'] },
    ]);
    const good = bench();
    good.do({ type: 'screwOut', fastener: 'B1', piece: 'B1#1' });
    good.do({ type: 'screwMeasured', piece: 'B1#1', lengthMm: 1.24 });
    expect(good.do({ type: 'screwIn', fastener: 'B1', piece: 'B1#1' }).findings).toEqual([]);
  });
  test('a substitute is judged by what it is, not by the hole that it is for', () => {
    const b = bench();
    b.do({ type: 'screwOut', fastener: 'B1', piece: 'B1#1' });
    b.do({ type: 'lost', piece: 'B1#1' });
    const spare = '00000000-0000-4000-8000-000000000009';
    expect(
      b.do({
        type: 'substituted',
        fastener: 'B1',
        piece: 'B1#2',
        spare,
        drive: 'Y000',
        thread: 'M1.2',
        lengthMm: 1.6,
        headMm: 1.8,
      }).refused,
    ).toMatchObject({
      code: 'interlock',
      findings: [{ rule: 'substitute does not fit', severity: 'forbid' }],
    });
    expect(
      b.do({
        type: 'substituted',
        fastener: 'B1',
        piece: 'B1#2',
        spare,
        drive: 'Y000',
        thread: 'M1.2',
        lengthMm: 1.1,
        headMm: 1.8,
      }).refused,
    ).toBeUndefined();
    expect(b.do({ type: 'screwIn', fastener: 'B1', piece: 'B1#2' }).findings).toEqual([]);
    // the hole is filled; the one that was lost is adrift all the same
    expect(b.do({ type: 'deviceClosed' }).findings.find((f) => f.rule === 'piece adrift')?.ids).toEqual([
      'B1#1',
    ]);
  });
  test('a torn strip holds until alcohol has been under it for its time', () => {
    const b = until(bench(), 'release');
    while (!(b.state.bond['strip-tl'] || b.state.bond['strip-bl'])) {
      const i = instruct(b.context, b.state, { at: b.at, clockKnown: true });
      if (i.kind === 'do' && i.step.action === 'release' && i.target.startsWith('strip')) {
        b.do({ type: 'bondReleased', bond: i.target, torn: true });
        break;
      }
      b.next();
    }
    const torn = Object.keys(b.state.bond).find((x) => b.state.bond[x] === 'torn')!;
    for (let k = 0; k < 40; k++) {
      const i = instruct(b.context, b.state, { at: b.at, clockKnown: true });
      if (i.kind === 'do' && i.step.action === 'move' && i.target === 'cell') break;
      b.next();
    }
    const i = instruct(b.context, b.state, { at: b.at, clockKnown: true });
    expect(i).toMatchObject({
      kind: 'do',
      target: 'cell',
      findings: [{ rule: 'torn and still stuck', ids: [torn] }],
    });
    expect(b.do({ type: 'solventApplied', bond: torn, dwellS: 60 }).refused).toBeUndefined();
    const from = b.at;
    expect(instruct(b.context, b.state, { at: from, clockKnown: true })).toMatchObject({ kind: 'waiting' });
    expect(instruct(b.context, b.state, { at: from + 61_000, clockKnown: true })).toMatchObject({
      kind: 'do',
      target: 'cell',
      findings: [],
    });
  });
  test('trouble that stands shuts the device only when it is settled; a finding for the model does not', () => {
    const b = bench();
    b.do({ type: 'troubled', kind: 'bad thread', thing: 'B1' });
    b.do({ type: 'troubled', kind: 'not as the model says', thing: 'B2' });
    expect(b.do({ type: 'deviceClosed' }).findings.find((f) => f.rule === 'trouble open')?.ids).toEqual([
      'bad thread B1',
    ]);
    b.do({ type: 'troubleEnded', kind: 'bad thread', thing: 'B1', how: 'longer screw holds' });
    expect(b.do({ type: 'deviceClosed' }).findings.some((f) => f.rule === 'trouble open')).toBe(false);
  });
  test('reseating is a movement: with the cell on it is asked about, and what was tested before is stale', () => {
    const b = bench();
    expect(b.do({ type: 'reseated', connector: 'K-panel' }).events[0]!.breach).toEqual([
      { rule: 'cell first off', ids: ['K-cell'] },
    ]);
    const off = until(bench(), 'check');
    off.answer('mid', 'works');
    off.do({ type: 'connectorOff', connector: 'K-cell' });
    off.do({ type: 'reseated', connector: 'K-panel' });
    off.do({ type: 'connectorOn', connector: 'K-cell' });
    expect(checksDue(off.state, index, 'mid').find((c) => c.function === 'picture')?.stale).toContain(
      'K-panel',
    );
  });
});
