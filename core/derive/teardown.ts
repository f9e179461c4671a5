import type { Face } from '../vocabulary/trade';

export interface Point {
  x: number;
  y: number;
}
export interface Rectangle extends Point {
  w: number;
  h: number;
}
export const thingKinds = ['fastener', 'connector', 'bond', 'catch', 'part'] as const;
export type ThingKind = (typeof thingKinds)[number];

/** A thing as somebody recorded it: where it was, in mm of the device's frame, up to `recordedWithinMm` off. */
export interface RecordedThing {
  id: string;
  kind: ThingKind;
  face: Face;
  /** Of a fastener, a connector or a catch. */
  at?: Point | undefined;
  /** Of a part or a bond. */
  shape?: Rectangle | undefined;
  /** The parts that a connector was said to join, or a bond to hold. */
  joins?: readonly string[] | undefined;
  /** Of a part: all that was said to have to be off before it; undefined where nobody was asked. */
  needed?: readonly string[] | undefined;
}
export interface Teardown {
  things: readonly RecordedThing[];
  /** The order in which things came off; what never did is not in it. */
  off: readonly string[];
}
type RelationKind = 'holds' | 'covers' | 'joins';

/** `first` has to be off before `then` comes off. */
export interface Relation {
  first: string;
  then: string;
  kind: RelationKind;
  /** `said` by whoever recorded it, or `seen`: it could be so by where things lie, and no order spoke against it. */
  grade: 'said' | 'seen';
  /** In how many teardowns the one came off before the other. */
  teardowns: number;
  /** What it rests on: somebody's word, the place of both, or the order alone. */
  because: 'said' | 'place' | 'order';
}
/** What could have been so by place or by somebody's word, and is not: `then` came off while `first` was still in. */
export interface Refuted {
  first: string;
  then: string;
  kind: Relation['kind'];
  /** The first teardown that showed it, counted from 0. */
  teardown: number;
}
