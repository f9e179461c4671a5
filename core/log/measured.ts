import { z } from 'zod';

/** What a device can measure of itself. */
const measuredKinds = [
  'started',
  'touch',
  'picture',
  'sound',
  'microphones',
  'cameras',
  'vibration',
  'motion',
  'charging',
  'battery',
  'radios',
] as const;
export type MeasuredKind = (typeof measuredKinds)[number];
/** Why a function does not work by what was measured, or why nothing can be said. */
const whyNots = [
  'dead',
  'ghosts',
  'jumps',
  'not wiped',
  'marks',
  'loud hall',
  'silent',
  'rattle',
  'quieter',
  'one side',
  'none listed',
  'dark',
  'spots',
  'one less',
  'by eye',
  'blurred',
  'no focus',
  'no light',
  'no zoom',
  'still',
  'weak',
  'gravity',
  'not turned',
  'offset',
  'no compass',
  'rest by hand',
  'no current',
] as const;
export type WhyNot = (typeof whyNots)[number];
/** A few figures by their names; the words for them say the units. */
const figureNames = [
  'percent',
  'dead',
  'deadX',
  'deadY',
  'deadW',
  'deadH',
  'jumps',
  'ghosts',
  'fingers',
  'marks',
  'level',
  'floor',
  'distortion',
  'low',
  'mid',
  'high',
  'left',
  'right',
  'together',
  'inputs',
  'heard',
  'cameras',
  'sharpness',
  'spots',
  'cast',
  'frames',
  'far',
  'travel',
  'light',
  'zoom',
  'shaken',
  'shake',
  'hz',
  'gravity',
  'turned',
  'faces',
  'offset',
  'heading',
  'online',
  'position',
  'charging',
] as const;
export type FigureName = (typeof figureNames)[number];
export type Figures = Partial<Record<FigureName, number>>;

/** What a device measured of one of its functions: the whole of it is a row of its own, of this id. */
export const measuredSchema = z.strictObject({
  id: z.uuid(),
  kind: z.enum(measuredKinds),
  verdict: z.enum(['works', 'fails', 'unclear']),
  because: z.enum(whyNots).optional(),
  figures: z.partialRecord(z.enum(figureNames), z.number().min(-1e6).max(1e6)),
});
export type Measured = z.infer<typeof measuredSchema>;
