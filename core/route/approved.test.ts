import { expect, test } from 'vitest';
import type { DeviceModel } from '../model/schema';
import { methodRows } from '../methods/methods';
import { jobRouteInput } from '../progress/route-input-of-job';
import { allStations } from '../methods/catalogue';
import { Bench } from '../testing/bench';
import {
  atlas,
  dune2,
  dune3,
  indexed,
  mica4,
  mica9,
  mica9Wide,
  modelHash,
  replace,
  route,
  sprigModel,
  withMethods,
} from '../testing/demo-models';
import { otherwise, routeLines } from '../testing/print-route';
import { type Condition, conditions } from '../vocabulary/trade';
import type { RouteInput } from '../steps/route';
import { planRoute } from './plan';

// Routes as a person has read them, whole or as what they have otherwise than the usual one. Whatever changes a line of
// them is seen here: `vitest -u` writes them anew, and the difference is read before it is kept. What must hold of any
// route is checked against the model in whole-device.test.ts.
const kept = (name: string, lines: readonly string[]) =>
  expect(`${lines.join('\n')}\n`).toMatchFileSnapshot(`approved/${name}.txt`);

const shards: Condition[] = ['shattered', 'back glass missing'];
test.each<[string, DeviceModel, Partial<RouteInput>, string?]>([
  ['mica-9 display and cell', mica9, replace('display', 'cell')],
  ['mica-9 display, tried out of its bag', mica9, replace('display')],
  ['dune-3 housing with shards', dune3, { ...replace('frame', 'display'), conditions: shards }],
  ['mica-9-wide camera, southern', mica9Wide, replace('camera'), 'southern'],
  ['mica-4 cell', mica4, replace('cell')],
  ['dune-2 back glass', dune2, replace('back-glass')],
  ['dune-2 glass alone', dune2, replace('glass')],
  ['dune-3 identity chip', dune3, replace('id-chip')],
  ['dune-3 back, southern', dune3, replace('back'), 'southern'],
  ['sprig port', sprigModel, replace('port')],
  ['atlas face module', atlas, replace('face-module')],
  [
    'visits',
    mica9,
    {
      tasks: [
        { slot: 'camera', action: 'reseat' },
        { slot: 'port', action: 'reach' },
        { slot: 'board', action: 'rework' },
        { slot: 'loudspeaker', action: 'inspect' },
      ],
    },
  ],
])('%s', async (name, model, asked, variant) => {
  await kept(name.replaceAll(',', '').replaceAll(' ', '-'), routeLines(route(model, asked, variant)));
});

/** What several askings have otherwise than the usual one: a new display and a new cell. */
const others = (model: DeviceModel, askings: readonly (readonly [string, Partial<RouteInput>])[]) => {
  const of = (more: Partial<RouteInput>) =>
    routeLines(route(model, { ...replace('display', 'cell'), ...more }));
  const usual = of({});
  return askings.flatMap(([name, more]) => [`== ${name}`, ...otherwise(usual, of(more))]);
};
test.each([
  ['mica-9', mica9],
  ['dune-2', dune2],
] as const)('what each other house method changes on %s', async (name, model) => {
  const askings = methodRows.flatMap((row) =>
    row.options
      .filter((option) => option.id !== row.default)
      .map((option) => [`${row.id}: ${option.id}`, withMethods({ [row.id]: option.id })] as const),
  );
  await kept(`methods-${name}`, others(model, askings));
});
test('what each condition changes', async () => {
  const sets: Condition[][] = [
    ...conditions.map((c) => [c]),
    ['shattered', 'stuck on'],
    ['swollen', 'shattered'],
  ];
  await kept(
    'conditions',
    others(
      mica9,
      sets.map((set) => [set.join(', '), { conditions: set }]),
    ),
  );
});
test('what stations that are not there change', async () => {
  const without = (...gone: string[]) =>
    [`without ${gone.join(', ')}`, { stations: allStations.filter((s) => !gone.includes(s)) }] as const;
  await kept('stations', others(mica9, [...allStations.map((s) => without(s)), without(...allStations)]));
});

test('what is left from where a device stands, planned again', async () => {
  const index = indexed(mica9);
  const asked = replace('display', 'cell');
  const whole = route(mica9, asked);
  const usual = routeLines(whole);
  const means = { methods: {}, stations: allStations, hourlyRateMinor: 6000 };
  const bench = new Bench(index, whole).open(asked);
  const out: string[] = [];
  for (let press = 0; bench.next(); press++) {
    if (press % 12 !== 5) continue;
    const again = planRoute(index, modelHash(mica9), jobRouteInput(means, index, bench.state));
    if ('infeasible' in again) throw new Error(JSON.stringify(again));
    const left = routeLines(again);
    // what comes is what the first route did not say; what is done and goes is only counted
    const come = otherwise(usual, left).filter((line) => line.startsWith('+'));
    out.push(`== after ${press + 1} presses: ${again.steps.length} steps, the first: ${left[0]}`, ...come);
  }
  await kept('planned-again', out);
});
