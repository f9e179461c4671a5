import type { ReadTemperature } from '../../core/wire/read-temperature';
import { Scpi, ScpiFault } from './scpi';
import { type Asker, instrumentAt } from './instrument-at';
import { serveScpi, StandIn } from './scpi-server';

/** A stand-in for a bench thermometer with a thermocouple: it shows what it is told lies under it, give or take its own error. */
class Thermometer extends StandIn {
  protected readonly name = 'THERMOMETER';
  #celsius = 22;
  #reading = 0;

  protected reset(): void {
    this.#celsius = 22;
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    switch (head) {
      case 'SIM:TEMP':
        this.#celsius = Number(args[0]);
        return '';
      case 'MEAS:TEMP?':
        // half a kelvin to and fro, the same for the same reading
        return (this.#celsius + Math.sin(++this.#reading * 12.9898) * 0.5).toFixed(1);
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
}
/** Starts the stand-in on loopback. @returns the port, and how to end it */
const startThermometer = (port = 0) => serveScpi(() => new Thermometer(), port);

/**
 * Reads the temperature at the glass.
 * @param truly what lies under the stand-in's thermocouple, C; a real one is not told
 */
export async function readThermometer(asker: Asker, truly: number): Promise<ReadTemperature> {
  let scpi: Scpi | undefined;
  try {
    const at = await instrumentAt(asker, 'thermometer', startThermometer);
    scpi = await Scpi.open(at.host, at.port);
    if (at.simulated) await scpi.tell(`SIM:TEMP ${truly.toFixed(2)}`);
    const celsius = Number(await scpi.ask('MEAS:TEMP?'));
    await scpi.check();
    // an open thermocouple reads far off every scale
    if (!(celsius > -20 && celsius < 500)) return { ok: false, said: `${celsius} °C` };
    return { ok: true, celsius: Math.round(celsius * 10) / 10 };
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, said: e.message };
  } finally {
    scpi?.close();
  }
}
