import { flag } from '../../core/log/state';
import { type ModuleAnswer, moduleAskSchema } from '../../core/wire/identity';
import type { Who } from '../../core/wire/who';
import { appendCommand, lockedJob } from '../append-command';
import { loadState } from '../db/job-log';
import { findJob } from '../db/jobs';
import { indexOf } from '../db/models';
import { inShop } from '../db/orm';
import { isStandIn } from '../instruments/instrument-at';
import { testModule } from '../instruments/programmer';

/**
 * Tests the module of a job at the programmer, and records what it said: no bench says that for it. Undefined where this
 * workshop has no such job or part.
 */
export async function moduleTest(who: Who, jobId: string, json: unknown): Promise<ModuleAnswer | undefined> {
  const ask = moduleAskSchema.safeParse(json);
  if (!ask.success) return { ok: false, said: ask.error.issues[0]?.message ?? '' };
  const { slot, again, command, at, clockKnown } = ask.data;
  const job = await inShop(who.shopId, async (em) => {
    const row = await findJob(em, jobId);
    if (!row) return undefined;
    const state = await loadState(em, jobId);
    const index = await indexOf(em, row.modelHash, row.variant);
    return index.slots.has(slot) ? { model: index.model.id, tag: flag(state, 'tag') ?? jobId } : undefined;
  });
  if (!job) return undefined;
  const said = await testModule(who, {
    model: job.model,
    slot,
    serial: `${job.tag}-${slot}`,
    fault: again ? 'none' : 'module',
  });
  if (!said.ok) return said;
  const mark = isStandIn(who, 'programmer') ? { simulated: true } : {};
  const body = { type: 'moduleTested' as const, slot, fails: said.fails, again, ...mark };
  await inShop(who.shopId, async (em) => {
    const locked = await lockedJob(em, jobId);
    if (locked) await appendCommand(em, who, { id: command, job: jobId, body, at, clockKnown }, locked);
  });
  return said;
}
