import { z } from 'zod';
import * as common from '../words/answers/common';
import * as wording from '../words/answers/device-fields';

const length = (from: number, to: number) =>
  z.coerce
    .number({ error: wording.giveMillimetres })
    .min(from, wording.millimetres(from, to))
    .max(to, wording.millimetres(from, to));
/** What has to be known of a device before its first teardown is recorded; lengths in mm. */
export const deviceFields = z.strictObject({
  maker: z
    .string({ error: wording.giveMaker })
    .trim()
    .min(1, wording.giveMaker)
    .max(40, common.atMostCharacters(40)),
  name: z
    .string({ error: wording.giveName })
    .trim()
    .min(1, wording.giveName)
    .max(40, common.atMostCharacters(40)),
  widthMm: length(30, 200),
  heightMm: length(60, 300),
  thicknessMm: length(3, 30),
  /** The version of a model that it is much like, and begins as a copy of. */
  like: z.string().max(64).optional(),
});
