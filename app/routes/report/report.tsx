import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/report';
import { Button, Collapse } from 'antd';
import { z } from 'zod';
import { reportData } from '../../../server/report/report-data';
import { requirePerson } from '../../context';
import { eventText } from '../../../words/events';
import { cap } from '../../../words/things';
import {
  cautionLines,
  checkMeasured,
  checkName,
  checkWord,
  doneLines,
  faultLine,
  sealText,
  termsLines,
  waterLine,
} from '../../../words/report';
import type { Route } from './+types/report';
import { LeakMeasured } from './leak-measured';
import { PressMeasured } from './press-measured';
import { LinkButton } from '../../ui/link-button';
import { formatsOf } from '../../../words/formats';
import { DataTable } from '../../ui/data-table';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const data = z.uuid().safeParse(params.job).success ? await reportData(who, params.job) : undefined;
  if (!data) throw new Response(null, { status: 404, statusText: 'No such job' });
  const { index, ...rest } = data;
  const d = data;
  return {
    ...rest,
    page: { id: d.page.id, number: d.page.number, owner: d.page.owner, people: d.page.people },
    model: `${index.model.maker} ${index.model.name}, ${index.model.variants.find((v) => v.id === d.page.state.flag.variant)?.name ?? ''}`,
    lines: doneLines(d),
    water: waterLine(d, formatsOf(who.settings).dayAndClock),
    sealed: sealText(d),
    faultLine: faultLine(d),
    terms: termsLines(d, formatsOf(who.settings)),
    conditionLines: d.conditions.map((e) => `${eventText(index, e.body)}, ${d.page.people[e.by] ?? ''}`),
    events: d.events.map((event) => ({
      id: event.id,
      seq: event.seq,
      at: event.at,
      by: d.page.people[event.by] ?? '',
      text: eventText(index, event.body),
      gone: d.page.state.retracted[event.id] !== undefined,
      breach: event.breach?.map((b) => b.rule) ?? [],
    })),
  };
}

type Shown = Route.ComponentProps['loaderData'];

/** The record of a repair for the owner: what came in, what was done, what was tested, on what terms. */
export default function Report({ loaderData: d }: Route.ComponentProps) {
  return (
    <>
      <div className="noprint row report-bar">
        <LinkButton to="/">{wording.bench}</LinkButton>
        <LinkButton to={`/jobs/${d.page.id}/hand-over`}>{wording.handOver}</LinkButton>
        <Button onClick={() => window.print()}>{wording.print}</Button>
        <Button href={`/jobs/${d.page.id}/report.pdf`}>{wording.pdf}</Button>
        <Button href={`/jobs/${d.page.id}/log.json`} download>
          {wording.logAsJson}
        </Button>
      </div>
      <main className="page stack max-w-860">
        <div className="spread">
          <div>
            <h1>{wording.repairReportJob(d.page.number)}</h1>
            <p className="muted">{d.shop}</p>
          </div>
          <div className="to-right">
            <div className="strong">{d.model}</div>
            <div className="muted">{d.tag}</div>
          </div>
        </div>
        <CameIn d={d} />
        <section className="card stack">
          <h2>{d.ending ? wording.whatWasDone(d.ending) : wording.whatHasBeenDoneSo}</h2>
          {d.lines.map((l) => (
            <p key={l}>{l}</p>
          ))}
          {d.closingNote && <p>{d.closingNote}</p>}
          <p>
            {d.water} {d.sealed}
          </p>
          {d.presses.map((read) => (
            <PressMeasured key={read.id} job={d.page.id} read={read} />
          ))}
          {d.leak?.measured && <LeakMeasured job={d.page.id} measured={d.leak.measured} />}
          {d.leak?.lost && !d.leak.measured && (
            <p>{wording.leakTestLostInThe(d.leak.lost.value, d.leak.lost.unit)}</p>
          )}
        </section>
        <Checked d={d} />
        <Said d={d} />
        <section className="card stack">
          <h2>{wording.whoWhenAndOnWhat}</h2>
          {d.terms.map((l) => (
            <p key={l} suppressHydrationWarning>
              {l}
            </p>
          ))}
        </section>
        <section className="card stack">
          <h2>{wording.advice}</h2>
          {cautionLines.map((c) => (
            <p key={c}>{c}</p>
          ))}
        </section>
        <Collapse
          className="noprint"
          items={[
            {
              key: 'log',
              label: <span className="strong">{wording.theLogEntries(d.events.length)}</span>,
              children: <Entries d={d} />,
            },
          ]}
        />
      </main>
    </>
  );
}

function CameIn({ d }: { d: Shown }) {
  const { dayAndClock } = useFormats();
  return (
    <section className="card stack">
      <h2>{wording.whatCameIn}</h2>
      <p
        suppressHydrationWarning
      >{`${dayAndClock(d.openedAt)}${d.page.owner ? `, ${d.page.owner}` : ''}: “${d.complaint}”`}</p>
      {d.marks.length ? (
        <p>
          {wording.marksOnArrival(
            d.marks.map((m) => `${m.kind}, ${m.side}${m.note ? ` (${m.note})` : ''}`).join('; '),
          )}
        </p>
      ) : (
        <p>{wording.noMarksOnArrival}</p>
      )}
      {d.faultLine && <p>{d.faultLine}</p>}
      {d.photos.length > 0 && (
        <div className="row noprint gap-8">
          {d.photos.map((p, i) => (
            <a key={p} href={`/jobs/${d.page.id}/photos/${p}`} target="_blank" rel="noreferrer">
              <img
                src={`/jobs/${d.page.id}/photos/${p}`}
                alt={wording.onArrivalOf(i + 1, d.photos.length)}
                width={88}
                height={88}
                className="report-photo"
              />
            </a>
          ))}
        </div>
      )}
      {d.conditionLines.map((c) => (
        <p key={c}>{cap(c)}.</p>
      ))}
    </section>
  );
}

function Checked({ d }: { d: Shown }) {
  return (
    <section className="card">
      <h2>{wording.checks}</h2>
      <DataTable
        rows={d.checks}
        rowKey={(c) => c.function}
        columns={[
          { title: wording.functionChecked, cell: (c) => checkName(c.function) },
          {
            title: wording.before,
            cell: (c) => (
              <>
                {checkMeasured(checkWord(c.function, c.before), c.measured.before)}
                {c.note && <span className="small muted">{` ${c.note}`}</span>}
              </>
            ),
          },
          {
            title: wording.beforeClosing,
            cell: (c) => checkMeasured(checkWord(c.function, c.mid), c.measured.mid),
          },
          {
            title: wording.after,
            cell: (c) => checkMeasured(checkWord(c.function, c.after), c.measured.after),
          },
          {
            title: <span className="sr">{wording.changed}</span>,
            cell: (c) => c.changed && <strong>{wording.changed}</strong>,
          },
        ]}
      />
    </section>
  );
}

/** What the owner agreed to, what was passed with a reason, what was noted. */
function Said({ d }: { d: Shown }) {
  const { dayAndClock } = useFormats();
  return (
    <>
      {d.effects.length > 0 && (
        <section className="card stack">
          <h2>{wording.noticesToExpect}</h2>
          {d.effects.map((e) => (
            <p key={e.id}>
              {e.owner} {e.agreed && <span className="muted">{wording.agreed(e.agreed)}</span>}
            </p>
          ))}
        </section>
      )}
      {d.overrides.length > 0 && (
        <section className="card stack">
          <h2>{wording.passedWithAReason}</h2>
          {d.overrides.map((o) => (
            <p key={`${o.rule}${o.at}`}>
              <strong>{o.rule}</strong>: {o.reason}{' '}
              <span
                className="muted"
                suppressHydrationWarning
              >{`${o.by}${o.confirmedBy ? wording.confirmedBy(o.confirmedBy) : ''}, ${dayAndClock(o.at)}`}</span>
            </p>
          ))}
        </section>
      )}
      {d.notes.length > 0 && (
        <section className="card stack">
          <h2>{wording.notes}</h2>
          {d.notes.map((n) => (
            <p key={`${n.at}${n.text}`}>
              {n.text}{' '}
              <span className="muted" suppressHydrationWarning>{`${n.by}, ${dayAndClock(n.at)}`}</span>
            </p>
          ))}
        </section>
      )}
    </>
  );
}

function Entries({ d }: { d: Shown }) {
  const { clock } = useFormats();
  return (
    <DataTable
      rows={d.events}
      most={d.events.length}
      rowKey={(e) => e.id}
      bare
      columns={[
        { title: '', className: 'muted', cell: (e) => e.seq },
        {
          title: '',
          className: 'nowrap',
          cell: (e) => <span suppressHydrationWarning>{clock(e.at)}</span>,
        },
        { title: '', className: 'nowrap', cell: (e) => e.by },
        {
          title: '',
          cell: (e) => (
            <>
              {e.gone ? <s>{e.text}</s> : e.text}
              {e.breach.length > 0 && <span className="brick"> {wording.broke(e.breach.join(', '))}</span>}
            </>
          ),
        },
      ]}
    />
  );
}
