import { type UsbDevice, usbDevices, type UsbSaid } from '../../core/wire/usb-meter';
import { quoted, Scpi, ScpiFault } from './scpi';
import { type Asker, instrumentAt } from './instrument-at';
import { serveScpi, StandIn } from './scpi-server';

/** What each device draws at the stand-in. */
const draws: Record<UsbDevice, { volt: number; ampere: number }> = {
  charges: { volt: 5.02, ampere: 1.43 },
  full: { volt: 5.08, ampere: 0.04 },
  'dead port': { volt: 5.1, ampere: 0.003 },
};
/** A stand-in for a USB meter between charger and device. */
class UsbMeter extends StandIn {
  protected readonly name = 'USB METER';
  #device: UsbDevice = 'charges';

  protected reset(): void {
    this.#device = 'charges';
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    switch (head) {
      case 'SIM:DEV':
        this.#device = usbDevices.find((known) => known === args[0]) ?? 'charges';
        return '';
      case 'MEAS:VOLT?':
        return draws[this.#device].volt.toFixed(3);
      case 'MEAS:CURR?':
        return draws[this.#device].ampere.toFixed(4);
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
}
/** Starts the stand-in on loopback. @returns the port, and how to end it */
export const startUsbMeter = (port = 0) => serveScpi(() => new UsbMeter(), port);

/** Reads voltage and current between charger and device. */
export async function readUsbMeter(asker: Asker, device: UsbDevice): Promise<UsbSaid> {
  let scpi: Scpi | undefined;
  try {
    const at = await instrumentAt(asker, 'usb-meter', startUsbMeter);
    scpi = await Scpi.open(at.host, at.port);
    if (at.simulated) await scpi.tell(`SIM:DEV ${quoted(device)}`);
    const volt = Number(await scpi.ask('MEAS:VOLT?'));
    const ampere = Number(await scpi.ask('MEAS:CURR?'));
    await scpi.check();
    if (!Number.isFinite(volt + ampere)) return { ok: false, said: `${volt} V, ${ampere} A` };
    // which way round it is plugged in does not matter
    return {
      ...{ ok: true, volt: Math.abs(volt), ampere: Math.abs(ampere) },
      ...(at.simulated ? { simulated: true } : {}),
    };
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, said: e.message };
  } finally {
    scpi?.close();
  }
}
