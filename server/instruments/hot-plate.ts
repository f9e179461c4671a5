import type { PlateSaid } from '../../core/wire/hot-plate';
import { Scpi, ScpiFault } from './scpi';
import { type Asker, instrumentAt } from './instrument-at';
import { serveScpi, StandIn } from './scpi-server';

/** The scale of the stand-in, and how fast it warms: a real plate has its own. */
const scale = { leastC: 30, mostC: 150, rampKS: 0.8 } as const;
const roomC = 22;
/** A stand-in for a hot plate: set point, what it is now, how fast it warms. */
class HotPlate extends StandIn {
  protected readonly name = 'HOT PLATE';
  #setC = 80;
  // a workshop's plate is on through the day
  #on = true;
  /** How warm it was when it was last set, on or off, and when that was. */
  #from = { c: this.#setC, at: 0 };

  protected reset(): void {
    this.#turn(false);
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    const figure = Number(args[0]);
    switch (head) {
      case 'SOUR:TEMP':
        if (!(figure >= scale.leastC && figure <= scale.mostC)) return this.fail(-222, 'Data out of range');
        this.#from = { c: this.#nowC(), at: Date.now() };
        this.#setC = figure;
        return '';
      case 'SOUR:TEMP?':
        return String(this.#setC);
      case 'SOUR:TEMP:RAMP?':
        return String(scale.rampKS);
      case 'OUTP':
        this.#turn(args[0] === 'ON');
        return '';
      case 'OUTP?':
        return this.#on ? 'ON' : 'OFF';
      case 'MEAS:TEMP?':
        return this.#nowC().toFixed(1);
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
  #turn(on: boolean): void {
    this.#from = { c: this.#nowC(), at: Date.now() };
    this.#on = on;
  }
  #nowC(): number {
    const towards = this.#on ? this.#setC : roomC;
    const { c, at } = this.#from;
    // it cools a quarter as fast as it warms
    const may = ((Date.now() - at) / 1000) * scale.rampKS * (towards < c ? 0.25 : 1);
    return Math.abs(towards - c) <= may ? towards : c + Math.sign(towards - c) * may;
  }
}
/** Starts the stand-in on loopback. @returns the port, and how to end it */
const startHotPlate = (port = 0) => {
  // one plate: whoever speaks to it finds it as the last one left it
  const plate = new HotPlate();
  return serveScpi(() => plate, port);
};

/** What the plate is set to and how warm it is; where asked, it is set and turned on, or turned off, before. */
export async function speakToPlate(asker: Asker, ask?: { on: boolean; setC: number }): Promise<PlateSaid> {
  let scpi: Scpi | undefined;
  try {
    const at = await instrumentAt(asker, 'hot-plate', startHotPlate);
    scpi = await Scpi.open(at.host, at.port);
    if (ask?.on) await scpi.tell(`SOUR:TEMP ${ask.setC}`);
    if (ask) await scpi.tell(`OUTP ${ask.on ? 'ON' : 'OFF'}`);
    const setC = Number(await scpi.ask('SOUR:TEMP?'));
    const nowC = Number(await scpi.ask('MEAS:TEMP?'));
    const rampKS = Number(await scpi.ask('SOUR:TEMP:RAMP?'));
    const on = (await scpi.ask('OUTP?')).trim().toUpperCase() === 'ON';
    await scpi.check();
    if (![setC, nowC, rampKS].every(Number.isFinite)) return { ok: false, said: `${setC}, ${nowC}` };
    return { ok: true, on, setC, nowC, rampKS };
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, said: e.message, outOfRange: e.code === -222 };
  } finally {
    scpi?.close();
  }
}
