import { usbAskSchema, type UsbSaid } from '../../core/wire/usb-meter';
import { isStandIn } from '../instruments/instrument-at';
import type { Who } from '../../core/wire/who';
import { readUsbMeter } from '../instruments/usb-meter';

/** Reads the bench's USB meter: it is the workshop's, whichever job hangs at it. */
export async function usbMeter(who: Who, json: unknown): Promise<UsbSaid> {
  const ask = usbAskSchema.safeParse(json);
  return ask.success ? readUsbMeter(who, ask.data.simulate) : { ok: false, said: 'not understood' };
}
/** Whether the meter is the stand-in: then the screen may choose what hangs at it. */
export const isUsbMeterSimulated = (who: Who): boolean => isStandIn(who, 'usb-meter');
