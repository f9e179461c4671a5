import {
  type LeakDevice,
  leakDevices,
  type ReferenceDevice,
  referenceDevices,
} from '../../core/wire/leak-test';
import { serveScpi, StandIn } from './scpi-server';

/** Seconds that it takes to draw down, and readings a second. */
const drawS = 4;
const perS = 20;
/** Air in tester and device, ml; the room's pressure, Pa, and its temperature, C. */
const volumeMl = 80;
const roomPa = 101_325;
const roomC = 22;
/** Of a device that is sound, and of each that is not: what it loses, how it settles, how its air warms. */
type Inside = LeakDevice | ReferenceDevice;
const kinds: Record<Inside, { leakPaS: number; settlePa: number; tauS: number; driftKs: number }> = {
  // never drawn down: see #state
  open: { leakPaS: 0, settlePa: 0, tauS: 4, driftKs: 0 },
  tight: { leakPaS: 0.05, settlePa: 60, tauS: 4, driftKs: 0 },
  leaks: { leakPaS: 14, settlePa: 60, tauS: 4, driftKs: 0 },
  settles: { leakPaS: 0.05, settlePa: 420, tauS: 6, driftKs: 0 },
  warm: { leakPaS: 0.05, settlePa: 60, tauS: 4, driftKs: -0.015 },
  stops: { leakPaS: 0.05, settlePa: 60, tauS: 4, driftKs: 0 },
  unplugged: { leakPaS: 0.05, settlePa: 60, tauS: 4, driftKs: 0 },
  reference: { leakPaS: 2, settlePa: 20, tauS: 3, driftKs: 0 },
  'hose leaks': { leakPaS: 3.4, settlePa: 20, tauS: 3, driftKs: 0 },
};
/** A test may run faster than a clock where nobody waits for a device: for tests of the program. */
export const standInSpeed = () => Number(process.env.SNAVEK_LEAK_SPEED ?? 1) || 1;

/** Noise that is the same for the same reading: no two tests differ by chance. */
function noise(n: number): number {
  const x = Math.sin(n * 12.9898) * 43_758.5453;
  return (x - Math.floor(x) - 0.5) * 2;
}

/** One conversation with the tester: what it is set to, and the test that runs. */
class LeakTester extends StandIn {
  protected readonly name = 'LEAK TESTER';
  #setPa = 20_000;
  #holdS = 20;
  #device: Inside = 'tight';
  #begunAt: number | undefined;

  protected reset(): void {
    this.#begunAt = undefined;
    this.#device = 'tight';
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    const figure = Number(args[0]);
    switch (head) {
      case 'UNIT:PRES?':
        return 'PA';
      case 'PRES:SET':
        if (!(figure >= 500 && figure <= 90_000)) return this.fail(-222, 'Data out of range');
        this.#setPa = figure;
        return '';
      case 'HOLD:TIME':
        if (!(figure >= 5 && figure <= 600)) return this.fail(-222, 'Data out of range');
        this.#holdS = figure;
        return '';
      case 'TEST:VOL?':
        return String(volumeMl);
      case 'PRES:AMB?':
        return String(roomPa);
      // what a hand does: puts a device into the chamber, sound or not
      case 'SIM:DEV':
        this.#device = [...leakDevices, ...referenceDevices].find((known) => known === args[0]) ?? 'tight';
        return '';
      case 'MEAS:PRES?':
        return String(this.#device === 'open' ? -0.2 * this.#setPa : this.#pressure(0, 0));
      case 'INIT':
        this.#begunAt = Date.now();
        return '';
      case 'ABOR':
        this.#begunAt = undefined;
        return '';
      case 'STAT?':
        return this.#state();
      case 'FETC:NEW?':
        return this.#samples(Math.max(0, figure || 0));
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
  #sinceS(): number {
    return this.#begunAt === undefined ? -1 : ((Date.now() - this.#begunAt) / 1000) * standInSpeed();
  }
  #state(): string | undefined {
    const since = this.#sinceS();
    // the line goes dead in the middle of the hold
    if (this.#device === 'unplugged' && since > drawS + this.#holdS / 2) return undefined;
    if (since < 0 || (this.#device === 'stops' && since > drawS + this.#holdS / 2)) return 'IDLE';
    if (this.#device === 'open') return 'EVAC';
    return since < drawS ? 'EVAC' : since < drawS + this.#holdS ? 'HOLD' : 'DONE';
  }
  /** Readings of the hold from the n-th on: time, pressure against the room, temperature; parted by blanks. */
  #samples(from: number): string {
    const heldS = this.#device === 'open' ? -1 : Math.min(this.#holdS, this.#sinceS() - drawS);
    const until = heldS < 0 ? 0 : Math.floor(heldS * perS) + 1;
    const lines: string[] = [];
    for (let n = from; n < Math.min(until, from + 400); n++) {
      const t = n / perS;
      // its thermometer is in the chamber; that of one that still cools is unplugged
      const air = this.#device === 'warm' ? '' : `,${roomC.toFixed(2)}`;
      lines.push(`${t.toFixed(3)},${this.#pressure(t, n).toFixed(2)}${air}`);
    }
    return `"${lines.join(' ')}"`;
  }
  #pressure(t: number, n: number): number {
    const { leakPaS, settlePa, tauS, driftKs } = kinds[this.#device];
    const lost = leakPaS * t + settlePa * (1 - Math.exp(-t / tauS));
    // the enclosed air follows its temperature: a kelvin is one part in three hundred of all of it
    const warmed = ((roomPa - this.#setPa) * driftKs * t) / 296;
    return -this.#setPa + lost - warmed + noise(n) * 3;
  }
}
/** Starts the stand-in on loopback. @returns the port, and how to end it */
export const startLeakTester = (port = 0): Promise<{ port: number; stop: () => Promise<void> }> =>
  serveScpi(() => new LeakTester(), port);
