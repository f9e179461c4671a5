import { Link } from 'react-router';
import type { DayPlan, PlannedBlock } from '../../../core/day/day-plan';
import { imaginedJob } from '../../../core/day/what-if';
import { generalStations } from '../../../core/methods/catalogue';
import type { JobLine } from '../../../core/wire/job-line';
import { shortModel } from '../../../words/bench';
import * as wording from '../../../words/screens/day';
import { screenFor } from '../../ui/head';
import type { DayRow } from './timeline';

interface Told {
  clock: (ms: number) => string;
  soon: (ms: number, now: number) => string;
}
/** More often late than not, by the spread of its steps. */
export const maySlip = ({ lateS, chance }: DayPlan['jobs'][number]): boolean =>
  lateS < 60 && chance !== undefined && chance < 50;
export const stationName = (id: string): string => generalStations.find((s) => s.id === id)?.name ?? id;
export const actText = (b: PlannedBlock): string =>
  b.phase === 'Hand over' ? wording.handOver : (wording.acts[b.action] ?? b.action);
export const nameOf = (jobs: readonly JobLine[], id: string): string => {
  const line = jobs.find((j) => j.id === id);
  return line ? shortModel(line) : wording.oneMore;
};
/** The same with its key, where several of one model are open. */
export const namedByKey = (jobs: readonly JobLine[], id: string): string => {
  const name = nameOf(jobs, id);
  const alike = jobs.filter((j) => shortModel(j) === name).length;
  return alike > 1 ? wording.byKey(name, 1 + jobs.findIndex((j) => j.id === id)) : name;
};

function ToDevice({ job, k }: { job: JobLine; k: number }) {
  return (
    <Link to={screenFor(job)} className="plain-link">
      {k < 9 && <kbd>{k + 1}</kbd>} <strong>{shortModel(job)}</strong>
    </Link>
  );
}
/** A row for each device, in the order of the strip; what is only imagined comes last. */
export function deviceRows(plan: DayPlan, jobs: readonly JobLine[], told: Told): DayRow[] {
  const rows = jobs.flatMap((job, k): DayRow[] => {
    const planned = plan.jobs.find((j) => j.id === job.id);
    if (!planned) return [];
    return [deviceRow(plan, planned, shortModel(job), <ToDevice job={job} k={k} />, told)];
  });
  const imagined = plan.jobs.find((j) => j.id === imaginedJob);
  if (imagined)
    rows.push(deviceRow(plan, imagined, wording.oneMore, <strong>{wording.oneMore}</strong>, told));
  return rows;
}
function deviceRow(
  plan: DayPlan,
  planned: DayPlan['jobs'][number],
  name: string,
  label: DayRow['label'],
  { clock, soon }: Told,
): DayRow {
  const own = plan.blocks.filter((b) => b.job === planned.id);
  const { promisedAt } = planned;
  const dueS = promisedAt === null ? undefined : (promisedAt - plan.now) / 1000;
  const look = (b: PlannedBlock) => {
    if (b.by === 'itself') return 'alone' as const;
    if (dueS !== undefined && b.endS > dueS && planned.lateS >= 60) return 'late' as const;
    return maySlip(planned) && b.phase === 'Hand over' ? ('slips' as const) : ('hands' as const);
  };
  return {
    ...{ id: planned.id, label },
    under: [
      (own.some((b) => b.guessed) ? wording.readyAbout : wording.ready)(
        clock(plan.now + planned.endS * 1000),
      ),
      planned.chance !== undefined && wording.chanceOf(planned.chance),
    ]
      .filter(Boolean)
      .join(' · '),
    blocks: own.map((b) => ({
      ...{ id: b.id, fromS: b.startS, toS: b.endS, text: actText(b), look: look(b) },
      begun: b.begun === true,
      pinned: b.pinned === true,
      moves: b.by === 'hands' && !b.begun && planned.id !== imaginedJob,
      spoken: wording.spoken(
        name,
        actText(b),
        clock(plan.now + b.startS * 1000),
        clock(plan.now + b.endS * 1000),
      ),
    })),
    ...(dueS === undefined ? {} : { flag: { atS: dueS, text: soon(promisedAt!, plan.now) } }),
  };
}
/** A row for each pair of hands and for each station that is used. */
export function resourceRows(plan: DayPlan, jobs: readonly JobLine[], { clock }: Told): DayRow[] {
  const number = (id: string) => (id === imaginedJob ? '+' : String(jobs.findIndex((j) => j.id === id) + 1));
  const row = (id: string, label: string, blocks: PlannedBlock[]): DayRow => ({
    ...{ id, label, low: true },
    blocks: blocks.map((b) => ({
      ...{ id: b.id, fromS: b.startS, toS: b.endS, text: number(b.job) },
      look: b.by === 'itself' ? 'alone' : 'hands',
      ...{ begun: b.begun === true, pinned: false, moves: false },
      spoken: wording.spoken(
        nameOf(jobs, b.job),
        actText(b),
        clock(plan.now + b.startS * 1000),
        clock(plan.now + b.endS * 1000),
      ),
    })),
  });
  const used = plan.blocks.filter((b) => b.endS > b.startS);
  const stations = [...new Set(used.flatMap((b) => b.station ?? []))];
  return [
    ...plan.people
      .map((p) =>
        row(
          `person ${p.id}`,
          p.name || wording.somebody,
          plan.blocks.filter((b) => b.person === p.id),
        ),
      )
      .filter((r) => r.blocks.length),
    ...stations.map((id) => {
      const own = row(
        `station ${id}`,
        stationName(id),
        plan.blocks.filter((b) => b.station === id),
      );
      const warm = plan.warms.find((w) => w.station === id);
      if (!warm) return own;
      return {
        ...own,
        blocks: [
          {
            ...{ id: `warm ${id}`, fromS: warm.startS, toS: warm.endS, text: wording.warming },
            ...{ look: 'slips' as const, begun: false, pinned: false, moves: false },
            spoken: wording.switchOn(stationName(id), clock(plan.now + warm.startS * 1000)),
          },
          ...own.blocks,
        ],
      };
    }),
  ];
}
