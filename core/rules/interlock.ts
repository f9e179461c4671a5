import type { Role } from '../vocabulary/roles';
import type { IndexedModel } from '../model/index-model';
import type { Condition } from '../vocabulary/trade';
import type { Methods } from '../methods/methods';
import type { BodyOf, BodyType } from '../log/events';
import type { JobState } from '../log/state';

/** `forbid`: nobody passes. `stop`: passed with a typed reason by the roles named. `warn`: said, not stopped. */
export type Severity = 'forbid' | 'stop' | 'warn';
/** Something that must be so before; the planner puts what makes it so first. */
export type Need = { off: string } | { on: string } | { absent: Condition };

export interface Waits {
  /** Solvent must have flashed off this long before heat, s. At least 60 (from memory). */
  solventFlashS: number;
  /** A device must have cooled this long before solvent, s. At least 120 (from memory). */
  coolingS: number;
}

/** No workshop waits less than this. */
export const leastWaits: Waits = { solventFlashS: 60, coolingS: 120 };

/** A moment of a bench, ms, and whether its clock is to be believed. */
export interface Moment {
  at: number;
  clockKnown: boolean;
}

/** What a rule is asked in. */
export interface Situation {
  index: IndexedModel;
  state: JobState;
  waits: Waits;
  now: Moment;
  role: Role;
  /** The house methods of the adopted route; they decide what the owner will notice. */
  methods?: Methods | undefined;
}

/** One interlock: the events it is asked about, what must be so before, and what it finds wrong. */
export interface Rule<T extends BodyType = BodyType> {
  severity: Severity;
  passableBy?: readonly Role[];
  on: readonly T[];
  needs?: (index: IndexedModel, body: BodyOf<T>) => Need[];
  check?: (s: Situation, body: BodyOf<T>) => string[] | { ids: string[]; seconds: number } | undefined;
}

/** A rule whose check knows the bodies that it is asked about. */
export const rule = <T extends BodyType>(r: Rule<T>) => r as unknown as Rule;

/** Everybody at a bench; a trainee with a second person. */
export const skilled = ['owner', 'lead', 'technician', 'trainee'] as const;

export const heads = ['owner', 'lead'] as const;

/** Ids, or nothing where there are none. */
export const list = (ids: string[]) => (ids.length ? ids : undefined);

/**
 * Seconds still to wait after a moment. A clock that is not known, or that ran backwards, ends no wait.
 */
export function secondsLeft(since: Moment | undefined, waitS: number, now: Moment): number {
  if (!since) return 0;
  if (!since.clockKnown || !now.clockKnown || now.at < since.at) return waitS;
  return Math.max(0, Math.ceil(waitS - (now.at - since.at) / 1000));
}
