import { Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { generalStations } from '../../../core/methods/catalogue';
import type { DayPlan, PlannedBlock } from '../../../core/day/day-plan';
import type { JobLine } from '../../../core/wire/job-line';
import { shortModel } from '../../../words/bench';
import * as wording from '../../../words/screens/day';
import { useDay } from '../../job/use-day';
import { useFormats } from '../../ui/formats';
import { screenFor } from '../../ui/head';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { type DayRow, Timeline } from './timeline';

interface Props {
  plan: DayPlan | undefined;
  away: boolean;
  jobs: readonly JobLine[];
  time: number;
}
/** The plan of the day, and what it would be otherwise: a row for each device, for each pair of hands and for each station, with now, promises and what is late. */
export function DayCard({ plan: today, away, jobs, time }: Props) {
  const { clock, soon } = useFormats();
  const [asked, setAsked] = useState<Asked>({});
  const query = queryOf(asked, today?.people);
  const imagined = useDay(query).plan;
  const plan = query && imagined ? imagined : today;
  if (!plan) return <p role="status">{away ? wording.away : wording.planning}</p>;
  const rows = deviceRows(plan, jobs, clock, soon);
  return (
    <>
      <div className="spread mid under-6">
        <h2>{wording.day}</h2>
        <WhatIf today={today!} shown={plan} asked={asked} onAsk={setAsked} now={time} />
      </div>
      {plan.clash && (
        <Note tone="stop">
          {wording.cannot(
            jobs
              .filter((j) => plan.clash!.includes(j.id))
              .map(shortModel)
              .join(', '),
          )}
        </Note>
      )}
      {away && <p className="brick small m-0">{wording.away}</p>}
      <Timeline rows={[...rows, ...resourceRows(plan, jobs)]} from={plan.now} now={time} clock={clock} />
      <p className="small muted m-0">{wording.rests(plan.people, plan.optimal)}</p>
    </>
  );
}
/** So many more than there are, and no more than a bench has room for. */
const most = 6;
const keptOf = (plan: DayPlan): number =>
  plan.jobs.filter((j) => j.promisedAt !== null && j.lateS < 60).length;
/** What is imagined: so many people; one pair of hands, or a station, away for an hour from then. */
interface Asked {
  people?: number;
  what?: string;
  from?: number;
}
const hourMs = 3_600_000;
/** How many hours ahead somebody can be imagined away. */
const hoursAhead = 8;
/** As it is asked for; empty where nothing is. */
function queryOf({ people, what, from }: Asked, there: number | undefined): string {
  const query = new URLSearchParams();
  if (people !== undefined && people !== there) query.set('people', String(people));
  if (what && from !== undefined) {
    query.set('away', what);
    query.set('from', String(from));
    query.set('to', String(from + hourMs));
  }
  return query.toString();
}
/** What if somebody goes for lunch, or comes to help, or the plate is away: the plan answers, and today's stays what it is. */
function WhatIf({
  today,
  shown,
  asked,
  onAsk,
  now,
}: {
  today: DayPlan;
  shown: DayPlan;
  asked: Asked;
  onAsk: (asked: Asked) => void;
  now: number;
}) {
  const { clock } = useFormats();
  const options = Array.from({ length: Math.min(most, today.people + 2) }, (_, k) => ({
    value: k + 1,
    label: String(k + 1),
  }));
  const stations = [...new Set(today.blocks.flatMap((b) => b.station ?? []))];
  const first = Math.ceil((now || today.now) / hourMs) * hourMs;
  const letGo = () => (document.activeElement as HTMLElement | null)?.blur();
  return (
    <span className="row gap-8 small">
      {shown !== today && <span data-testid="what-if">{wording.instead(keptOf(shown), keptOf(today))}</span>}
      <span id="what-if-people" className="muted nowrap">
        {wording.whatIf}
      </span>
      <Segmented
        aria-labelledby="what-if-people"
        options={options}
        value={asked.people ?? today.people}
        onChange={(people) => {
          onAsk({ ...asked, people });
          // the next Space is the pedal's
          letGo();
        }}
      />
      <Pick
        letGo
        allowClear
        aria-label={wording.whoAway}
        placeholder={wording.whoAway}
        value={asked.what ?? null}
        onChange={(what) => {
          const { what: _, from: __, ...people } = asked;
          onAsk(what ? { ...asked, what, from: asked.from ?? first } : people);
        }}
        options={[
          { value: 'hands', label: wording.oneOfUs },
          ...stations.map((id) => ({
            value: id,
            label: generalStations.find((s) => s.id === id)?.name ?? id,
          })),
        ]}
      />
      {asked.what && (
        <Pick
          letGo
          aria-label={wording.whenAway}
          value={asked.from ?? first}
          onChange={(from) => onAsk({ ...asked, from })}
          options={Array.from({ length: hoursAhead }, (_, k) => {
            const from = first + k * hourMs;
            return { value: from, label: wording.between(clock(from), clock(from + hourMs)) };
          })}
        />
      )}
    </span>
  );
}
/** More often late than not, by the spread of its steps. */
export const maySlip = ({ lateS, chance }: DayPlan['jobs'][number]): boolean =>
  lateS < 60 && chance !== undefined && chance < 50;
const actText = (b: PlannedBlock): string =>
  b.phase === 'Hand over' ? wording.handOver : (wording.acts[b.action] ?? b.action);

/** A row for each device, in the order of the strip. */
function deviceRows(
  plan: DayPlan,
  jobs: readonly JobLine[],
  clock: (ms: number) => string,
  soon: (ms: number, now: number) => string,
): DayRow[] {
  return jobs.flatMap((job, k): DayRow[] => {
    const planned = plan.jobs.find((j) => j.id === job.id);
    if (!planned) return [];
    const own = plan.blocks.filter((b) => b.job === job.id);
    const dueS = job.promisedAt === null ? undefined : (job.promisedAt - plan.now) / 1000;
    return [
      {
        id: job.id,
        label: (
          <Link to={screenFor(job)} className="plain-link">
            {k < 9 && <kbd>{k + 1}</kbd>} <strong>{shortModel(job)}</strong>
          </Link>
        ),
        under: own.some((b) => b.guessed)
          ? wording.guessed
          : [
              wording.ready(clock(plan.now + planned.endS * 1000)),
              planned.chance !== undefined && wording.chanceOf(planned.chance),
            ]
              .filter(Boolean)
              .join(' · '),
        blocks: own.map((b) => ({
          id: b.id,
          fromS: b.startS,
          toS: b.endS,
          text: actText(b),
          look:
            b.by === 'itself'
              ? 'alone'
              : dueS !== undefined && b.endS > dueS && planned.lateS >= 60
                ? 'late'
                : maySlip(planned) && b.phase === 'Hand over'
                  ? 'slips'
                  : 'hands',
          begun: b.begun === true,
          spoken: wording.spoken(
            shortModel(job),
            actText(b),
            clock(plan.now + b.startS * 1000),
            clock(plan.now + b.endS * 1000),
          ),
        })),
        ...(dueS === undefined ? {} : { flag: { atS: dueS, text: soon(job.promisedAt!, plan.now) } }),
      },
    ];
  });
}
/** A row for each pair of hands and for each station that is used. */
function resourceRows(plan: DayPlan, jobs: readonly JobLine[]): DayRow[] {
  const number = (id: string) => String(jobs.findIndex((j) => j.id === id) + 1);
  const row = (id: string, label: string, blocks: PlannedBlock[]): DayRow => ({
    id,
    label,
    low: true,
    blocks: blocks.map((b) => ({
      id: b.id,
      fromS: b.startS,
      toS: b.endS,
      text: number(b.job),
      look: b.by === 'itself' ? 'alone' : 'hands',
      begun: b.begun === true,
    })),
  });
  const used = plan.blocks.filter((b) => b.endS > b.startS);
  const stations = [...new Set(used.flatMap((b) => b.station ?? []))];
  return [
    ...Array.from({ length: plan.people }, (_, k) =>
      row(
        `hands ${k}`,
        wording.hands(k + 1),
        plan.blocks.filter((b) => b.hands === k),
      ),
    ).filter((r) => r.blocks.length),
    ...stations.map((id) =>
      row(
        `station ${id}`,
        generalStations.find((s) => s.id === id)?.name ?? id,
        plan.blocks.filter((b) => b.station === id),
      ),
    ),
  ];
}
