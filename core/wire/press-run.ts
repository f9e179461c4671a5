import { z } from 'zod';
import type { ForceSample, Pressed } from '../seal/press-curve';
import type { Outcome } from './outcome';

/** How the stand-in's device lies under it: a real press is not told. */
export const pressedDevices = ['holds', 'slips', 'weak'] as const;
export type PressedDevice = (typeof pressedDevices)[number];
export const pressAskSchema = z.strictObject({
  command: z.string().min(8).max(50),
  at: z.number().int().min(0),
  clockKnown: z.boolean(),
  /** What is pressed: the seal in its frame, the closed device, or another seal. */
  target: z.string().min(1).max(50),
  /** It goes under the press with this: what stands against that stops it before the press moves. */
  begins: z.boolean(),
  holdS: z.number().min(1).max(600),
  simulate: z.enum(pressedDevices).default('holds'),
});
export type PressAsk = z.output<typeof pressAskSchema>;
export type PressFault =
  | 'stopped by a rule'
  | 'no gauge'
  | 'stopped'
  | 'other unit'
  | 'out of order'
  | 'no such job'
  | 'not understood';
/** A line of what the server says while a press runs. */
export type PressLine =
  | { say: 'pressing'; samples: ForceSample[] }
  | { say: 'pressed'; pressed: Pressed; outcome: Outcome }
  | { say: 'failed'; fault: PressFault; said: string };
