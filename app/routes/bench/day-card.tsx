import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { type Pin, stepOf } from '../../../core/day/asked';
import type { DayPlan } from '../../../core/day/day-plan';
import { differences, type KeptPin, type WhatIf } from '../../../core/day/what-if';
import type { Changed } from '../../../core/wire/changed';
import type { JobLine } from '../../../core/wire/job-line';
import * as wording from '../../../words/screens/day';
import { minutes } from '../../../words/time';
import type { DayHere } from '../../job/use-day';
import { useWhatIf } from '../../job/use-what-if';
import { useFormats } from '../../ui/formats';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';
import { deviceRows, namedByKey, resourceRows } from './day-rows';
import { Timeline } from './timeline';
import { isAsked, type Imagined, WhatIfControls } from './what-if';

interface Props {
  day: DayHere;
  jobs: readonly JobLine[];
  time: number;
}
/** The plan of the day, and what it would be otherwise: a row for each device, person and station, with now, promises and what is late. */
export function DayCard({ day: { plan: today, asked, away, again }, jobs, time }: Props) {
  const told = useFormats();
  const [imagined, setImagined] = useState<Imagined>({});
  const [said, setSaid] = useState<string>();
  const whatIf = useMemo((): WhatIf | undefined => (isAsked(imagined) ? imagined : undefined), [imagined]);
  const other = useWhatIf(asked, whatIf);
  const plan = other ?? today;
  if (!plan || !today) return <p role="status">{away ? wording.away : wording.planning}</p>;
  const pin = (blockId: string, startS: number) => {
    const block = plan.blocks.find((b) => b.id === blockId);
    if (!block) return;
    const at = plan.now + startS * 1000;
    const others = (imagined.pins ?? []).filter((p) => p.job !== block.job || p.step !== stepOf(block));
    setSaid(undefined);
    setImagined({ ...imagined, pins: [...others, { job: block.job, step: stepOf(block), at }] });
  };
  const send = async (ask: object) => {
    const answer = await fetch('/day', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(ask),
    })
      .then((res) => res.json() as Promise<Changed>)
      .catch((): Changed => ({ ok: false, status: 400, errors: { form: wording.away } }));
    setSaid(answer.ok ? answer.said : Object.values(answer.errors)[0]);
    if (!answer.ok) return;
    setImagined({});
    again();
  };
  return (
    <>
      <div className="spread mid under-6">
        <h2>{wording.day}</h2>
        <WhatIfControls today={today} imagined={imagined} onAsk={setImagined} now={time} />
      </div>
      {away && <p className="brick small m-0">{wording.away}</p>}
      <Timeline
        rows={[...deviceRows(plan, jobs, told), ...resourceRows(plan, jobs, told)]}
        from={plan.now}
        now={time}
        clock={told.clock}
        onMove={pin}
      />
      {/* below: what is dragged stays under the finger */}
      {whatIf && other && (
        <SideBySide
          today={today}
          other={other}
          jobs={jobs}
          pins={imagined.pins ?? []}
          onKeep={(pins) => void send({ do: 'pin', pins })}
          onDrop={() => setImagined({})}
        />
      )}
      <Notes
        plan={plan}
        today={today}
        wanted={asked?.pins ?? []}
        jobs={jobs}
        onLetGo={(job) => void send({ do: 'let go', job })}
      />
      {said && (
        <p role="status" className="small m-0">
          {said}
        </p>
      )}
      <p className="small muted m-0">{wording.rests(plan.people.length, plan.optimal)}</p>
      <div className="row gap-8 noprint">
        <LinkButton to="/day/print">{wording.onOneSheet}</LinkButton>
        <LinkButton to="/day/back">{wording.lookingBack}</LinkButton>
      </div>
    </>
  );
}
const keptOf = (plan: DayPlan): number =>
  plan.jobs.filter((j) => j.promisedAt !== null && j.lateS < 60).length;
/** What is imagined beside today's: promises, and which device is ready how much later or sooner; kept, or dropped. */
function SideBySide({
  today,
  other,
  jobs,
  pins,
  onKeep,
  onDrop,
}: {
  today: DayPlan;
  other: DayPlan;
  jobs: readonly JobLine[];
  pins: readonly KeptPin[];
  onKeep: (pins: readonly KeptPin[]) => void;
  onDrop: () => void;
}) {
  const moved = differences(today, other).map(({ job, byS }) =>
    wording.differs(namedByKey(jobs, job), minutes(Math.abs(byS) / 60), byS > 0),
  );
  return (
    <div className="row gap-8 mid small under-6" role="status">
      <span data-testid="what-if" className="strong">
        {wording.instead(keptOf(other), keptOf(today))}
      </span>
      <span data-testid="what-moves">{moved.length ? moved.join(', ') : wording.nothingMoves}</span>
      {other.unpinned && <span className="brick">{wording.whyNotThen(other.unpinned)}</span>}
      {pins.length > 0 && !other.unpinned && (
        <Button type="primary" size="small" onClick={() => onKeep(pins)}>
          {wording.keepSo}
        </Button>
      )}
      <Button size="small" onClick={onDrop}>
        {wording.asToday}
      </Button>
    </div>
  );
}
/** What a plan says beside its bars: what cannot be kept, what nobody does, what is wanted just then, and what has moved and why. */
function Notes({
  plan,
  today,
  wanted,
  jobs,
  onLetGo,
}: {
  plan: DayPlan;
  today: DayPlan;
  /** What was kept to begin at its own time. */
  wanted: readonly Pin[];
  jobs: readonly JobLine[];
  onLetGo: (job: string) => void;
}) {
  const names = (ids: readonly string[]) => ids.map((id) => namedByKey(jobs, id)).join(', ');
  const { clock } = useFormats();
  const at = (s: number) => clock(today.now + s * 1000);
  const isPinned = (job: string) => today.blocks.some((b) => b.job === job && b.pinned);
  const standing = wanted.filter(
    ({ job }) => jobs.some((j) => j.id === job) && (today.unpinned || isPinned(job)),
  );
  return (
    <>
      {plan.clash && plan.clash.length > 0 && <Note tone="stop">{wording.cannot(names(plan.clash))}</Note>}
      {plan.nobody && <Note tone="warn">{wording.nobodyDoes(names(plan.nobody))}</Note>}
      {plan.moved && (
        <p className="small m-0" data-testid="moved">
          {plan.moved.why === 'later'
            ? wording.movedFor(names(plan.moved.jobs), minutes(plan.moved.byS / 60))
            : wording.movedSince(names(plan.moved.jobs))}
        </p>
      )}
      {today.unpinned && standing.length > 0 && (
        <p className="small m-0 brick">{wording.keptNot(today.unpinned, standing.length)}</p>
      )}
      {standing.map((pin) => (
        <p key={pin.job} className="small m-0 under-6 row gap-8 mid">
          {wording.wantedThen(namedByKey(jobs, pin.job), at(pin.atS))}
          <Button size="small" onClick={() => onLetGo(pin.job)}>
            {wording.letGo(namedByKey(jobs, pin.job))}
          </Button>
        </p>
      ))}
    </>
  );
}
