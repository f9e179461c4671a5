import { z } from 'zod';
import type { Command } from '../../core/job/decide';
import { onlyDecided } from '../../core/job/events';
import { firstMoment, lastMoment, notPlainAt, plainTextAdvice } from '../../core/job/plain-text';
import { bodySchema } from '../../core/job/event-schema';
import { pathText } from '../../core/model/check-model';
import type { JobState } from '../../core/job/state';
import { appendCommand, holdState, openForCommand } from '../db/job-log';
import { dropPrivate } from '../db/job-private';
import { inTransaction, isDatabaseAway } from '../db/orm';
import { log } from '../log';
import type { Outcome, Who } from '../types';
import { confirmingPerson } from './sign-in';

/** For the door: without the database it answers that it is away, not that it failed. */
export { isDatabaseAway };
/** A named reason for passing a stop, and where it takes two people, the second one's own sign-in. */
export const overrideSchema = z.strictObject({
  rules: z.array(z.string().max(60)).max(20),
  reason: z.string().max(1000),
  confirm: z.strictObject({ login: z.string().max(80), password: z.string().max(200) }).optional(),
});
export type SentOverride = z.output<typeof overrideSchema>;

const commandSchema = z
  .strictObject({
    id: z.string().min(8).max(60),
    job: z.uuid(),
    /** The person whose outbox this comes from: another person never sends it. */
    person: z.uuid(),
    body: bodySchema,
    at: z.number().int().min(firstMoment).max(lastMoment),
    clockKnown: z.boolean(),
    override: overrideSchema.optional(),
    passedAt: z.number().int().min(0).optional(),
    seen: z.number().int().min(0).optional(),
  })
  .superRefine((command, at) => {
    const path = notPlainAt(command);
    if (path) at.addIssue({ code: 'custom', path, message: plainTextAdvice });
    if (onlyDecided.has(command.body.type))
      at.addIssue({
        code: 'custom',
        path: ['body', 'type'],
        message: 'that follows from a decision and is not reported',
      });
  });
/** Of a command that cannot be read, at least its id: the others are not held up by it. */
const unread = z.object({ id: z.string().min(1).max(60) });
export const commandsSchema = z.strictObject({ commands: z.array(unread.loose()).min(1).max(200) });
export type SentCommand = z.output<typeof commandSchema>;
export type Answer = { id: string; outcome: Outcome };

/**
 * Decides commands one after another, each in a transaction of its own, in the order given.
 * A command that is already known gets its stored outcome again; an unknown job or another workshop's job is refused.
 */
export async function sendCommands(
  who: Who,
  commands: readonly { id: string; [field: string]: unknown }[],
): Promise<Answer[]> {
  const answers: Answer[] = [];
  for (const c of commands) {
    const read = commandSchema.safeParse(c);
    answers.push({
      id: c.id,
      outcome: read.success
        ? await oneOf(who, read.data)
        : {
            status: 'refused',
            seq: 0,
            refused: {
              code: 'not understood',
              problems: read.error.issues
                .slice(0, 20)
                .map((i) => ({ path: pathText(i.path), text: i.message })),
            },
            findings: [],
          },
    });
  }
  return answers;
}
/** What one command is given more than its schema sees is its own misfortune: it is refused, and those behind it go on. */
async function oneOf(who: Who, command: SentCommand): Promise<Outcome> {
  try {
    return await one(who, command);
  } catch (e) {
    // without the database nothing can be said: the outbox keeps them all and asks again
    if (isDatabaseAway(e)) throw e;
    log.error({ err: e, command: command.id, type: command.body.type }, 'a command failed');
    return { status: 'refused', seq: 0, refused: { code: 'not understood', problems: [] }, findings: [] };
  }
}
/** An override with the second person in place of their password; that is somebody else, and not a trainee. */
export async function confirmed(who: Who, sent: SentOverride | undefined): Promise<Command['override']> {
  if (!sent) return undefined;
  const second = sent.confirm && (await confirmingPerson(who, sent.confirm.login, sent.confirm.password));
  const confirmedBy =
    second && second.personId !== who.personId && second.role !== 'trainee' ? second.personId : undefined;
  return { rules: sent.rules, reason: sent.reason, ...(confirmedBy ? { confirmedBy } : {}) };
}
const refuse = (code: 'no such job' | 'another person' | 'used before'): Outcome => ({
  status: 'refused',
  seq: 0,
  refused: { code },
  findings: [],
});
/** So far a bench's clock, corrected by what it knows of ours, may be ahead, ms. */
const clockPlayMs = 60_000;
async function one(who: Who, c: SentCommand): Promise<Outcome> {
  if (c.person !== who.personId) return refuse('another person');
  const override = await confirmed(who, c.override);
  // a bench whose clock is ahead of ours would end every wait before its time: its clock counts as not known
  const now = Date.now();
  const ahead = c.at > now + clockPlayMs;
  let next: JobState | undefined;
  const outcome = await inTransaction(async (em): Promise<Outcome> => {
    const job = await openForCommand(em, who.shopId, c.job, c.id);
    if (!job) return refuse('no such job');
    if (job.otherJob) return refuse('used before');
    if (job.known) return job.known;
    const command = {
      id: c.id,
      job: c.job,
      body: c.body,
      at: ahead ? now : c.at,
      clockKnown: c.clockKnown && !ahead,
      override,
      passedAt: c.passedAt,
      seen: c.seen,
    };
    const { outcome, state } = await appendCommand(em, who, command, c.job, job);
    next = state;
    // a passcode is there for the checks, and goes with the job
    if (outcome.status === 'recorded' && c.body.type === 'jobClosed')
      await dropPrivate(em, c.job, 'passcode');
    return outcome;
  });
  if (next) holdState(who.shopId, c.job, next);
  return outcome;
}
