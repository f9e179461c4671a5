import { addThing, type Box, type ListedThing, partAt, type Point } from '../model/editing';
import type { Edit } from '../model/edit';
import type { IndexedModel } from '../model/index-model';
import type { Bond, Catch, Connector, Fastener, Slot } from '../model/schema';
import type { Face } from '../vocabulary/trade';
import { nextId } from './proposals';
import { functionsOfPart, installMinutes, releaseOf, traitsOf, wayMinutes } from './usual';

export type NewKind = 'part' | 'fastener' | 'connector' | 'bond' | 'catch';
const tenth = (mm: number) => Math.round(mm * 10) / 10;

/** How large a new part or bond is drawn, mm: large enough to be taken hold of. */
const sizeOf = { part: { w: 14, h: 10 }, bond: { w: 12, h: 4 } } as const;
/** A box of a size about a point, within the outline. */
function boxAbout({ x, y }: Point, { w, h }: { w: number; h: number }, { model }: IndexedModel): Box {
  const { widthMm, heightMm } = model.outline;
  return {
    x: tenth(Math.min(Math.max(0, x - w / 2), widthMm - w)),
    y: tenth(Math.min(Math.max(0, y - h / 2), heightMm - h)),
    w,
    h,
  };
}

/**
 * Puts a new thing where somebody points: it lies on the part that is uppermost there of those that are looked at, holds
 * that part, and is loosed by its ways. A screw is like the last one of the model, until somebody says otherwise.
 * @param topLayer what lies above it is not looked at
 * @returns the changes, and the id of the new thing
 */
export function newThing(
  index: IndexedModel,
  kind: NewKind,
  point: Point,
  face: Face,
  topLayer: number,
): { edits: Edit[]; id: string } {
  const id = nextId(index, kind);
  const at = { x: tenth(point.x), y: tenth(point.y) };
  const under = partAt(index, at, face, topLayer);
  const layer = Math.min(99, (under?.layer ?? 0) + 1);
  const listed = makers[kind]({ index, id, at, face, layer, under });
  return { edits: addThing(index, listed), id };
}
interface Made {
  index: IndexedModel;
  id: string;
  at: Point;
  face: Face;
  layer: number;
  under: Slot | undefined;
}
/** What holds nothing yet names no part: the check says so until it does. */
const nobody = 'unknown-part';
const makers: Record<NewKind, (made: Made) => ListedThing> = {
  part: ({ index, id, at, face, layer }) => {
    const thing: Slot = {
      ...{ id, name: 'part', kind: 'bracket', face, layer },
      shape: { ...boxAbout(at, sizeOf.part, index), r: 1 },
      ...{ covers: [], leavesFree: [], uncoversAt: 'out', arrivesWith: [], films: [], price: 0 },
      traits: traitsOf('bracket'),
      functions: functionsOfPart('bracket'),
      ways: [
        {
          ...{ id: 'way-1', to: 'out', gesture: 'lift', minutes: wayMinutes },
          ...{ needs: [], fasteners: [], connectors: [], bonds: [], catches: [] },
          ...{ risks: [], consumables: [], tools: [], guard: { unless: [], methods: {} } },
        },
      ],
      install: { after: [], under: [], side: 'inside', minutes: installMinutes },
    };
    return { list: 'slots', thing };
  },
  fastener: ({ index, id, at, face, layer, under }) => {
    const last = index.model.fasteners.findLast((f) => f.face === face) ?? index.model.fasteners.at(-1);
    const thing: Fastener = {
      ...{ id, name: 'screw', at, face, layer, kind: last?.kind ?? 'screw', threadLock: false },
      ...{ drive: last?.drive ?? 'PH000', lengthMm: last?.lengthMm ?? 1.5 },
      ...{ headMm: last?.headMm ?? 1.8, thread: last?.thread ?? 'M1.2' },
      holds: [under?.id ?? nobody],
    };
    return { list: 'fasteners', thing };
  },
  connector: ({ index, id, at, face, layer, under }) => {
    const board = index.model.slots.find((slot) => slot.kind === 'board');
    const own = under && under.kind !== 'board' ? under : undefined;
    const thing: Connector = {
      ...{ id, name: 'plug', at, face, layer, widthMm: 6, carries: 'signal', press: 'straight' },
      joins: [(own ?? board)?.id ?? nobody, (board ?? own)?.id ?? nobody],
      functions: own?.functions ?? [],
    };
    return { list: 'connectors', thing };
  },
  bond: ({ index, id, at, face, layer, under }) => {
    const thing: Bond = {
      ...{ id, name: 'tape', kind: 'tape', face, layer, holds: [under?.id ?? nobody] },
      shape: { ...boxAbout(at, sizeOf.bond, index), r: 1 },
      release: [releaseOf('pull')],
      tornThen: 'solvent',
      ...{ renewedBy: [], orTape: [], renewS: 60, cureS: 0, setsByLight: false },
    };
    return { list: 'bonds', thing };
  },
  catch: ({ id, at, face, layer, under }) => {
    const thing: Catch = {
      ...{ id, name: 'clip', kind: 'clip', at, face, layer, direction: 'up' },
      holds: [under?.id ?? nobody],
    };
    return { list: 'catches', thing };
  },
};

/** The stretch of the rim nearest to a point, a sixth of its edge long: where no blade may go deep. */
export function newNoGo({ model }: IndexedModel, { x, y }: Point): IndexedModel['model']['noGo'][number] {
  const { widthMm, heightMm } = model.outline;
  const far = { left: x, right: widthMm - x, top: y, bottom: heightMm - y };
  const edges = ['left', 'right', 'top', 'bottom'] as const;
  const edge = edges.reduce((a, b) => (far[b] < far[a] ? b : a));
  const upright = edge === 'left' || edge === 'right';
  const [at, long] = upright ? [y, heightMm] : [x, widthMm];
  const half = long / 12;
  return {
    edge,
    fromMm: tenth(Math.max(0, at - half)),
    toMm: tenth(Math.min(long, at + half)),
    depthMm: 1,
    why: 'what lies there',
  };
}
