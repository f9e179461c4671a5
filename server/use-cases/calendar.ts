import ical, { ICalEventStatus } from 'ical-generator';
import { createHash, randomBytes } from 'node:crypto';
import { z } from 'zod';
import type { CalendarSaid } from '../../core/wire/calendar';
import type { Who } from '../../core/wire/who';
import * as wording from '../../words/answers/calendar';
import { calendarOf, calendarSince, dropCalendar, setCalendar } from '../db/calendar';
import { openJobs } from '../db/jobs';
import { inShop } from '../db/orm';
import { workshopOf } from '../db/workshop';

const digest = (token: string) => createHash('sha256').update(token).digest('hex');
/** How long a device that is ready is expected to be fetched, and how often a calendar asks again. */
const pickUpMinutes = 15;
const againMinutes = 15;

const askSchema = z.strictObject({ do: z.enum(['make', 'end']) });
/** Gives the calendar an address, another one, or none. The address is said once: only its digest is kept. */
export async function changeCalendar(who: Who, json: unknown): Promise<CalendarSaid> {
  const ask = askSchema.safeParse(json);
  if (!ask.success) return { ok: false, status: 400, errors: { form: wording.notAskedFor } };
  if (who.role !== 'owner' && who.role !== 'lead')
    return { ok: false, status: 403, errors: { form: wording.whoChanges } };
  if (ask.data.do === 'end') {
    await inShop(who.shopId, dropCalendar);
    return { ok: true, said: wording.ended };
  }
  const token = randomBytes(24).toString('base64url');
  await inShop(who.shopId, (em) => setCalendar(em, digest(token)));
  return { ok: true, said: wording.made, path: `/calendar/${token}.ics` };
}
/** Since when there is an address, ms; null where there is none. */
export const calendarState = (who: Who): Promise<number | null> =>
  inShop(who.shopId, async (em) => (await calendarSince(em))?.getTime() ?? null);

/**
 * The calendar (RFC 5545) at an address: when each open device is promised; a device is named, its owner is not. undefined
 * for an address that is none, or no more.
 */
export async function calendarAt(token: string, origin: string): Promise<string | undefined> {
  if (!/^[\w-]{32}$/.test(token)) return undefined;
  const shopId = await calendarOf(digest(token));
  if (shopId === undefined) return undefined;
  return inShop(shopId, async (em) => {
    const { name, settings } = await workshopOf(em);
    const calendar = ical({
      name: wording.calendarName(name),
      prodId: { company: 'Snavek', product: 'promises', language: 'EN' },
      ttl: againMinutes * 60,
      ...(settings.timeZone ? { description: wording.timesIn(settings.timeZone) } : {}),
    });
    for (const job of await openJobs(em)) {
      if (job.promisedAt === null) continue;
      calendar.createEvent({
        id: `${job.id}@snavek`,
        start: new Date(job.promisedAt),
        end: new Date(job.promisedAt + pickUpMinutes * 60_000),
        stamp: new Date(job.updatedAt),
        lastModified: new Date(job.updatedAt),
        status: ICalEventStatus.CONFIRMED,
        summary: wording.pickUp(job.summary.model, job.tag, job.number),
        description: wording.stands(job.stage),
        url: `${origin}/jobs/${job.id}/work`,
      });
    }
    return calendar.toString();
  });
}
