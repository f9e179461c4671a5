import { useEffect, useMemo, useState } from 'react';
import type { JobEvent } from '../../../core/log/events';
import { useJobFrame } from '../../ui/job-frame';
import { eventText } from '../../../words/events';
import { logKinds } from '../../../words/log';

/** Every entry of the log, with those that come in while it is open. */
function useEvents(first: JobEvent[]): JobEvent[] {
  const { page, state } = useJobFrame();
  const [events, setEvents] = useState(first);
  const head = state.seq;
  useEffect(() => {
    const after = events.at(-1)?.seq ?? 0;
    if (head <= after) return;
    void fetch(`/jobs/${page.id}/events?after=${after}`)
      .then(async (r) => {
        if (!r.ok) return;
        const more = ((await r.json()) as { events: JobEvent[] }).events;
        setEvents((old) => [...old, ...more.filter((e) => e.seq > (old.at(-1)?.seq ?? 0))]);
      })
      .catch(() => {});
  }, [head, events, page.id]);
  return events;
}

/** The log as it is narrowed by words, kind and person, the latest first. */
export function useEntries(first: JobEvent[]) {
  const { page, index } = useJobFrame();
  const { people } = page;
  const events = useEvents(first);
  const [kind, setKind] = useState('all');
  const [person, setPerson] = useState('');
  const [text, setText] = useState('');
  const number = /^#?(\d+)$/.exec(text.trim())?.[1];
  const shown = useMemo(() => {
    const has = logKinds.find((k) => k.id === kind)!.has;
    const want = number === undefined ? text.trim().toLowerCase() : '';
    const says = (e: JobEvent) => `${eventText(index, e.body)} ${people[e.by] ?? ''}`.toLowerCase();
    return events
      .filter((e) => has(e) && (!person || e.by === person) && (!want || says(e).includes(want)))
      .toReversed();
  }, [events, kind, person, text, number, index, people]);
  useEffect(() => {
    if (number) document.getElementById(`e${number}`)?.scrollIntoView({ block: 'center' });
  }, [number]);
  return { events, shown, kind, setKind, person, setPerson, text, setText, number };
}
export type Entries = ReturnType<typeof useEntries>;
