import { decide } from '../core/rules/decide';
import { fold } from '../core/log/evolve';
import { empty } from '../core/log/state';
import { Bench } from '../core/testing/bench';
import { indexed, mica9, route } from '../core/testing/demo-models';
import { figure, median } from './figures';

/** A log of at least n events that the app could have written: a repair with screws going in and out. */
export function longLog(n: number): Bench {
  const bench = new Bench(indexed(mica9), route(mica9)).open();
  for (let k = 0; k < 40; k++) bench.next();
  while (bench.log.length < n) {
    for (const f of ['B3', 'B4', 'C1', 'C2', 'C3', 'C4'])
      bench.do({ type: 'screwOut', fastener: f, piece: `${f}#1` });
    for (const f of ['B3', 'B4', 'C1', 'C2', 'C3', 'C4'])
      bench.do({ type: 'screwIn', fastener: f, piece: `${f}#1` });
  }
  return bench;
}
export function benchCore(): void {
  const log = longLog(500).log.slice(0, 500);
  const times: number[] = [];
  for (let k = 0; k < 60; k++) {
    const t = performance.now();
    fold(empty(), log);
    times.push(performance.now() - t);
  }
  const perSecond = 500 / (median(times.slice(10)) / 1000);
  figure({
    what: 'core: events folded',
    value: perSecond,
    unit: '1/s',
    aim: '>= 100000',
    ok: perSecond >= 100_000,
  });
  const bench = longLog(500);
  const decides: number[] = [];
  for (let k = 0; k < 300; k++) {
    const t = performance.now();
    decide(bench.context, bench.state, {
      id: `x${k}`,
      job: 'j',
      body: { type: 'screwOut', fastener: 'B3', piece: 'B3#1' },
      at: bench.at,
      clockKnown: true,
    });
    decides.push(performance.now() - t);
  }
  const ms = median(decides.slice(50));
  figure({ what: 'core: decide on a job with 500 events', value: ms, unit: 'ms', aim: '< 1', ok: ms < 1 });
  const plans: number[] = [];
  for (let k = 0; k < 20; k++) {
    const t = performance.now();
    route(mica9, { hourlyRateMinor: 6000 + k });
    plans.push(performance.now() - t);
  }
  figure({ what: 'core: a route planned and proved (Mica 9, cell)', value: median(plans), unit: 'ms' });
}
