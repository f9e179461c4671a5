import { eventVersion, type JobEvent } from './events';

/**
 * What has to be changed on an event of an older version, one version at a time. An event that was written by a newer
 * version is left as it is: what of it is not understood is folded as such.
 */
type OldBody = { type: string; [field: string]: unknown };
const lifts: readonly ((body: OldBody) => OldBody)[] = [
  // 1 -> 2: a leak test could only pass; its end was an act like any other
  (body) =>
    body.type === 'acted' && body.act === 'leak test' && body.target === 'device:end'
      ? { type: 'leakTested', holds: true }
      : body,
  // 2 -> 3: two names that nobody guessed
  renamed,
];

/** A body under the names of today, where it has one that is no longer given. */
function renamed(body: OldBody): OldBody {
  if (body.type === 'eased') return { ...body, type: 'troubleEnded' };
  if (body.type !== 'fated') return body;
  const { rider, fate, ...rest } = body;
  return { ...rest, type: 'transferSet', part: rider, outcome: fate };
}
/**
 * What a bench sends that was loaded before an upgrade, or kept it in its outbox: what it reports under an old name is the
 * same fact. Anything else is left as it is, to be read and refused by the schema.
 */
export const reportedBefore = (body: unknown): unknown =>
  body !== null && typeof body === 'object' && 'type' in body ? renamed(body as OldBody) : body;

/** An event in the words of this version; the same object when nothing has to be changed. */
export function upcast(event: JobEvent): JobEvent {
  if (event.v >= eventVersion) return event;
  let body = event.body as OldBody;
  for (let v = event.v; v < eventVersion; v++) body = lifts[v - 1]?.(body) ?? body;
  return body === (event.body as OldBody)
    ? event
    : { ...event, v: eventVersion, body: body as unknown as JobEvent['body'] };
}
