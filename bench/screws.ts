import { layOutMat } from '../core/screws/mat-layout';
import { sortScrews } from '../core/screws/sort-screws';
import { heapOf, holesOf } from '../core/testing/screws-generator';
import { figure, median } from './figures';

const timed = (f: () => unknown): number => {
  const t = performance.now();
  f();
  return performance.now() - t;
};

/** The heap of a knocked mat, and the mat of a device. */
export function benchScrews(): void {
  const heaps = Array.from({ length: 15 }, (_, i) => heapOf(i + 1, 120, 2, 1));
  for (const h of heaps.slice(0, 3)) sortScrews(h);
  const sort = median(heaps.map((h) => timed(() => sortScrews(h))));
  figure({
    what: 'screws: 120 sorted, with doubts, median of 15',
    value: sort,
    unit: 'ms',
    aim: '< 50',
    ok: sort < 50,
  });
  const devices = Array.from({ length: 9 }, (_, i) => holesOf(i + 1, 120));
  const lay = median(
    devices.map((d) =>
      timed(() =>
        layOutMat(
          Array.from({ length: 12 }, (_, k) => d.slice(k * 10, k * 10 + 10)),
          { widthMm: 72, heightMm: 148 },
        ),
      ),
    ),
  );
  figure({
    what: 'screws: mat of 120 on its pages, median of 9',
    value: lay,
    unit: 'ms',
    aim: '< 200',
    ok: lay < 200,
  });
}
