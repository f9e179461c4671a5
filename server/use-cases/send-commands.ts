import { z } from 'zod';
import { bodySchema } from '../../core/job/event-schema';
import { appendCommand, openForCommand } from '../db/job-log';
import { inTransaction } from '../db/orm';
import type { Outcome, Who } from '../types';
import { confirmingPerson } from './sign-in';

const commandSchema = z.strictObject({
  id: z.string().min(8).max(60),
  job: z.uuid(),
  /** The person whose outbox this comes from: another person never sends it. */
  person: z.uuid(),
  body: bodySchema,
  at: z.number().int().min(0),
  clockKnown: z.boolean(),
  override: z.strictObject({ rules: z.array(z.string().max(60)).max(20), reason: z.string().max(1000), confirm: z.strictObject({ login: z.string().max(80), password: z.string().max(200) }).optional() }).optional(),
  passedAt: z.number().int().min(0).optional(),
});
export const commandsSchema = z.strictObject({ commands: z.array(commandSchema).min(1).max(200) });
export type SentCommand = z.output<typeof commandSchema>;
export type Answer = { id: string; outcome: Outcome };

/**
 * Decides commands one after another, each in a transaction of its own, in the order given.
 * A command that is already known gets its stored outcome again; an unknown job or another workshop's job is refused.
 */
export async function sendCommands(who: Who, commands: SentCommand[]): Promise<Answer[]> {
  const answers: Answer[] = [];
  for (const c of commands) answers.push({ id: c.id, outcome: await one(who, c) });
  return answers;
}
async function one(who: Who, c: SentCommand): Promise<Outcome> {
  const refuse = (code: 'no such job' | 'another person'): Outcome => ({ status: 'refused', seq: 0, refused: { code }, findings: [] });
  if (c.person !== who.personId) return refuse('another person');
  const second = c.override?.confirm && (await confirmingPerson(who.shopId, c.override.confirm.login, c.override.confirm.password));
  // the second person is somebody else, and not a trainee
  const confirmedBy = second && second.personId !== who.personId && second.role !== 'trainee' ? second.personId : undefined;
  return inTransaction(async (em) => {
    const job = await openForCommand(em, who.shopId, c.job, c.id);
    if (!job) return refuse('no such job');
    if (job.known) return job.known;
    const override = c.override && { rules: c.override.rules, reason: c.override.reason, ...(confirmedBy ? { confirmedBy } : {}) };
    const command = { id: c.id, job: c.job, body: c.body, at: c.at, clockKnown: c.clockKnown, override, passedAt: c.passedAt };
    const { outcome } = await appendCommand(em, who, command, c.job, job);
    // a passcode is there for the checks, and goes with the job
    if (outcome.status === 'recorded' && c.body.type === 'jobClosed') await em.execute(`delete from job_private where job_id = ? and kind = 'passcode'`, [c.job]);
    return outcome;
  });
}
