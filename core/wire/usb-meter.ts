import { z } from 'zod';
import type { UsbReading } from '../checks/usb-meter';

/** What hangs at the stand-in: a real meter is not told. */
export const usbDevices = ['charges', 'full', 'dead port'] as const;
export type UsbDevice = (typeof usbDevices)[number];
export const usbAskSchema = z.strictObject({ simulate: z.enum(usbDevices).default('charges') });
export type UsbSaid = ({ ok: true; simulated?: boolean } & UsbReading) | { ok: false; said: string };
