import type { HotAirSaid } from '../../core/wire/hot-air';
import { Scpi, ScpiFault } from './scpi';
import { type Asker, instrumentAt } from './instrument-at';
import { serveScpi, StandIn } from './scpi-server';

/** The scale of the stand-in: a real station has its own. */
const scale = { leastC: 100, mostC: 480 } as const;
/** A stand-in for a hot-air station: set point, air, on and off; its nozzle comes to its temperature within seconds. */
class HotAir extends StandIn {
  protected readonly name = 'HOT AIR STATION';
  #setC = 100;
  #airPercent = 50;
  #onSince: number | undefined;

  protected reset(): void {
    this.#onSince = undefined;
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    const figure = Number(args[0]);
    switch (head) {
      case 'SOUR:TEMP':
        if (!(figure >= scale.leastC && figure <= scale.mostC)) return this.fail(-222, 'Data out of range');
        this.#setC = figure;
        return '';
      case 'SOUR:AIR':
        if (!(figure >= 1 && figure <= 100)) return this.fail(-222, 'Data out of range');
        this.#airPercent = figure;
        return '';
      case 'OUTP':
        this.#onSince = args[0] === 'ON' ? Date.now() : undefined;
        return '';
      case 'SOUR:TEMP?':
        return String(this.#setC);
      case 'SOUR:AIR?':
        return String(this.#airPercent);
      case 'MEAS:TEMP?': {
        const onS = this.#onSince === undefined ? 0 : (Date.now() - this.#onSince) / 1000;
        return (22 + (this.#setC - 22) * (1 - Math.exp(-onS / 4))).toFixed(0);
      }
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
}
/** Starts the stand-in on loopback. @returns the port, and how to end it */
const startHotAir = (port = 0) => {
  // one station: whoever speaks to it finds it as the last one left it
  const station = new HotAir();
  return serveScpi(() => station, port);
};

/** Sets the station and turns it on, or turns it off; reads back what it is set to. */
export async function setHotAir(
  asker: Asker,
  ask: { on: boolean; setC: number; airPercent: number },
): Promise<HotAirSaid> {
  let scpi: Scpi | undefined;
  try {
    const at = await instrumentAt(asker, 'hot-air', startHotAir);
    scpi = await Scpi.open(at.host, at.port);
    if (ask.on) {
      await scpi.tell(`SOUR:TEMP ${ask.setC}`);
      await scpi.tell(`SOUR:AIR ${ask.airPercent}`);
    }
    await scpi.tell(`OUTP ${ask.on ? 'ON' : 'OFF'}`);
    const [setC, airPercent] = [Number(await scpi.ask('SOUR:TEMP?')), Number(await scpi.ask('SOUR:AIR?'))];
    await scpi.check();
    return { ok: true, on: ask.on, setC, airPercent };
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, said: e.message, outOfRange: e.code === -222 };
  } finally {
    scpi?.close();
  }
}
