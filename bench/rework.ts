import { findStencils, type Stencil } from '../core/rework/stencil';
import { reworkProfile } from '../core/rework/profile';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { figure, median } from './figures';

/** Stencils as a large shop would have them: fields of 4 to 24 rows, three pitches. */
function manyStencils(count: number): Stencil[] {
  const random = xoroshiro128plus(5);
  return Array.from({ length: count }, (_, k) => {
    const [rows, columns] = [uniformInt(random, 4, 24), uniformInt(random, 4, 24)];
    const pattern = Array.from({ length: rows }, () =>
      Array.from({ length: columns }, () => (uniformInt(random, 1, 10) <= 8 ? '1' : '0')).join(''),
    );
    return { id: `s${k}`, pitchMm: [0.35, 0.4, 0.5][uniformInt(random, 0, 2)]!, pattern };
  });
}
function timed(times: number, work: () => void): number {
  const taken: number[] = [];
  for (let k = 0; k < times; k++) {
    const from = performance.now();
    work();
    taken.push(performance.now() - from);
  }
  return median(taken.slice(1));
}
/** The search over a list of stencils, and a profile with its draws. */
export function benchRework(): void {
  const stencils = manyStencils(5000);
  const pattern = ['1111111', '1111111', '1100011', '1100011', '1111111', '1111111'];
  const search = timed(9, () => findStencils({ pitchMm: 0.4, pattern }, stencils));
  figure({
    what: 'rework: search over 5000 stencils',
    value: search,
    unit: 'ms',
    aim: '< 50',
    ok: search < 50,
  });
  const chip = {
    ...{ widthMm: 3.1, heightMm: 2.7, thicknessMm: 0.5, balls: 38, ballMm: 0.25 },
    ...{ flexC: 330, panelC: 85 },
  };
  const nozzle = { setC: 280, airPercent: 60, distanceMm: 10, nozzleMm: 6, barriers: 2 };
  const profile = timed(9, () =>
    reworkProfile({ chip, nozzle, liquidusC: 220, seconds: 180, draws: 200, seed: 1 }),
  );
  figure({
    what: 'rework: profile with 200 draws',
    value: profile,
    unit: 'ms',
    aim: '< 200',
    ok: profile < 200,
  });
}
