import { randomUUID } from 'node:crypto';
import { forceN, usualPress } from '../../core/seal/press';
import { type ForceSample, pressedBy } from '../../core/seal/press-curve';
import { type PressAsk, pressAskSchema, type PressLine } from '../../core/wire/press-run';
import type { Who } from '../../core/wire/who';
import { appendCommand, lockedJob } from '../append-command';
import { findJob } from '../db/jobs';
import { findMeasurement, keepMeasurement } from '../db/measurements';
import { inShop } from '../db/orm';
import { isStandIn } from '../instruments/instrument-at';
import { runPress } from '../instruments/force-gauge';

/** Figures of a gauge are kept to a tenth. */
const tenth = (x: number) => Math.round(x * 10) / 10;

/**
 * Runs the seal press with its gauge: its curve is kept with the job, and what it came to goes into the log, held or not. It
 * goes on when whoever watches goes away.
 */
export async function press(
  who: Who,
  jobId: string,
  json: unknown,
  say: (line: PressLine) => void,
): Promise<void> {
  const read = pressAskSchema.safeParse(json);
  const refuse = (fault: Extract<PressLine, { say: 'failed' }>['fault'], said = '') =>
    say({ say: 'failed', fault, said });
  if (!read.success) return refuse('not understood', read.error.issues[0]?.message);
  if (!(await inShop(who.shopId, async (em) => Boolean(await findJob(em, jobId)))))
    return refuse('no such job');
  const { command: id, at, clockKnown, target, holdS, simulate, begins } = read.data;
  if (begins && !(await begun(who, jobId, read.data))) return refuse('stopped by a rule');
  const setN = tenth(forceN(who.settings.press ?? usualPress));
  const run = await runPress(who, { setN, holdS }, simulate, (samples) => say({ say: 'pressing', samples }));
  if (!run.ok) return refuse(run.fault, run.said);
  const { instrument, samples } = run;
  const pressed = pressedBy(samples, setN, holdS);
  const measurement = randomUUID();
  const { outcome } = await inShop(who.shopId, async (em) => {
    await keepMeasurement(em, {
      ...{ id: measurement, jobId, kind: 'press', unit: 'N', instrument, personId: who.personId },
      settings: { setN, holdS, target },
      samples,
      result: { ...pressed },
    });
    const locked = await lockedJob(em, jobId);
    if (!locked) throw new RangeError(`no job ${jobId} in this workshop`);
    const body = {
      ...{ type: 'pressRead' as const, target, held: pressed.verdict === 'held', id: measurement },
      ...{ setN, meanN: tenth(pressed.meanN), peakN: tenth(pressed.peakN), heldS: tenth(pressed.heldS) },
      ...(isStandIn(who, 'force-gauge') ? { simulated: true } : {}),
    };
    // it took until now: the moment of the press was before the hold
    const took = Math.round((samples.at(-1)?.tS ?? 0) * 1000);
    return appendCommand(em, who, { id, job: jobId, body, at: at + took, clockKnown }, locked);
  });
  say({ say: 'pressed', pressed, outcome });
}
/** The device goes under the press. @returns false where a rule stops that: then the press does not move */
const begun = (
  who: Who,
  jobId: string,
  { command, at, clockKnown, target, holdS }: PressAsk,
): Promise<boolean> =>
  inShop(who.shopId, async (em) => {
    const locked = await lockedJob(em, jobId);
    if (!locked) throw new RangeError(`no job ${jobId} in this workshop`);
    const body = { type: 'acted' as const, act: 'press' as const, target: `${target}:start`, forS: holdS };
    const begin = { id: `${command}-begin`, job: jobId, body, at, clockKnown };
    const { outcome } = await appendCommand(em, who, begin, locked);
    return outcome.status !== 'refused';
  });
export interface PressCurve {
  samples: ForceSample[];
  setN: number;
  holdS: number;
  instrument: string;
}
/** The curve of a press; undefined where the job has none of this id. */
export const pressCurve = (who: Who, jobId: string, id: string): Promise<PressCurve | undefined> =>
  inShop(who.shopId, async (em) => {
    const row = await findMeasurement(em, jobId, id);
    if (row?.kind !== 'press') return undefined;
    const { setN, holdS } = row.settings as { setN: number; holdS: number };
    return { samples: row.samples as ForceSample[], setN, holdS, instrument: row.instrument };
  });
