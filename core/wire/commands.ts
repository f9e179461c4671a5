import { z } from 'zod';
import { bodySchema } from '../log/event-schema';
import { onlyDecided } from '../log/events';
import { reportedBefore } from '../log/upcast';
import { firstMoment, lastMoment, notPlainAt, plainTextAdvice } from '../log/plain-text';
import type { Outcome } from './outcome';

/** A named reason for passing a stop, and where it takes two people, the second one's own sign-in. */
export const overrideSchema = z.strictObject({
  rules: z.array(z.string().max(60)).max(20),
  reason: z.string().max(1000),
  confirm: z.strictObject({ login: z.string().max(80), password: z.string().max(200) }).optional(),
});
export type SentOverride = z.output<typeof overrideSchema>;

export const commandSchema = z
  .strictObject({
    id: z.string().min(8).max(60),
    job: z.uuid(),
    /** The person whose outbox this comes from: another person never sends it. */
    person: z.uuid(),
    body: z.preprocess(reportedBefore, bodySchema),
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
export const unread = z.object({ id: z.string().min(1).max(60) });
export const commandsSchema = z.strictObject({ commands: z.array(unread.loose()).min(1).max(200) });
export type SentCommand = z.output<typeof commandSchema>;
export type Answer = { id: string; outcome: Outcome };
