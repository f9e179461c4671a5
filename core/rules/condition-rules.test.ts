import { expect, test } from 'vitest';
import type { Body } from '../log/events';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { conditionOf } from './condition-rules';

const mark = (kind: string, side = 'front'): Body =>
  ({ type: 'marked', mark: { id: 'm', side, x: 1, y: 1, kind } }) as Body;

test.each([
  [mark('panel standing proud'), 'swollen'],
  [mark('bent frame'), 'bent'],
  [mark('missing glass', 'back'), 'back glass missing'],
  [mark('missing glass', 'front'), undefined],
  [mark('crack'), undefined],
  [mark('foreign screw'), 'earlier repair'],
  [{ type: 'symptomSet', symptom: 'wet', on: true } as Body, 'wet'],
  [{ type: 'symptomSet', symptom: 'wet', on: false } as Body, undefined],
  [{ type: 'symptomSet', symptom: 'no-charge', on: true } as Body, undefined],
  [{ type: 'checked', round: 'before', function: 'touch', result: 'fails' } as Body, 'stuck on'],
  [{ type: 'checked', round: 'before', function: 'touch', result: 'works' } as Body, undefined],
  [{ type: 'checked', round: 'before', function: 'picture', result: 'fails' } as Body, undefined],
  [{ type: 'checked', round: 'mid', function: 'touch', result: 'fails' } as Body, undefined],
])('%j brings %s', (body, condition) => expect(conditionOf(body)?.condition).toBe(condition));

const bench = () => new Bench(indexed(mica9), route(mica9), 'p1', 'technician').open();
test.each([
  [{ type: 'testBegun', test: 'no-such-test' }, 'no-such-test'],
  [{ type: 'tested', test: 'clean-port', outcome: 'no-such-outcome' }, 'clean-port'],
  [{ type: 'causeStated', cause: 'no-such-cause', because: 'x' }, 'no-such-cause'],
  [{ type: 'screwOut', fastener: 'Z9', piece: 'Z9#1' }, 'Z9#1'],
  [{ type: 'connectorOff', connector: 'K-none' }, 'K-none'],
  [{ type: 'bondReleased', bond: 'no-bond', torn: false }, 'no-bond'],
  [{ type: 'catchFreed', catch: 'no-hook' }, 'no-hook'],
  [{ type: 'troubled', kind: 'stuck', thing: 'nothing' }, 'nothing'],
  [{ type: 'pieceSetAside', piece: 'display#1', to: 'recycling', with: ['screw:Z9#1'] }, 'Z9#1'],
  [{ type: 'pieceSetAside', piece: 'display#1', to: 'recycling', with: ['ghost#1'] }, 'ghost#1'],
] as [Body, string][])('%j names a thing that this device has not', (body, id) => {
  expect(bench().do(body).refused).toEqual({ code: 'unknown thing', id });
});
test.each([
  { type: 'testBegun', test: 'clean-port' },
  { type: 'causeStated', cause: 'none', because: 'nothing found' },
  { type: 'troubled', kind: 'stuck', thing: 'A1' },
] as Body[])('%j is known', (body) => {
  expect(bench().do(body).refused?.code).not.toBe('unknown thing');
});
