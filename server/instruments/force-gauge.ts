import { setTimeout as pause } from 'node:timers/promises';
import type { ForceSample } from '../../core/seal/press-curve';
import { type PressFault, type PressedDevice, pressedDevices } from '../../core/wire/press-run';
import { quoted, Scpi, ScpiFault } from './scpi';
import { type Asker, instrumentAt } from './instrument-at';
import { serveScpi, StandIn } from './scpi-server';

/** Readings a second; seconds in which the stand-in's press comes to its force. */
const perS = 10;
const risesS = 2;
/** A press may run faster than a clock where nobody waits for a device: for tests of the program. */
const speed = () => Number(process.env.SNAVEK_PRESS_SPEED ?? 1) || 1;

/** A stand-in for a seal press with a force gauge: it comes to its force, holds it, and lets go. */
class ForceGauge extends StandIn {
  protected readonly name = 'FORCE GAUGE';
  #setN = 735;
  #holdS = 30;
  #device: PressedDevice = 'holds';
  #begunAt: number | undefined;

  protected reset(): void {
    this.#begunAt = undefined;
    this.#device = 'holds';
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    const figure = Number(args[0]);
    switch (head) {
      case 'UNIT:FORC?':
        return 'N';
      case 'FORC:SET':
        if (!(figure > 0 && figure <= 2000)) return this.fail(-222, 'Data out of range');
        this.#setN = figure;
        return '';
      case 'HOLD:TIME':
        if (!(figure >= 1 && figure <= 600)) return this.fail(-222, 'Data out of range');
        this.#holdS = figure;
        return '';
      // what a hand does: lays a device under it whose plate sits, or does not
      case 'SIM:DEV':
        this.#device = pressedDevices.find((known) => known === args[0]) ?? 'holds';
        return '';
      case 'INIT':
        this.#begunAt = Date.now();
        return '';
      case 'STAT?':
        return this.#sinceS() < 0 ? 'IDLE' : this.#sinceS() < this.#endS() ? 'HOLD' : 'DONE';
      case 'FETC:NEW?':
        return this.#readings(Math.max(0, figure || 0));
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
  #sinceS(): number {
    return this.#begunAt === undefined ? -1 : ((Date.now() - this.#begunAt) / 1000) * speed();
  }
  #endS(): number {
    return risesS + this.#holdS + 1;
  }
  #readings(from: number): string {
    const until = Math.floor(Math.min(this.#endS(), this.#sinceS()) * perS) + 1;
    const lines: string[] = [];
    for (let n = from; n < Math.min(until, from + 400); n++) {
      const t = n / perS;
      const slipped = this.#device === 'slips' && t > risesS + this.#holdS / 2 ? 0.6 : 1;
      const reached = Math.min(1, t / risesS) * (this.#device === 'weak' ? 0.7 : 1) * slipped;
      lines.push(`${t.toFixed(2)},${(this.#setN * reached + Math.sin(n * 12.9898) * 4).toFixed(1)}`);
    }
    return `"${lines.join(' ')}"`;
  }
}
/** Starts the stand-in on loopback. @returns the port, and how to end it */
const startForceGauge = (port = 0) => serveScpi(() => new ForceGauge(), port);

type Run =
  | { ok: true; instrument: string; samples: ForceSample[] }
  | { ok: false; fault: PressFault; said: string };
/** How often it is asked, ms; how much longer than it takes it is waited for, s. */
const pollMs = 200;
const patienceS = 20;

/** Presses to a force, holds it, and takes the curve. Half a curve, another unit or readings out of order are no press. */
export async function runPress(
  asker: Asker,
  { setN, holdS }: { setN: number; holdS: number },
  device: PressedDevice,
  tell: (samples: ForceSample[]) => void,
): Promise<Run> {
  let scpi: Scpi | undefined;
  const samples: ForceSample[] = [];
  try {
    const at = await instrumentAt(asker, 'force-gauge', startForceGauge);
    scpi = await Scpi.open(at.host, at.port);
    const instrument = await scpi.ask('*IDN?');
    await scpi.tell('*RST');
    const unit = (await scpi.ask('UNIT:FORC?')).trim().toUpperCase();
    if (unit !== 'N') return { ok: false, fault: 'other unit', said: unit };
    await scpi.tell(`FORC:SET ${setN.toFixed(1)}`);
    await scpi.tell(`HOLD:TIME ${holdS}`);
    if (at.simulated) await scpi.tell(`SIM:DEV ${quoted(device)}`);
    await scpi.check();
    await scpi.tell('INIT');
    for (const until = Date.now() + (holdS + patienceS) * 1000; ; await pause(pollMs)) {
      const state = (await scpi.ask('STAT?')).trim().toUpperCase();
      const fresh = readingsOf(await scpi.ask(`FETC:NEW? ${samples.length}`));
      const last = samples.at(-1)?.tS ?? -1;
      if (fresh.some((s, k) => !Number.isFinite(s.tS + s.forceN) || s.tS <= (fresh[k - 1]?.tS ?? last)))
        return { ok: false, fault: 'out of order', said: `after ${last} s` };
      samples.push(...fresh);
      tell(fresh);
      if (state === 'DONE') return { ok: true, instrument, samples };
      if (state === 'IDLE' || Date.now() > until)
        return { ok: false, fault: 'stopped', said: `after ${Math.max(0, last).toFixed(0)} s` };
    }
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, fault: e.code === 0 ? 'no gauge' : 'stopped', said: e.message };
  } finally {
    scpi?.close();
  }
}
const readingsOf = (line: string): ForceSample[] =>
  line
    .replaceAll('"', '')
    .split(/\s+/)
    .filter(Boolean)
    .map((reading) => {
      const [tS, forceN] = reading.split(',').map(Number);
      return { tS: tS!, forceN: forceN! };
    });
