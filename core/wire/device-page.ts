import { z } from 'zod';
import { takenSchema } from '../checks/taken';
import type { Verdict } from '../checks/measure';
import type { Round } from '../log/events';
import type { MeasuredKind } from '../log/measured';
import { functionIds, type FunctionId } from '../vocabulary/trade';

/** Pictures of what cameras found: so many, each so long as base64. */
export const mostPictures = 8;
const longestPicture = 200_000;
/** What a repaired phone sends by its link: of one function what it measured, or what whoever holds it says. */
export const deviceResultSchema = z.strictObject({
  id: z.uuid(),
  /** A word of this browser's own: two phones on one link are told apart by it. */
  holder: z.string().min(16).max(60),
  function: z.enum(functionIds),
  taken: z.union([
    takenSchema,
    z.strictObject({ kind: z.literal('said'), result: z.enum(['works', 'fails', 'untested']) }),
  ]),
  /** Of what was found, JPEG as base64. */
  pictures: z.array(z.base64().max(longestPicture)).max(mostPictures).optional(),
});
export type DeviceResult = z.infer<typeof deviceResultSchema>;
/** A check as the page on the phone has it. */
export interface DeviceCheck {
  function: FunctionId;
  /** How the phone measures it; undefined where a person answers. */
  kind?: MeasuredKind;
  /** It has been measured in this round, or answered where the phone cannot measure it. */
  done: boolean;
  /** It may be answered as not tested. */
  untestable: boolean;
}
/** The page on a phone. It says nothing of the owner. */
export interface DevicePageData {
  model: string;
  round: Round;
  /** Size of the screen, mm: a little less than the device. */
  widthMm: number;
  heightMm: number;
  checks: DeviceCheck[];
}
export type DeviceAnswer =
  | { ok: true; verdict?: Verdict; counts: boolean }
  | { ok: false; why: 'gone' | 'too many' | 'another phone' | 'not due' | 'not understood'; at?: string };
/** The link of a job's round, as the bench shows it. */
export interface DeviceLink {
  /** Only the browser that asked for it has it. */
  code?: string;
  round: Round;
  until: number;
  /** A phone has opened it. */
  held: boolean;
}
