import { sourceAsSet } from '../../core/heat/planned-soak';
import { flag, type JobState } from '../../core/log/state';
import type { ReadTemperature } from '../../core/wire/read-temperature';
import type { Who } from '../../core/wire/who';
import { loadState } from '../db/job-log';
import { findJob } from '../db/jobs';
import { inShop } from '../db/orm';
import { readThermometer } from '../instruments/thermometer';

/** The room of the stand-in, how fast the glass of its phone warms and cools, s, and how far its plate is off what is set, K. */
const roomC = 22;
const warmsS = 35;
const coolsS = 150;
const plateOffK = -3;

/** What the stand-in's glass would read now: a phone that is warmed by a plate that is cooler than it says. */
function glassNow(state: JobState, who: Who, now: number): number {
  const soak = flag(state, 'soaks')?.at(-1);
  const set = soak && sourceAsSet(soak.station, who.settings.heat);
  if (!soak || !set) return roomC;
  const over = (soak.setC ?? set.setC) + plateOffK - roomC;
  const onS = ((soak.to ?? now) - soak.from) / 1000;
  const offS = soak.to === null ? 0 : (now - soak.to) / 1000;
  return roomC + over * (1 - Math.exp(-onS / warmsS)) * Math.exp(-offS / coolsS);
}
/** Reads the bench thermometer for a job; undefined where this workshop has none of it. What was read is reported by the bench. */
export async function readGlass(who: Who, jobId: string): Promise<ReadTemperature | undefined> {
  const state = await inShop(who.shopId, async (em) =>
    (await findJob(em, jobId)) ? loadState(em, jobId) : undefined,
  );
  return state && readThermometer(glassNow(state, who, Date.now()));
}
