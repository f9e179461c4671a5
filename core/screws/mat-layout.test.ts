import fc from 'fast-check';
import load from 'highs';
import { describe, expect, test } from 'vitest';
import { indexed, shippedModels } from '../testing/demo-models';
import { holesOf } from '../testing/screws-generator';
import { layOutMat, type MatCell, type MatPoint, matPage, sameMm } from './mat-layout';
import { matOf } from './mat-of';
import { type Gap, leastSquares } from './separation';

const device = { widthMm: 72, heightMm: 148 };

/** The three promises of the mat, judged from the cells alone. */
function holdsUp(points: readonly MatPoint[], cells: readonly MatCell[]): void {
  const at = new Map(cells.map((c) => [c.id, c]));
  expect(at.size).toBe(points.length);
  for (const c of cells) {
    expect(c.x).toBeGreaterThanOrEqual(matPage.cellWidthMm / 2 - 1e-6);
    expect(c.x).toBeLessThanOrEqual(matPage.widthMm - matPage.cellWidthMm / 2 + 1e-6);
    expect(c.y).toBeGreaterThanOrEqual(matPage.cellHeightMm / 2 - 1e-6);
    expect(c.y).toBeLessThanOrEqual(matPage.heightMm - matPage.cellHeightMm / 2 + 1e-6);
  }
  for (const [i, p] of points.entries())
    for (const q of points.slice(i + 1)) {
      const [a, b] = [at.get(p.id)!, at.get(q.id)!];
      if (a.page !== b.page) continue;
      expect(
        Math.abs(a.x - b.x) >= matPage.cellWidthMm - 1e-6 ||
          Math.abs(a.y - b.y) >= matPage.cellHeightMm - 1e-6,
        `${p.id} and ${q.id} overlap`,
      ).toBe(true);
      for (const axis of ['x', 'y'] as const)
        if (Math.abs(p[axis] - q[axis]) >= sameMm)
          expect(
            Math.sign(p[axis] - q[axis]) * (a[axis] - b[axis]),
            `${p.id} and ${q.id} change order along ${axis}`,
          ).toBeGreaterThan(-1e-6);
    }
}

describe('the mat', () => {
  test('no cell overlaps another, order is kept, all lies on the page, whatever the holes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ x: fc.integer({ min: 0, max: 72 }), y: fc.integer({ min: 0, max: 148 }) }), {
          maxLength: 40,
        }),
        (at) => {
          const points = at.map((p, i) => ({ id: `H${i}`, ...p }));
          holdsUp(points, layOutMat([points], device));
        },
      ),
      { numRuns: 60 },
    );
  });
  test('of devices with clusters of screws, up to 140 of them', () => {
    for (const n of [1, 2, 20, 45, 90, 140]) {
      const points = holesOf(n, n);
      holdsUp(points, layOutMat([points.slice(0, n / 2), points.slice(n / 2)], device));
    }
  });
  test.each(shippedModels.map((m) => [m.name, indexed(m, m.variants[0]!.id)] as const))(
    'of the %s: every screw has one cell, and a device of up to forty screws needs one page',
    (_, index) => {
      const cells = matOf(index);
      const { widthMm } = index.model.outline;
      holdsUp(
        index.model.fasteners.map((f) => ({
          id: f.id,
          x: f.face === 'back' ? widthMm - f.at.x : f.at.x,
          y: f.at.y,
        })),
        cells,
      );
      if (cells.length <= 40) expect(Math.max(...cells.map((c) => c.page))).toBe(0);
    },
  );
  test('holes that lie far enough apart are not moved at all', () => {
    const points = [
      { id: 'A', x: 10, y: 10 },
      { id: 'B', x: 60, y: 12 },
      { id: 'C', x: 30, y: 140 },
    ];
    const cells = layOutMat([points], device);
    for (const [i, p] of points.entries()) {
      expect(cells[i]!.x).toBeCloseTo(7 + (p.x / 72) * 76, 4);
      expect(cells[i]!.y).toBeCloseTo(6.5 + (p.y / 148) * 109, 4);
    }
  });
  test('two that anybody sees beside each other stay in their order, also where others push them', () => {
    // 2.5 mm apart: more than what has no order, less than a cell
    const points = [
      { id: 'L', x: 34, y: 70 },
      { id: 'R', x: 36.5, y: 70 },
      ...Array.from({ length: 12 }, (_, i) => ({
        id: `N${i}`,
        x: 33 + (i % 4),
        y: 66 + Math.floor(i / 4) * 4,
      })),
    ];
    const cells = new Map(layOutMat([points], device).map((c) => [c.id, c]));
    const [left, right] = [cells.get('L')!, cells.get('R')!];
    // side by side in their order, or above one another
    expect(right.x - left.x >= -1e-6 || Math.abs(right.y - left.y) >= 13 - 1e-6).toBe(true);
    expect(right.x).toBeGreaterThan(left.x - 14);
  });
  test('two in one spot part evenly to both sides', () => {
    const [a, b] = layOutMat(
      [
        [
          { id: 'A', x: 36, y: 74 },
          { id: 'B', x: 36, y: 74 },
        ],
      ],
      device,
    );
    expect([Math.abs(a!.x - b!.x), Math.abs(a!.y - b!.y)]).toContainEqual(expect.closeTo(14, 4));
    expect((a!.x + b!.x) / 2).toBeCloseTo(45, 3);
  });
});

describe('positions with gaps and the least squares', () => {
  test('cost what HiGHS finds (package highs, quadratic programme)', async () => {
    const solver = await load();
    for (let seed = 1; seed <= 12; seed++) {
      const n = 3 + (seed % 6);
      const wanted = Float64Array.from(
        { length: n },
        (_, i) => ((seed * 7919 + i * 104729) % 600) / 10,
      ).sort();
      const gaps: Gap[] = [];
      for (let i = 0; i < n; i++)
        for (let j = i + 1; j < n; j++)
          if ((i * 3 + j * 5 + seed) % 3) gaps.push({ before: i, after: j, mm: (i + j + seed) % 2 ? 9 : 0 });
      const mine = leastSquares(
        wanted,
        gaps,
        Int32Array.from(wanted, (_, i) => i),
        0,
        100,
      );
      const x = (i: number) => `x${i}`;
      const lp = `Minimize\n obj: ${[...wanted].map((w, i) => `${w < 0 ? '+' : '-'} ${2 * Math.abs(w)} ${x(i)}`).join(' ')} + [ ${[...wanted].map((_, i) => `2 ${x(i)} ^2`).join(' + ')} ] / 2\nSubject To\n${gaps.map((g, k) => ` g${k}: ${x(g.after)} - ${x(g.before)} >= ${g.mm}`).join('\n')}\nBounds\n${[...wanted].map((_, i) => ` 0 <= ${x(i)} <= 100`).join('\n')}\nEnd`;
      const theirs = solver.solve(lp, { output_flag: false });
      expect(theirs.Status).toBe('Optimal');
      const off = (at: (i: number) => number) => [...wanted].reduce((s, w, i) => s + (at(i) - w) ** 2, 0);
      const least = off((i) => (theirs.Columns[x(i)] as { Primal: number }).Primal);
      expect(
        off((i) => mine[i]!),
        `seed ${seed}`,
      ).toBeLessThan(least + 0.01);
      for (const g of gaps) expect(mine[g.after]! - mine[g.before]!).toBeGreaterThan(g.mm - 1e-6);
    }
  });
});

describe('the pattern of the mat', () => {
  const rows = (n: number, dx: number, dy: number, perRow: number): MatPoint[] =>
    Array.from({ length: n }, (_, i) => ({
      id: `H${i}`,
      x: (i % perRow) * dx,
      y: Math.floor(i / perRow) * dy,
    }));
  test('screws above one another on the device lie above one another on the mat, side by side side by side', () => {
    const column = layOutMat([rows(3, 0, 20, 1)], device);
    for (const [k, cell] of column.slice(1).entries())
      expect(cell.y - column[k]!.y).toBeGreaterThanOrEqual(matPage.cellHeightMm - 1e-6);
    expect(Math.max(...column.map((c) => c.x)) - Math.min(...column.map((c) => c.x))).toBeLessThan(
      matPage.cellWidthMm,
    );
    const row = layOutMat([rows(3, 20, 0, 3)], device);
    for (const [k, cell] of row.slice(1).entries())
      expect(cell.x - row[k]!.x).toBeGreaterThanOrEqual(matPage.cellWidthMm - 1e-6);
    expect(Math.max(...row.map((c) => c.y)) - Math.min(...row.map((c) => c.y))).toBeLessThan(
      matPage.cellHeightMm,
    );
  });
  test('a page takes so many that its pattern is still seen, and the next screws come on another', () => {
    // six by nine cells, seven tenths of them: 38
    const pagesOf = (n: number) =>
      new Set(layOutMat([rows(n, 14, 18, 5)], device).map((cell) => cell.page)).size;
    expect([pagesOf(38), pagesOf(39)]).toEqual([1, 2]);
  });
  test('what is too many for one page is halved, the upper half first', () => {
    const points = rows(40, 14, 18, 5);
    const cells = layOutMat([points], device);
    const on = (page: number) => cells.filter((cell) => cell.page === page).map((cell) => cell.id);
    expect([on(0).length, on(1).length]).toEqual([20, 20]);
    const y = new Map(points.map((p) => [p.id, p.y]));
    const lowest = Math.max(...on(0).map((id) => y.get(id)!));
    for (const id of on(1)) expect(y.get(id)).toBeGreaterThanOrEqual(lowest);
  });
  test('a page that is half a millimetre too narrow for its cells side by side has them on two', () => {
    const beside = [0, 36, 72].map((x, k) => ({ id: `H${k}`, x, y: 40 }));
    const pages = (widthMm: number) =>
      new Set(
        layOutMat([beside], device, { ...matPage, widthMm, heightMm: 13 * 12 }).map((cell) => cell.page),
      ).size;
    expect(pages(3 * matPage.cellWidthMm)).toBe(1);
    const narrow = layOutMat([beside], device, { ...matPage, widthMm: 3 * matPage.cellWidthMm - 0.5 });
    const most = 3 * matPage.cellWidthMm - 0.5 - matPage.cellWidthMm / 2;
    for (const [k, a] of narrow.entries()) {
      expect(a.x).toBeLessThanOrEqual(most + 1e-6);
      for (const b of narrow.slice(k + 1))
        if (a.page === b.page)
          expect(
            Math.abs(a.x - b.x) >= matPage.cellWidthMm - 1e-6 ||
              Math.abs(a.y - b.y) >= matPage.cellHeightMm - 1e-6,
          ).toBe(true);
    }
  });
  test.each([
    { widthMm: 13, heightMm: 122 },
    { widthMm: 90, heightMm: 12 },
  ])('a page of %j is too small for a cell', (size) => {
    expect(() => layOutMat([rows(1, 1, 1, 1)], device, { ...matPage, ...size })).toThrow(RangeError);
  });
});
