import * as wording from '../../words/answers/owner-data';
import { randomUUID } from 'node:crypto';
import type { Changed } from '../../core/wire/changed';
import type { Who } from '../../core/wire/who';
import { flag } from '../../core/log/state';
import { dropAllPrivate, jobsOfOwner, namedOf } from '../db/job-private';
import { eventsAfter, loadState } from '../db/job-log';
import { Job } from '../db/entities';
import { inShop } from '../db/orm';
import { picturesOf, removePhotosOf } from '../db/photos';
import { list, plural } from '../../words/things';
import { sendCommands } from './send-commands';

const may = (who: Who) => who.role === 'owner' || who.role === 'lead';
const refused = (status: 403 | 409, form: string): Changed => ({ ok: false, status, errors: { form } });

/**
 * Erases what is known of the owner of a closed job: name, passcode, signatures, photographs. The log stays whole: it names
 * no one, and what was done to the device stays in it, with the words of the complaint; that it was erased is noted there.
 * @param why as the log says it: on request, or by which rule
 * @returns what was erased, `open` while the job needs it, undefined where this workshop has no such job
 */
export async function eraseKnown(
  who: Who,
  jobId: string,
  now: number,
  why: string,
): Promise<{ said: string; any: boolean } | 'open' | undefined> {
  const erased = await inShop(who.shopId, async (em) => {
    if (!(await em.findOne(Job, { id: jobId }))) return undefined;
    const state = await loadState(em, jobId);
    if (flag(state, 'ending') === undefined) return 'open' as const;
    const { signatures, owner } = await namedOf(em, jobId);
    const had = [
      ...(owner === null ? [] : ['the owner’s name']),
      ...(signatures.size ? [plural(signatures.size, 'signature')] : []),
    ];
    const gone = await dropAllPrivate(em, jobId);
    const photos = await removePhotosOf(em, jobId);
    if (photos) had.push(plural(photos, 'photograph'));
    return { any: gone + photos > 0, had: had.length ? had : ['the passcode'] };
  });
  if (!erased || erased === 'open') return erased;
  const said = wording.erased(why, list(erased.had));
  if (erased.any)
    await sendCommands(who, [
      {
        id: randomUUID(),
        job: jobId,
        person: who.personId,
        body: { type: 'noted', text: said },
        at: now,
        clockKnown: true,
      },
    ]);
  return { said, any: erased.any };
}
/** The same on request, by whoever may. */
export async function eraseOwnerData(who: Who, jobId: string, now: number): Promise<Changed | undefined> {
  if (!may(who)) return refused(403, wording.whoErases);
  const erased = await eraseKnown(who, jobId, now, 'on request');
  if (!erased) return undefined;
  if (erased === 'open') return refused(409, wording.jobIsOpen);
  return { ok: true, said: erased.any ? erased.said : wording.nothingKnown };
}

/**
 * All that is held of the owner of a job, from every job that carries the same name: for the owner who asks for it.
 * @returns undefined where there is no such job, or whoever asks may not
 */
export async function ownerData(who: Who, jobId: string): Promise<object | undefined> {
  if (!may(who)) return undefined;
  return inShop(who.shopId, async (em) => {
    if (!(await em.findOne(Job, { id: jobId }))) return undefined;
    const { owner } = await namedOf(em, jobId);
    const ids = owner === null ? [jobId] : await jobsOfOwner(em, owner);
    const jobs = await em.find(Job, { id: { $in: ids } }, { orderBy: { number: 'asc' } });
    return {
      owner,
      workshop: who.shopName,
      jobs: await Promise.all(
        jobs.map(async (job) => {
          const named = await namedOf(em, job.id);
          return {
            number: job.number,
            tag: job.tag,
            model: job.summary.model,
            receivedAt: job.openedAt.toISOString(),
            ending: job.ending,
            owner: named.owner,
            signatures: Object.fromEntries([...named.signatures].map(([id, kept]) => [id, JSON.parse(kept)])),
            photographs: (await picturesOf(em, job.id)).map(({ id, jpeg }) => ({
              id,
              jpeg: Buffer.from(jpeg).toString('base64'),
            })),
            log: await eventsAfter(em, job.id, 0),
          };
        }),
      ),
    };
  });
}
