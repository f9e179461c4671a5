import { checkModel } from '../core/model/check-model';
import { columnsOf } from '../core/heat/columns';
import { heatWindow } from '../core/heat/heat-window';
import { leakOf } from '../core/leak/leak';
import { atlas, indexed, mica9 } from '../core/testing/demo-models';
import { materialOf } from '../core/thermal/materials';
import { soak } from '../core/thermal/soak';
import { sourceOf } from '../core/thermal/sources';
import { figure, median } from './figures';

/** The median of some runs, the first ones aside. */
function timed(runs: number, work: () => unknown): number {
  const times: number[] = [];
  for (let k = 0; k < runs; k++) {
    const from = performance.now();
    work();
    times.push(performance.now() - from);
  }
  return median(times.slice(Math.floor(runs / 4)));
}
/** What is computed at the bench beside the route: heat, leaks, and models while they are edited. */
export function benchMeasured(): void {
  const columns = columnsOf(indexed(mica9), 'seal');
  const source = sourceOf('hot-plate')!;
  const readings = [60, 120].map((atS) => ({ atS, glassC: 65 + atS / 60 }));
  const window = (read: typeof readings) =>
    heatWindow({ columns, source, setC: 80, onHeat: [], readings: read });
  // the two columns as they likely are, on a plate of 80 C
  const layers = [columns.edge, columns.cell!].map((column) =>
    column.map(({ name, material, thicknessMm }) => {
      const { kWmK, densityKgM3, cpJkgK } = materialOf(material);
      const own = { kWmK: kWmK.likely, densityKgM3: densityKgM3.likely, cpJkgK: cpJkgK.likely };
      return { name, thicknessMm: thicknessMm.likely, ...own };
    }),
  );
  const phases = [{ fromS: 0, bottom: { plateC: 80, contactM2KW: 4e-4 }, top: { airC: 22, hWm2K: 9 } }];
  const once = timed(40, () =>
    layers.map((column) =>
      soak({
        ...{ layers: column, phases, startC: 22, seconds: 600 },
        probes: [{ name: 'middle', layer: column[1]!.name, at: 0.5 }],
      }),
    ),
  );
  figure({
    what: 'heat: one soak of 10 min, two columns',
    value: once,
    unit: 'ms',
    aim: '< 5',
    ok: once < 5,
  });
  const band = timed(8, () => window([]));
  figure({ what: 'heat: a window with its band', value: band, unit: 'ms', aim: '< 300', ok: band < 300 });
  const read = timed(8, () => window(readings));
  figure({ what: 'heat: the same with two readings', value: read, unit: 'ms', aim: '< 450', ok: read < 450 });
  const samples = Array.from({ length: 600 }, (_, n) => {
    const tS = n / 20;
    const noise = Math.sin(n * 12.9898) * 3;
    return { tS, pPa: -20_000 + 1.4 * tS + 120 * (1 - Math.exp(-tS / 5)) + noise };
  });
  const leak = timed(30, () => leakOf({ volumeMl: 80, samples, ambientPa: 101_325, holdS: 30, limitPaS: 2 }));
  figure({ what: 'leak: 600 readings fitted', value: leak, unit: 'ms', aim: '< 20', ok: leak < 20 });
  const check = timed(12, () => checkModel(structuredClone(atlas)));
  figure({ what: 'model: Atlas checked', value: check, unit: 'ms', aim: '< 50', ok: check < 50 });
}
