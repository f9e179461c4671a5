import { randomUUID } from 'node:crypto';
import { type LeakAnswer, leakOf } from '../../core/leak/leak';
import { findsReference, type SelfTest, trustOf } from '../../core/leak/self-test';
import {
  leakAskSchema,
  type LeakLine,
  type LeakSettings,
  selfTestAskSchema,
} from '../../core/wire/leak-test';
import type { LeakSample } from '../../core/leak/fit';
import type { Outcome } from '../../core/wire/outcome';
import type { Who } from '../../core/wire/who';
import { appendCommand, lockedJob } from '../append-command';
import { dropShop } from '../auth/held-sessions';
import { findJob } from '../db/jobs';
import { findMeasurement, keepMeasurement } from '../db/measurements';
import { inShop } from '../db/orm';
import { workshopToChange } from '../db/workshop';
import { isStandIn } from '../instruments/instrument-at';
import { runLeakTest } from '../instruments/leak-tester';
import { log } from '../log';

/**
 * Runs a leak test of a job: draws down, holds, says each reading as it comes, and what they come to. The curve is kept with
 * the job whatever it says; that the device holds, or does not, goes into the log, and nothing where it is unclear. It goes
 * on when whoever watches goes away.
 * @param say a line for the bench; told nobody once they have gone
 */
export async function leakTest(
  who: Who,
  jobId: string,
  json: unknown,
  say: (line: LeakLine) => void,
): Promise<void> {
  const read = leakAskSchema.safeParse(json);
  const refuse = (fault: Extract<LeakLine, { say: 'failed' }>['fault'], said = '') =>
    say({ say: 'failed', fault, said });
  if (!read.success) {
    refuse('not understood', read.error.issues[0]?.message);
    return;
  }
  const settings = who.settings.leakTester;
  if (!settings) {
    refuse('not set');
    return;
  }
  // a tester that does not find a leak of known size finds none
  if (trustOf(who.settings.leakSelfTest, Date.now()) === 'failed') {
    refuse('own test failed');
    return;
  }
  if (!(await inShop(who.shopId, async (em) => Boolean(await findJob(em, jobId))))) {
    refuse('no such job');
    return;
  }
  const tested = await runLeakTest(who, settings, read.data.simulate, {
    begun: ({ volumeMl, instrument }) => say({ say: 'begun', settings, volumeMl, instrument }),
    samples: (phase, samples) => say({ say: 'samples', phase, samples }),
  });
  if (!tested.ok) {
    refuse(tested.fault, tested.said);
    return;
  }
  const { instrument, volumeMl, ambientPa, samples } = tested.run;
  const { setPa, holdS, limitPaS, lossShare } = settings;
  const answer = leakOf({ volumeMl, ambientPa, samples, setPa, holdS, limitPaS, lossShare });
  const measurement = randomUUID();
  const outcome = await inShop(who.shopId, async (em): Promise<Outcome | undefined> => {
    await keepMeasurement(em, {
      ...{ id: measurement, jobId, kind: 'leak', unit: 'Pa', instrument, personId: who.personId },
      settings: { ...settings, volumeMl, ambientPa },
      samples,
      result: { ...answer },
    });
    if (answer.verdict === 'unclear') return undefined;
    const locked = await lockedJob(em, jobId);
    if (!locked) throw new RangeError(`no job ${jobId} in this workshop`);
    const { at, clockKnown, command: id } = read.data;
    const body = {
      type: 'leakTested' as const,
      holds: answer.verdict === 'pass',
      ...lostOf(answer, samples, setPa),
      proved: trustOf(who.settings.leakSelfTest, Date.now()) === 'good',
      ...(isStandIn(who, 'leak-tester') ? { simulated: true } : {}),
      measured: {
        ...{ id: measurement, setPa, holdS, limitPaS },
        ratePaS: rounded(answer.rateSteadyPaS),
        errorPaS: rounded(answer.rateErrorPaS),
        sccm: rounded(answer.leakSccm),
      },
    };
    // it took until now: the moment of the press was before the hold
    const took = Math.round(((samples.at(-1)?.tS ?? 0) + 1) * 1000);
    const command = { id, job: jobId, body, at: at + took, clockKnown };
    return (await appendCommand(em, who, command, locked)).outcome;
  });
  log.debug({ jobId, verdict: answer.verdict }, 'leak test');
  say({ say: 'done', answer, measurement, ...(outcome ? { outcome } : {}) });
}
/**
 * Has the tester find its reference leak, and keeps what it made of it: after one that failed it tests no device until it
 * finds it. An owner's, a lead's or a technician's.
 */
export async function leakSelfTest(who: Who, json: unknown, say: (line: LeakLine) => void): Promise<void> {
  const read = selfTestAskSchema.safeParse(json);
  const settings = who.settings.leakTester;
  const refuse = (fault: Extract<LeakLine, { say: 'failed' }>['fault'], said = '') =>
    say({ say: 'failed', fault, said });
  if (who.role === 'trainee') return refuse('not allowed');
  if (!read.success) return refuse('not understood');
  if (!settings) return refuse('not set');
  const { referencePaS } = settings;
  if (referencePaS === undefined) return refuse('no reference');
  const tested = await runLeakTest(who, settings, read.data.simulate, {
    begun: ({ volumeMl, instrument }) => say({ say: 'begun', settings, volumeMl, instrument }),
    samples: (phase, samples) => say({ say: 'samples', phase, samples }),
  });
  if (!tested.ok) return refuse(tested.fault, tested.said);
  const { volumeMl, ambientPa, samples } = tested.run;
  const { setPa, holdS } = settings;
  const answer = leakOf({ volumeMl, ambientPa, samples, setPa, holdS });
  const selfTest: SelfTest = {
    ...{ at: Date.now(), by: who.personId, referencePaS },
    ratePaS: rounded(answer.rateSteadyPaS ?? 0),
    errorPaS: rounded(answer.rateErrorPaS ?? 0),
    ok: findsReference(answer, referencePaS),
  };
  await inShop(who.shopId, async (em) => {
    const shop = await workshopToChange(em);
    shop.settings = { ...shop.settings, leakSelfTest: selfTest };
  });
  dropShop(who.shopId);
  say({ say: 'tried', answer, selfTest });
}
/** Figures of a tester are kept to a thousandth. */
const rounded = <T extends number | undefined>(x: T): T =>
  (x === undefined ? undefined : Math.round(x * 1000) / 1000) as T;
/** What was lost in the hold, Pa; where it was never reached, what is missing of it. */
const lostOf = ({ dropPa }: LeakAnswer, samples: readonly LeakSample[], setPa: number) => ({
  lost: {
    value: Math.max(0, Math.round(samples.length > 1 ? dropPa : setPa - Math.abs(samples[0]!.pPa))),
    unit: 'Pa' as const,
  },
});
export interface LeakCurve {
  samples: LeakSample[];
  /** What settling took away, Pa. */
  settledPa: number;
  settings: LeakSettings;
  instrument: string;
  takenAt: string;
}
/** The curve of a leak test with what it came to; undefined where the job has none of this id. */
export const leakCurve = (who: Who, jobId: string, id: string): Promise<LeakCurve | undefined> =>
  inShop(who.shopId, async (em) => {
    const row = await findMeasurement(em, jobId, id);
    return row?.kind === 'leak'
      ? {
          samples: row.samples as LeakSample[],
          settledPa: (row.result as unknown as LeakAnswer).settling.amplitudePa,
          settings: row.settings as unknown as LeakSettings,
          instrument: row.instrument,
          takenAt: row.takenAt.toISOString(),
        }
      : undefined;
  });
