import { Button } from 'antd';
import type { JobLine } from '../../../core/wire/job-line';
import type { DayPlan, PlannedBlock } from '../../../core/day/day-plan';
import { dayOfShop } from '../../../server/use-cases/day';
import { openJobsFor } from '../../../server/use-cases/bench-page';
import { shortModel } from '../../../words/bench';
import * as day from '../../../words/screens/day';
import * as wording from '../../../words/screens/day-print';
import { minutes } from '../../../words/time';
import { requirePerson } from '../../context';
import { DataTable } from '../../ui/data-table';
import { useFormats } from '../../ui/formats';
import { LinkButton } from '../../ui/link-button';
import { actText, stationName } from '../bench/day-rows';
import type { Route } from './+types/print';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const { plan } = await dayOfShop(who, Date.now());
  return { plan, jobs: await openJobsFor(who) };
}
export const meta: Route.MetaFunction = () => [{ title: wording.title }];

/** The day on one sheet: what each does when, what runs by itself, and what is promised. */
export default function PrintDay({ loaderData: { plan, jobs } }: Route.ComponentProps) {
  const { dayAndClock } = useFormats();
  const alone = plan.blocks.filter((b) => b.by === 'itself' && b.endS > b.startS);
  return (
    <>
      <div className="noprint row report-bar">
        <LinkButton to="/">{wording.toTheDay}</LinkButton>
        <Button type="primary" onClick={() => window.print()}>
          {wording.print}
        </Button>
      </div>
      <main className="page sheet-print stack">
        <h1 suppressHydrationWarning>{wording.planOf(dayAndClock(plan.now))}</h1>
        <Promised plan={plan} jobs={jobs} />
        {plan.people.map((p) => (
          <Blocks
            key={p.id}
            name={p.name}
            plan={plan}
            jobs={jobs}
            blocks={plan.blocks.filter((b) => b.person === p.id)}
          />
        ))}
        <Blocks name={wording.byItself} plan={plan} jobs={jobs} blocks={alone} />
        <p className="small muted">{day.rests(plan.people.length, plan.optimal)}</p>
      </main>
    </>
  );
}
interface Shown {
  plan: DayPlan;
  jobs: readonly JobLine[];
}
const lineOf = (jobs: readonly JobLine[], id: string) => jobs.find((j) => j.id === id);
const nameOf = (jobs: readonly JobLine[], id: string): string => {
  const line = lineOf(jobs, id);
  return line ? `${shortModel(line)} ${line.tag}` : '';
};
function Promised({ plan, jobs }: Shown) {
  const { clock, soon } = useFormats();
  const promised = plan.jobs.filter((j) => j.promisedAt !== null);
  if (!promised.length) return null;
  return (
    <section aria-label={wording.promised}>
      <h2>{wording.promised}</h2>
      <DataTable
        name={wording.promised}
        rows={promised}
        rowKey={(j) => j.id}
        columns={[
          { title: wording.device, cell: (j) => nameOf(jobs, j.id) },
          {
            title: wording.promised,
            cell: (j) => <span suppressHydrationWarning>{soon(j.promisedAt!, plan.now)}</span>,
          },
          {
            title: wording.ready,
            cell: (j) => (
              <span suppressHydrationWarning>
                {wording.readyAt(clock(plan.now + j.endS * 1000), clock(plan.now + j.meanS * 1000))}
              </span>
            ),
          },
          {
            title: '',
            cell: (j) =>
              j.lateS >= 60
                ? wording.late(minutes(j.lateS / 60))
                : j.chance !== undefined && day.chanceOf(j.chance),
          },
        ]}
      />
    </section>
  );
}
/** What follows on one device without a break is one line. */
function merged(blocks: readonly PlannedBlock[]): (PlannedBlock & { acts: string[]; stations: string[] })[] {
  const out: (PlannedBlock & { acts: string[]; stations: string[] })[] = [];
  for (const b of blocks.toSorted((x, y) => x.startS - y.startS)) {
    const last = out.at(-1);
    if (last && last.job === b.job && b.startS - last.endS < 1) {
      last.endS = b.endS;
      last.acts = [...new Set([...last.acts, actText(b)])];
      last.stations = [...new Set([...last.stations, ...(b.station ? [b.station] : [])])];
    } else out.push({ ...b, acts: [actText(b)], stations: b.station ? [b.station] : [] });
  }
  return out;
}
function Blocks({ name, plan, jobs, blocks }: Shown & { name: string; blocks: readonly PlannedBlock[] }) {
  const { clock } = useFormats();
  if (!blocks.length) return null;
  const at = (s: number) => clock(plan.now + s * 1000);
  return (
    <section aria-label={name}>
      <h2>{name}</h2>
      <DataTable
        name={name}
        rows={merged(blocks)}
        rowKey={(b) => b.id}
        columns={[
          {
            title: wording.fromTo,
            width: 130,
            cell: (b) => <span suppressHydrationWarning>{day.between(at(b.startS), at(b.endS))}</span>,
          },
          { title: wording.device, cell: (b) => nameOf(jobs, b.job) },
          { title: wording.what, cell: (b) => b.acts.join(', ') },
          { title: wording.station, cell: (b) => b.stations.map(stationName).join(', ') },
          {
            title: wording.atTheLatest,
            cell: (b) => b.byS !== undefined && <span suppressHydrationWarning>{at(b.byS)}</span>,
          },
        ]}
      />
    </section>
  );
}
