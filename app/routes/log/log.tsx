import { Progress, Input, Button, type InputRef } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { type BodyType, final, gates, type JobEvent } from '../../../core/job/events';
import { type IndexedModel, indexModel } from '../../../core/model/index-model';
import { jobEvents } from '../../../server/use-cases/job-page';
import { notePerson } from '../../job/offline-page';
import { useJob } from '../../job/use-job';
import { JobHead } from '../../ui/job-head';
import { useKeys } from '../../ui/keys';
import { eventText } from '../../words/events';
import { refusalText } from '../../words/findings';
import { plural } from '../../words/things';
import { clock, day } from '../../words/time';
import { loadJob } from '../job-loader';
import type { Route } from './+types/log';
import { chainTo } from './chain';
import { Pick } from '../../ui/pick';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const loaded = await loadJob(request, context, params.job);
  return { ...loaded, events: (await jobEvents(loaded.who, params.job, 0))?.events ?? [] };
}
const kinds: readonly { id: string; name: string; has: (e: JobEvent) => boolean }[] = [
  { id: 'all', name: 'everything', has: () => true },
  {
    id: 'checks',
    name: 'checks and tests',
    has: (e) => ['checked', 'tested', 'testBegun', 'testDeclined', 'causeStated'].includes(e.body.type),
  },
  {
    id: 'screws',
    name: 'screws',
    has: (e) =>
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
      ].includes(e.body.type),
  },
  {
    id: 'notes',
    name: 'notes, photographs, trouble',
    has: (e) => ['noted', 'photographed', 'troubled', 'eased', 'marked'].includes(e.body.type),
  },
  {
    id: 'gates',
    name: 'gates and overrides',
    has: (e) => gates.has(e.body.type) || e.body.type === 'overridden' || e.breach !== undefined,
  },
];
const finalText = {
  first: 'it opened the job',
  'heat given': 'heat was given',
  'data written': 'data were written',
  signed: 'it was signed',
  'stock moved': 'stock was moved',
  closed: 'the job was closed',
  audit: 'it is part of the audit',
} as const;

/** Everything that happened to a job, with time and person; back to any point that can be gone back to. */
export default function Log({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  notePerson(who);
  const { replica, view } = useJob(page, who);
  const index = indexModel(page.model);
  const { state } = view;
  const [events, setEvents] = useState(loaderData.events);
  const [kind, setKind] = useState('all');
  const [person, setPerson] = useState('');
  const [text, setText] = useState('');
  const [asked, setAsked] = useState<JobEvent>();
  const [said, setSaid] = useState<string>();
  const [back, setBack] = useState<{ done: number; of: number }>();
  const search = useRef<InputRef>(null);
  // what comes in while it is open
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
  useKeys({ search: () => search.current?.focus() });
  const { people } = page;
  const name = (id: string) => people[id] ?? 'somebody';
  const number = /^#?(\d+)$/.exec(text.trim())?.[1];
  const shown = useMemo(() => {
    const has = kinds.find((k) => k.id === kind)!.has;
    const want = text.trim().toLowerCase();
    return events
      .filter(
        (e) =>
          has(e) &&
          (!person || e.by === person) &&
          (!want ||
            number !== undefined ||
            `${eventText(index, e.body)} ${people[e.by] ?? ''}`.toLowerCase().includes(want)),
      )
      .toReversed();
  }, [events, kind, person, text, number, index, people]);
  useEffect(() => {
    if (number) document.getElementById(`e${number}`)?.scrollIntoView({ block: 'center' });
  }, [number]);
  const retracted = state.retracted;
  const takeBack = async (to: JobEvent) => {
    const chain = chainTo(state, to.id);
    setAsked(undefined);
    for (const [k, id] of chain.entries()) {
      setBack({ done: k, of: chain.length });
      const d = await replica.report({ type: 'retracted', event: id });
      if (d.refused) {
        setSaid(
          `Stopped after ${plural(k, 'entry', 'entries')}. ${d.refused.code === 'cannot be taken back' ? `The next one cannot be taken back: ${finalText[d.refused.why as keyof typeof finalText] ?? d.refused.why}.` : refusalText(index, d.refused)}`,
        );
        setBack(undefined);
        return;
      }
    }
    setBack(undefined);
    setSaid(`${plural(chain.length, 'entry was', 'entries were')} taken back; the log keeps them.`);
  };
  const reach = asked ? chainTo(state, asked.id) : [];
  const stopAt = reach.findIndex((id) => {
    const t = state.trail.find((x) => x.event === id)!;
    return t.by !== who.personId || final.has(t.type as BodyType);
  });
  return (
    <>
      <JobHead page={page} index={index} state={state} here="log" />
      <main className="page stack">
        <section className="card stack" aria-label="Log">
          <div className="spread">
            <h1>Log</h1>
            <span className="muted">{`${plural(events.length, 'entry', 'entries')}, ${Object.keys(retracted).length} taken back`}</span>
          </div>
          <div className="row">
            <Input
              ref={search}
              type="search"
              aria-label="Search the log, or # and a number"
              placeholder="words, or # and a number  ( / )"
              className="w-260"
              maxLength={80}
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
            <Pick
              aria-label="Kind"
              value={kind}
              onChange={(value) => setKind(value)}
              options={kinds.map((k) => ({ value: k.id, label: k.name }))}
            />
            <Pick
              aria-label="Person"
              value={person}
              onChange={(value) => setPerson(value)}
              options={[
                { value: '', label: 'everybody' },
                ...[...new Set(events.map((e) => e.by))].map((p) => ({ value: p, label: name(p) })),
              ]}
            />
          </div>
          {said && <Note role="status">{said}</Note>}
          {back && (
            <div role="status">
              <Progress percent={Math.round((100 * back.done) / back.of)} showInfo={false} size="small" />
            </div>
          )}
          {asked && (
            <Note layout="row" role="alert">
              <span className="fill">
                {stopAt === 0
                  ? `The latest entry cannot be taken back${state.trail.at(-1)?.by === who.personId ? `: ${finalText[final.get(state.trail.at(-1)!.type as BodyType)!]}` : ': it is somebody else’s; put it right with a correction'}.`
                  : `Takes back ${plural(stopAt < 0 ? reach.length : stopAt, 'entry', 'entries')}, the latest first${stopAt < 0 ? `, so that the job stands as after #${asked.seq}` : `, and stops there: the next ${state.trail.find((x) => x.event === reach[stopAt])!.by === who.personId ? 'cannot be taken back' : 'is somebody else’s'}`}.`}
              </span>
              {stopAt !== 0 && (
                <Button danger onClick={() => void takeBack(asked)}>
                  Take them back
                </Button>
              )}
              <Button onClick={() => setAsked(undefined)}>Leave it</Button>
            </Note>
          )}
          {shown.length === 0 ? (
            <p>Nothing in the log matches.</p>
          ) : (
            <DataTable
              name="Entries"
              rows={shown.slice(0, 500)}
              most={500}
              rowKey={(e) => e.id}
              rowClassName={(e) => (number === String(e.seq) ? 'hot' : '')}
              onRow={(e) => ({ id: `e${e.seq}` })}
              columns={[
                { title: '#', className: 'muted', cell: (e) => e.seq },
                {
                  title: 'when',
                  className: 'nowrap',
                  cell: (e) => (
                    <span suppressHydrationWarning>
                      {`${day(e.at)} ${clock(e.at)}`}
                      {!e.clockKnown && <span className="brick small"> clock not known</span>}
                    </span>
                  ),
                },
                { title: 'who', cell: (e) => name(e.by) },
                {
                  title: 'what',
                  cell: (e) => <What e={e} index={index} gone={retracted[e.id]} name={name} />,
                },
                {
                  title: <span className="sr">take back</span>,
                  cell: (e) =>
                    state.trail.some((x) => x.event === e.id) &&
                    e.id !== state.trail.at(-1)?.event && (
                      <Button
                        onClick={() => {
                          setSaid(undefined);
                          setAsked(e);
                        }}
                        aria-label={`Back to entry ${e.seq}`}
                      >
                        Back to here
                      </Button>
                    ),
                },
              ]}
            />
          )}
          {shown.length > 500 && (
            <p className="muted">{`The latest 500 of ${shown.length} are shown; narrow it by words, kind or person.`}</p>
          )}
        </section>
      </main>
    </>
  );
}

/** What an entry says; struck out where it was taken back, with who did that. */
function What({
  e,
  index,
  gone,
  name,
}: {
  e: JobEvent;
  index: IndexedModel;
  gone: { by: string; seq: number } | undefined;
  name: (person: string) => string;
}) {
  const text = eventText(index, e.body);
  return (
    <>
      {gone ? <s className="muted">{text}</s> : text}
      {gone && <span className="small muted">{` taken back by ${name(gone.by)} at #${gone.seq}`}</span>}
      {e.breach && <div className="brick small">{`against: ${e.breach.map((b) => b.rule).join(', ')}`}</div>}
    </>
  );
}
