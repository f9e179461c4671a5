import { describe, expect, test } from 'vitest';
import { instruct } from '../progress/instruct';
import { isLive, isOn } from '../log/view';
import { bootConnectors, counts } from '../model/system';
import { Bench } from '../testing/bench';
import { atlas, dune3, indexed, mica4, mica9, replace, route, sprigModel } from '../testing/demo-models';
import { trialPlugs } from './trial';
import { allStations } from '../methods/catalogue';
import { defaultMethods } from '../methods/methods';
import { asItCame } from '../steps/route';

const display = replace('display');
const setting = (m: typeof mica9, more = {}) => ({
  index: indexed(m),
  standing: asItCame,
  methods: defaultMethods,
  conditions: [],
  hourlyRateMinor: 6000,
  stations: allStations,
  force: {},
  remedies: {},
  ...more,
});

describe('a new display tried out of its bag', () => {
  test.each([mica9, mica4, dune3])(
    '$name: its plugs and those of the boot rule on, the cell on, tested, and all off again',
    (m) => {
      const index = indexed(m);
      const b = new Bench(index, route(m, display)).open(display);
      let live: string[] | undefined;
      for (let k = 0; k < 500; k++) {
        const i = instruct(b.context, b.state, { at: b.at, clockKnown: true });
        if (i.kind === 'do' && i.body.type === 'acted' && i.body.act === 'test part') {
          live = index.model.connectors.filter((c) => isOn(b.state, c.id)).map((c) => c.id);
          expect(isLive(b.state, index)).toBe(true);
          expect(i.findings).toEqual([]);
        }
        if (!b.next()) break;
      }
      expect(live).toEqual(expect.arrayContaining(bootConnectors(index, undefined)));
      expect(b.log.filter((e) => e.breach)).toEqual([]);
      const bodies = b.log.map((e) => e.body);
      const tested = bodies.findIndex((x) => x.type === 'acted' && x.act === 'test part');
      const after = bodies.slice(tested + 1);
      // switched off before the cell is unplugged
      expect(after[0]).toMatchObject({ type: 'acted', act: 'switch off' });
      expect(after[1]).toEqual({ type: 'connectorOff', connector: index.cellConnector });
      // nothing is moved over before the trial is over
      expect(after.findIndex((x) => x.type === 'pieceFitted')).toBeGreaterThan(
        after.findIndex((x) => x.type === 'connectorOff' && x.connector !== index.cellConnector),
      );
    },
  );
  test('where the sensors sit on the old display and do not reach, it is tested assembled, and that is said', () => {
    expect(trialPlugs(setting(atlas), 'display')).toBeUndefined();
    const r = route(atlas, display);
    expect(r.steps.map((s) => s.action)).not.toContain('test part');
    expect(r.steps.find((s) => s.round === 'mid')!.cautions).toContain('first-test-now');
  });
  test('no opened device is switched on over a damaged cell', () => {
    expect(trialPlugs(setting(mica9, { conditions: ['swollen'] }), 'display')).toBeUndefined();
  });
  test('planned again in the middle of it, the trial is ended before anything else', () => {
    const b = new Bench(indexed(mica9), route(mica9, display)).open(display);
    for (let k = 0; k < 500 && !b.standing().trial?.connectors.includes('K-cell'); k++) b.next();
    const again = route(mica9, { ...display, standing: b.standing() });
    expect(again.steps.slice(0, 4).map((s) => [s.action, s.targets])).toEqual([
      ['test part', ['display']],
      ['switch off', ['device:trial']],
      ['disconnect', ['K-cell']],
      ['disconnect', ['K-panel', 'K-touch', 'K-sensor']],
    ]);
  });
});

describe('a test with nothing plugged in', () => {
  const b = () => new Bench(indexed(sprigModel), undefined).open(replace('display'));
  test('without the cell it tells nothing, whatever is tested', () => {
    const bench = b();
    bench.do({ type: 'connectorOff', connector: bench.index.cellConnector! });
    const d = bench.do({ type: 'acted', act: 'test part', target: 'display' });
    expect(d.events[0]!.breach).toContainEqual({ rule: 'tested without the cell', ids: ['display'] });
  });
  test('without a plug of the boot rule a good part is called bad', () => {
    const bench = b();
    bench.do({ type: 'connectorOff', connector: bench.index.cellConnector! });
    bench.do({ type: 'connectorOff', connector: 'K-panel' });
    const d = bench.do({ type: 'acted', act: 'test part', target: 'display' });
    expect(d.events[0]!.breach).toContainEqual({ rule: 'tested without its plugs', ids: ['K-panel'] });
  });
});

test('a rule from a system version on counts for it and later ones; of an unknown version that cannot be said', () => {
  expect(counts({}, undefined)).toBe(true);
  expect(counts({ systemFrom: '14' }, '14')).toBe(true);
  expect(counts({ systemFrom: '14' }, '14.2')).toBe(true);
  expect(counts({ systemFrom: '14.3' }, '14.2')).toBe(false);
  expect(counts({ systemFrom: '9' }, '14')).toBe(true);
  expect(counts({ systemFrom: '14' }, undefined)).toBeUndefined();
  const index = indexed(dune3);
  expect(bootConnectors(index, '13')).toEqual([]);
  expect(bootConnectors(index, '14')).toEqual(bootConnectors(index, undefined));
});
