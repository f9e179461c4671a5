import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/receive';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { EarlierJob } from '../../../core/wire/earlier-job';
import { causeName } from '../../../words/fault';
import { Note } from '../../ui/note';

export interface Seen {
  earlier: EarlierJob[];
  others: { name: string; at: number }[];
}
/** Asks who a tag belongs to, once somebody has stopped typing. */
export function useSeen(draft: string, tag: string): Seen {
  const [seen, setSeen] = useState<Seen>({ earlier: [], others: [] });
  useEffect(() => {
    const wanted = tag.trim();
    if (wanted.length < 3) {
      setSeen({ earlier: [], others: [] });
      return;
    }
    const abort = new AbortController();
    const timeout = setTimeout(() => {
      fetch(`/receive/${draft}/history?tag=${encodeURIComponent(wanted)}`, { signal: abort.signal })
        .then(async (r) => {
          if (r.ok) setSeen((await r.json()) as Seen);
        })
        .catch(() => {});
    }, 250);
    return () => {
      clearTimeout(timeout);
      abort.abort();
    };
  }, [draft, tag]);
  return seen;
}

/** A device that has been here before, or that somebody else is receiving just now. */
export function SeenBefore({ seen, onAsLastTime }: { seen: Seen; onAsLastTime: (j: EarlierJob) => void }) {
  const { day } = useFormats();
  const [last] = seen.earlier;
  const open = seen.earlier.find((j) => j.ending === null);
  return (
    <>
      {seen.others.map((o) => (
        <Note key={o.name} tone="stop" role="status">
          {wording.isReceivingADeviceWith(o.name)}
        </Note>
      ))}
      {open && (
        <Note tone="stop" role="status">
          {wording.itIsHereAlreadyJob(open.number, open.stage)}
          <Link to={`/jobs/${open.id}/offer`}>{wording.goOnThere}</Link>
        </Note>
      )}
      {last && !open && (
        <Note role="status">
          <div className="spread mid">
            <span className="strong">
              {wording.hereBefore(seen.earlier.length, seen.earlier.length === 1 ? 'job' : 'jobs')}
            </span>
            <Button onClick={() => onAsLastTime(last)}>{wording.asLastTime}</Button>
          </div>
          {seen.earlier.map((j) => (
            <div key={j.id} className="small">
              <Link to={`/jobs/${j.id}/report`}>{wording.job(j.number)}</Link>
              {`, ${day(j.openedAt)}: ${j.tasks.join(', ') || wording.nothingDone}${j.ending === 'handed over' ? '' : `, ${j.ending}`}${j.cause ? `; fault: ${causeName(j.cause)}` : ''}. “${j.complaint.slice(0, 80)}”`}
            </div>
          ))}
        </Note>
      )}
    </>
  );
}
