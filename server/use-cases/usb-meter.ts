import { usbAskSchema, type UsbSaid } from '../../core/wire/usb-meter';
import { isUsbMeterSimulated, readUsbMeter } from '../instruments/usb-meter';

/** Reads the bench's USB meter: it is the workshop's, whichever job hangs at it. */
export async function usbMeter(json: unknown): Promise<UsbSaid> {
  const ask = usbAskSchema.safeParse(json);
  return ask.success ? readUsbMeter(ask.data.simulate) : { ok: false, said: 'not understood' };
}
export { isUsbMeterSimulated };
