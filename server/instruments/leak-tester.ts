import { setTimeout as pause } from 'node:timers/promises';
import type { LeakSample } from '../../core/leak/fit';
import {
  type LeakDevice,
  type LeakFault,
  type LeakSettings,
  type ReferenceDevice,
  usualFillS,
} from '../../core/wire/leak-test';
import { standInSpeed, startLeakTester } from './leak-tester-simulator';
import { quoted, Scpi, ScpiFault } from './scpi';
import { type Asker, instrumentAt } from './instrument-at';

/** How often it is asked, ms; how much longer than it takes it is waited for, s. */
const pollMs = 100;
const patienceS = 20;

export interface LeakRun {
  instrument: string;
  volumeMl: number;
  ambientPa: number;
  samples: LeakSample[];
}
export type Tested = { ok: true; run: LeakRun } | { ok: false; fault: LeakFault; said: string };
/** What is told while it runs. */
export interface Watcher {
  begun: (run: Omit<LeakRun, 'samples'>) => void;
  samples: (phase: 'evacuating' | 'holding', samples: LeakSample[]) => void;
}

/**
 * Draws a device down, holds, and takes the curve. Readings that are out of order, another unit than pascal, a tester that
 * stops or goes away end it: half a curve is no test.
 */
export async function runLeakTest(
  asker: Asker,
  settings: LeakSettings,
  device: LeakDevice | ReferenceDevice,
  watch: Watcher,
): Promise<Tested> {
  const { setPa, holdS } = settings;
  let scpi: Scpi | undefined;
  try {
    const at = await instrumentAt(asker, 'leak-tester', startLeakTester);
    scpi = await Scpi.open(at.host, at.port);
    const instrument = await scpi.ask('*IDN?');
    await scpi.tell('*RST');
    await scpi.ask('*CLS;*OPC?');
    const unit = (await scpi.ask('UNIT:PRES?')).trim().toUpperCase();
    if (unit !== 'PA') return { ok: false, fault: 'other unit', said: unit };
    await scpi.tell(`PRES:SET ${setPa}`);
    await scpi.tell(`HOLD:TIME ${holdS}`);
    if (at.simulated) await scpi.tell(`SIM:DEV ${quoted(device)}`);
    const about = {
      instrument,
      volumeMl: Number(await scpi.ask('TEST:VOL?')),
      ambientPa: Number(await scpi.ask('PRES:AMB?')),
    };
    await scpi.check();
    watch.begun(about);
    await scpi.tell('INIT');
    return await hold(scpi, settings, about, watch, at.simulated ? standInSpeed() : 1);
  } catch (e) {
    if (!(e instanceof ScpiFault)) throw e;
    return { ok: false, fault: e.code === 0 ? 'no tester' : 'stopped', said: e.message };
  } finally {
    scpi?.close();
  }
}
async function hold(
  scpi: Scpi,
  { holdS, fillS = usualFillS }: LeakSettings,
  about: Omit<LeakRun, 'samples'>,
  watch: Watcher,
  pace: number,
): Promise<Tested> {
  const samples: LeakSample[] = [];
  const begun = Date.now();
  const until = begun + (fillS + holdS + patienceS) * 1000;
  const fillMs = (fillS * 1000) / pace;
  for (;;) {
    const state = (await scpi.ask('STAT?')).trim().toUpperCase();
    const fresh = readingsOf(await scpi.ask(`FETC:NEW? ${samples.length}`));
    const last = samples.at(-1)?.tS ?? -1;
    if (fresh.some((s, k) => !Number.isFinite(s.tS + s.pPa) || s.tS <= (fresh[k - 1]?.tS ?? last)))
      return { ok: false, fault: 'out of order', said: `after ${last} s` };
    samples.push(...fresh);
    if (state === 'EVAC' || fresh.length) watch.samples(state === 'EVAC' ? 'evacuating' : 'holding', fresh);
    // what is not reached in the filling time runs out as fast as it is drawn: that is an answer, and a curve of one reading
    if (state === 'EVAC' && Date.now() - begun > fillMs) {
      const reached = Number(await scpi.ask('MEAS:PRES?'));
      await scpi.tell('ABOR');
      return Number.isFinite(reached)
        ? { ok: true, run: { ...about, samples: [{ tS: 0, pPa: reached }] } }
        : { ok: false, fault: 'stopped', said: `after ${fillS} s of filling` };
    }
    if (state === 'DONE') return { ok: true, run: { ...about, samples } };
    if (state === 'IDLE' || Date.now() > until)
      return {
        ok: false,
        fault: 'stopped',
        said: `after ${(samples.at(-1)?.tS ?? 0).toFixed(0)} s of ${holdS} s`,
      };
    await pause(pollMs);
  }
}
const readingsOf = (line: string): LeakSample[] =>
  line
    .replaceAll('"', '')
    .split(/\s+/)
    .filter(Boolean)
    .map((reading) => {
      const [tS, pPa, tempC] = reading.split(',').map(Number);
      return { tS: tS!, pPa: pPa!, ...(tempC === undefined ? {} : { tempC }) };
    });
