import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { EarlierJob } from '../../../core/wire/earlier-job';
import { causeName } from '../../../words/fault';
import { day } from '../../../words/time';
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
    const t = setTimeout(() => {
      fetch(`/receive/${draft}/history?tag=${encodeURIComponent(wanted)}`, { signal: abort.signal })
        .then(async (r) => {
          if (r.ok) setSeen((await r.json()) as Seen);
        })
        .catch(() => {});
    }, 250);
    return () => {
      clearTimeout(t);
      abort.abort();
    };
  }, [draft, tag]);
  return seen;
}

/** A device that has been here before, or that somebody else is receiving just now. */
export function SeenBefore({ seen, onAsLastTime }: { seen: Seen; onAsLastTime: (j: EarlierJob) => void }) {
  const [last] = seen.earlier;
  const open = seen.earlier.find((j) => j.ending === null);
  return (
    <>
      {seen.others.map((o) => (
        <Note
          key={o.name}
          tone="stop"
          role="status"
        >{`${o.name} is receiving a device with this tag, too.`}</Note>
      ))}
      {open && (
        <Note tone="stop" role="status">
          {`It is here already: job ${open.number}, at ${open.stage}. `}
          <Link to={`/jobs/${open.id}/offer`}>Go on there</Link>
        </Note>
      )}
      {last && !open && (
        <Note role="status">
          <div className="spread mid">
            <span className="strong">{`Here before: ${seen.earlier.length} ${seen.earlier.length === 1 ? 'job' : 'jobs'}`}</span>
            <Button onClick={() => onAsLastTime(last)}>As last time</Button>
          </div>
          {seen.earlier.map((j) => (
            <div key={j.id} className="small">
              <Link to={`/jobs/${j.id}/report`}>{`job ${j.number}`}</Link>
              {`, ${day(j.openedAt)}: ${j.tasks.join(', ') || 'nothing done'}${j.ending === 'handed over' ? '' : `, ${j.ending}`}${j.cause ? `; fault: ${causeName(j.cause)}` : ''}. “${j.complaint.slice(0, 80)}”`}
            </div>
          ))}
        </Note>
      )}
    </>
  );
}
