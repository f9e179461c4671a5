import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route, sprigModel, swollen } from '../testing/demo-models';
import { balance, unaccounted } from '../rules/balance';
import { stageOf } from './stage';
import { flag } from '../log/state';
import { openState } from '../log/view';

const cases = [
  ['Mica 9', mica9, 'standard', []],
  ['Mica 9 without tray', mica9, 'traceless', []],
  ['Mica 9, swollen', mica9, 'standard', swollen],
  ['Sprig', sprigModel, 'standard', []],
] as const;

describe.each(cases)('a cell replaced on %s', (_name, model, variant, conditions) => {
  const index = indexed(model, variant);
  const plan = route(model, { conditions: [...conditions] }, variant);

  test('every instruction of the route is accepted from first to last without an override', () => {
    const bench = new Bench(index, plan).open();
    for (const c of conditions)
      bench.do({ type: 'conditionSet', condition: c, because: 'panel stands proud' });
    bench.finish();
    expect(bench.log.filter((e) => e.breach || e.body.type === 'overridden')).toEqual([]);
    expect(openState(bench.state, index)).toBe('closed');
    expect(stageOf(bench.state, index, plan)).toBe('Hand over');
    const end = bench.do({ type: 'jobClosed', ending: 'handed over', note: '' });
    expect(end.refused).toBeUndefined();
    expect(flag(bench.state, 'ending')).toBe('handed over');
  });

  test('everything taken out is back or accounted for, and the cell is another one', () => {
    const bench = new Bench(index, plan).open().finish();
    expect(unaccounted(bench.state, index)).toEqual([]);
    expect(balance(bench.state, index)).toMatchObject({
      screwsOut: [],
      connectorsOff: [],
      piecesOut: [],
      bondsOpen: [],
      filmsOn: [],
      live: true,
    });
    expect(bench.state.place['cell#2']).toBe('slot/cell');
    expect(bench.state.place['cell#1']).toBe('aside/recycling');
  });

  test('the cell is the first connector off and the last on', () => {
    const moves = new Bench(index, plan)
      .open()
      .finish()
      .log.filter((e) => e.body.type === 'connectorOff' || e.body.type === 'connectorOn')
      .map((e) => e.body as { type: string; connector: string });
    expect(moves[0]).toEqual({ type: 'connectorOff', connector: index.cellConnector });
    expect(moves.at(-1)).toEqual({ type: 'connectorOn', connector: index.cellConnector });
  });
});

test('the stage follows the log from Receive to Hand over', () => {
  const index = indexed(mica9);
  const bench = new Bench(index, route(mica9));
  const seen: string[] = [stageOf(bench.state, index, bench.route)];
  bench.open();
  for (let k = 0; k < 500; k++) {
    const s = stageOf(bench.state, index, bench.route);
    if (s !== seen.at(-1)) seen.push(s);
    if (!bench.next()) break;
  }
  expect(seen.filter((s, i) => seen.indexOf(s) === i)).toEqual([
    'Receive',
    'Open',
    'Strip',
    'Swap',
    'Refit',
    'Prove',
    'Hand over',
  ]);
});
