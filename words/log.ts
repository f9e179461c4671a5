import { type BodyType, final, gates, type JobEvent } from '../core/log/events';
import type { JobState } from '../core/log/state';
import { plural } from './things';

/** The kinds by which a log is narrowed. */
export const logKinds: readonly { id: string; name: string; has: (e: JobEvent) => boolean }[] = [
  { id: 'all', name: 'everything', has: () => true },
  {
    id: 'checks',
    name: 'checks and tests',
    has: (e) => ['checked', 'tested', 'testBegun', 'testDeclined', 'causeStated'].includes(e.body.type),
  },
  {
    id: 'screws',
    name: 'screws',
    has: (event) =>
      [
        'screwOut',
        'screwIn',
        'screwMeasured',
        'spilled',
        'sorted',
        'substituted',
        'lost',
        'found',
        'strayFound',
        'strayRemoved',
      ].includes(event.body.type),
  },
  {
    id: 'notes',
    name: 'notes, photographs, trouble',
    has: (e) => ['noted', 'photographed', 'troubled', 'troubleEnded', 'marked'].includes(e.body.type),
  },
  {
    id: 'gates',
    name: 'gates and overrides',
    has: (e) => gates.has(e.body.type) || e.body.type === 'overridden' || e.breach !== undefined,
  },
];
/** Why an entry stays, by what `final` says of its type. */
export const finalText = {
  first: 'it opened the job',
  'heat given': 'heat was given',
  'data written': 'data were written',
  signed: 'it was signed',
  'stock moved': 'stock was moved',
  closed: 'the job was closed',
  audit: 'it shows who did what, and stays',
} as const;

/** How far back the latest entries can be taken, and what stops it there. */
export interface WayBack {
  /** The entries that go, the latest first. */
  reach: readonly string[];
  /** The entry that stays, and everything before it; undefined where nothing stops it. */
  stop: JobState['trail'][number] | undefined;
}
/**
 * @param chain the entries that would have to go, the latest first
 * @param me whose entries may go
 */
export function wayBack(state: JobState, chain: readonly string[], me: string): WayBack {
  const entries = chain.map((id) => state.trail.find((t) => t.event === id)!);
  const at = entries.findIndex((t) => t.by !== me || final.has(t.type as BodyType));
  return at < 0 ? { reach: chain, stop: undefined } : { reach: chain.slice(0, at), stop: entries[at] };
}
/** What taking back to an entry would do, before it is done. */
export function wayBackText({ reach, stop }: WayBack, to: number, me: string): string {
  const why =
    stop &&
    (stop.by !== me
      ? 'is somebody else’s; put it right with a correction'
      : `cannot be taken back: ${finalText[final.get(stop.type as BodyType)!]}`);
  const goes = `Takes back ${plural(reach.length, 'entry', 'entries')} at once`;
  if (!why) return `${goes}, so that the job stands as after #${to}.`;
  return reach.length ? `${goes} and stops there: the next ${why}.` : `The latest entry ${why}.`;
}
