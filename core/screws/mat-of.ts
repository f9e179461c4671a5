import type { IndexedModel } from '../model/index-model';
import { layOutMat, type MatCell } from './mat-layout';

const known = new WeakMap<IndexedModel, readonly MatCell[]>();

/**
 * The mat of a model: every screw has its cell, whatever the route, so that a route planned anew moves no screw that lies
 * there already, and a printed mat serves every job with this model. From the outside inwards, so that screws which come
 * out one after another share a page where all do not fit one.
 */
export function matOf(index: IndexedModel): readonly MatCell[] {
  const before = known.get(index);
  if (before) return before;
  const stages = new Map<string, { depth: number; points: { id: string; x: number; y: number }[] }>();
  const { widthMm } = index.model.outline;
  for (const fastener of index.model.fasteners) {
    const key = `${fastener.face} ${fastener.layer}`;
    const stage = stages.get(key) ?? {
      depth: (fastener.face === 'front' ? 0 : 1000) - fastener.layer,
      points: [],
    };
    // the back is seen from the back
    stage.points.push({
      id: fastener.id,
      x: fastener.face === 'back' ? widthMm - fastener.at.x : fastener.at.x,
      y: fastener.at.y,
    });
    stages.set(key, stage);
  }
  const cells = layOutMat(
    [...stages.values()].sort((a, b) => a.depth - b.depth).map((s) => s.points),
    index.model.outline,
  );
  known.set(index, cells);
  return cells;
}
