import { z } from 'zod';

const seconds = z.number().min(0).max(7200);
/** What is told of a device on a heat source. @param ref how an id is read */
export const heatBodies = <R extends z.ZodType<string, string>>(ref: R) =>
  [
    // `part`: a loose assembly is warmed apart from the device
    z.strictObject({
      type: z.literal('heatStarted'),
      station: ref,
      forS: seconds,
      part: ref.optional(),
      // the bond that is to soften
      bond: ref.optional(),
      // as computed for this device and source: how it is set, from when to when it may be taken off, for how long it is soft then
      setC: z.number().min(20).max(300).optional(),
      opensS: seconds.optional(),
      closesS: seconds.optional(),
      softForS: seconds.optional(),
      // the source is warm: how warm it reads, C, or somebody has said so
      hot: z.union([z.literal('said'), z.number().min(-20).max(400)]).optional(),
    }),
    // what warms the device reads so much, C: told when it is no longer warm, and when it is again
    z.strictObject({ type: z.literal('sourceRead'), celsius: z.number().min(-20).max(400) }),
    z.strictObject({ type: z.literal('heatEnded') }),
    // the glass of the device on the source, or just off it, by a thermometer
    // `again`: it was far from what was expected, and read and said twice
    z.strictObject({
      type: z.literal('glassRead'),
      celsius: z.number().min(-20).max(250),
      again: z.literal(true).optional(),
    }),
    // the running soak's window, s after it began, computed from earlier soaks and readings at the glass; without `opensS` no time is right
    z.strictObject({
      type: z.literal('heatWindowFitted'),
      readings: z.number().int().min(0).max(100),
      opensS: seconds.optional(),
      closesS: seconds.optional(),
      softForS: seconds,
    }),
  ] as const;
