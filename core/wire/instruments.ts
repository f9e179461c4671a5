import { z } from 'zod';

/** Instruments of a bench that are read or set over a line. */
export const instruments = [
  'leak-tester',
  'force-gauge',
  'programmer',
  'usb-meter',
  'hot-plate',
  'thermometer',
  'hot-air',
] as const;
export type Instrument = (typeof instruments)[number];
/** Where an instrument listens: host and port, as in `192.168.1.20:5025`. */
export const addressSchema = z
  .string()
  .trim()
  .regex(/^[A-Za-z0-9]([A-Za-z0-9.-]{0,198}[A-Za-z0-9])?:[1-9]\d{0,4}$/)
  .refine((address) => Number(address.split(':')[1]) <= 65_535);
export const tryInstrumentSchema = z.strictObject({
  do: z.literal('try instrument'),
  instrument: z.enum(instruments),
  address: addressSchema,
});
/** What answers at an address: its name as it says it, or what went wrong. */
export type InstrumentTried = { ok: true; name: string } | { ok: false; said: string };
