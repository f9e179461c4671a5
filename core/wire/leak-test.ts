import { z } from 'zod';
import type { LeakAnswer } from '../leak/leak';
import type { SelfTest } from '../leak/self-test';
import type { LeakSample } from '../leak/fit';
import type { Outcome } from './outcome';

/** How the stand-in's device is: a real tester is not told. */
export const leakDevices = ['tight', 'leaks', 'open', 'settles', 'warm', 'stops', 'unplugged'] as const;
/** What is put on the stand-in for its own test: its reference leak of 2 Pa/s, or that with a hose that leaks as well. */
export const referenceDevices = ['reference', 'hose leaks'] as const;
export type ReferenceDevice = (typeof referenceDevices)[number];
export type LeakDevice = (typeof leakDevices)[number];
/** What a workshop's leak tester is set to; no value is right for every tester. */
export interface LeakSettings {
  /** Under-pressure against the room, Pa. */
  setPa: number;
  holdS: number;
  /** A steady loss up to this passes, Pa/s. */
  limitPaS: number;
  /** In so many seconds the set pressure is reached, or the device leaks grossly; left out: `usualFillS`. */
  fillS?: number | undefined;
  /** The share of the set pressure that may be lost in the hold, settling included; left out: `leakShares.loss`. */
  lossShare?: number | undefined;
  /** What its reference leak loses at that under-pressure, Pa/s; left out where it has none. */
  referencePaS?: number | undefined;
}
/** How long it may take to draw a device down, s (from memory). */
export const usualFillS = 20;
export const leakAskSchema = z.strictObject({
  command: z.string().min(8).max(60),
  at: z.number().int().min(0),
  clockKnown: z.boolean(),
  simulate: z.enum(leakDevices).default('tight'),
});
export const selfTestAskSchema = z.strictObject({
  simulate: z.enum(referenceDevices).default('reference'),
});
export type LeakAsk = z.input<typeof leakAskSchema>;
export type LeakFault =
  | 'no tester'
  | 'stopped'
  | 'other unit'
  | 'out of order'
  | 'not set'
  | 'no reference'
  | 'own test failed'
  | 'not allowed'
  | 'no such job'
  | 'not understood';
/** A line of what the server says while a test runs. */
export type LeakLine =
  | { say: 'begun'; settings: LeakSettings; volumeMl: number; instrument: string }
  | { say: 'samples'; phase: 'evacuating' | 'holding'; samples: LeakSample[] }
  | { say: 'done'; answer: LeakAnswer; measurement: string; outcome?: Outcome }
  | { say: 'tried'; answer: LeakAnswer; selfTest: SelfTest }
  | { say: 'failed'; fault: LeakFault; said: string };
