import * as hours from '../../../words/screens/hours';
import * as wording from '../../../words/screens/workshop';
import { Checkbox } from 'antd';
import { useEffect } from 'react';
import { useRevalidator } from 'react-router';
import { generalStations } from '../../../core/methods/catalogue';
import { methodRows, methodsOf } from '../../../core/methods/methods';
import { changeWorkshop, mayChange, workshopPage } from '../../../server/use-cases/workshop';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import type { Route } from './+types/workshop';
import { NavTabs } from '../../ui/nav-tabs';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { DataTable } from '../../ui/data-table';
import { backUpNow, backupFiles, backupTasks } from '../../../server/use-cases/backups';
import { Backup } from './backup';
import { PressCard } from './press-card';
import { CalendarCard } from './calendar-card';
import { BenchName, Money, OwnersData } from './money';
import { ChangingHands } from './hands';
import { HoursCard } from './hours-card';
import { isTesterStandIn, tryInstrument } from '../../../server/use-cases/instruments';
import { calendarState } from '../../../server/use-cases/calendar';
import { archiveTasks, takeAlong } from '../../../server/use-cases/take-along';
import { TakeAlong } from './take-along';
import { People } from './people';
import { InstrumentsCard } from './instruments-card';
import { LeakTester } from './leak-tester';
import { Places } from './places';
import { Sources } from './sources';
import { isGoing } from './task-note';
import { Kept, useChange } from './use-change';

const parts = ['money', 'people', 'data'] as const;
type WorkshopPart = (typeof parts)[number];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  if (params.part !== undefined && !parts.some((part) => part === params.part))
    throw new Response(null, { status: 404, statusText: 'The workshop has no such page' });
  const may = {
    methods: mayChange(who.role, 'methods'),
    means: mayChange(who.role, 'means'),
    people: mayChange(who.role, 'people'),
  };
  return {
    who,
    may,
    backups: await backupFiles(who),
    tasks: await backupTasks(who),
    archives: await archiveTasks(who),
    calendar: await calendarState(who),
    testerSimulated: isTesterStandIn(who),
    ...(await workshopPage(who)),
    now: Date.now(),
  };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  const asked = await jsonBody(request);
  if (asks(asked, 'back up')) return backUpNow(who);
  if (asks(asked, 'try instrument')) return tryInstrument(who, asked);
  return asks(asked, 'take along') ? takeAlong(who) : changeWorkshop(who, asked);
}

/** While something runs the page asks once a second how far it is. */
function useWatched(going: boolean) {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    if (!going) return;
    const asking = setInterval(() => void revalidate(), 1000);
    return () => clearInterval(asking);
  }, [going, revalidate]);
}
const asks = (asked: unknown, what: string) =>
  asked !== null && typeof asked === 'object' && 'do' in asked && asked.do === what;

const tabs = [
  { to: '/workshop', name: wording.methodsAndStations },
  { to: '/workshop/money', name: wording.placeAndMoney },
  { to: '/workshop/people', name: wording.people },
  { to: '/workshop/data', name: wording.data },
];

/** What is the workshop's: how it works, how it writes, who works in it, what is kept of it. */
export default function Workshop({ loaderData, params }: Route.ComponentProps) {
  const { may, name, tasks, archives } = loaderData;
  useWatched([...tasks, ...archives].some(isGoing));
  return (
    <main className="page stack">
      <NavTabs
        className="tabs p-0"
        label={wording.ofTheWorkshop}
        tabs={tabs}
        here={`/workshop${params.part ? `/${params.part}` : ''}`}
      />
      <div className="spread">
        <h1>{name}</h1>
        <span className="muted">
          {may.means
            ? wording.changesAreKeptAtOnce
            : may.methods
              ? wording.asLeadYouChangeThe
              : wording.onlyAnOwnerOrFor}
        </span>
      </div>
      <Part part={params.part as WorkshopPart | undefined} loaded={loaderData} />
    </main>
  );
}
function Part({
  part,
  loaded: {
    who,
    may,
    settings,
    people,
    name,
    backups,
    tasks,
    archives,
    calendar,
    now,
    testerSimulated,
    models,
  },
}: {
  part: WorkshopPart | undefined;
  loaded: Route.ComponentProps['loaderData'];
}) {
  switch (part) {
    case undefined:
      return <HowItWorks {...{ settings, models, may, now, testerSimulated, demo: who.demo }} />;
    case 'money':
      return (
        <div className="cols near-even high">
          <Places name={name} settings={settings} may={may.means} />
          <div className="stack">
            <Money settings={settings} may={may.means} />
            <BenchName settings={settings} may={may.means} />
            <CalendarCard since={calendar} may={may.methods} />
          </div>
        </div>
      );
    case 'people':
      return (
        <div className="cols near-even high">
          <People
            people={people}
            may={may.people}
            mayMethods={may.methods}
            self={who.personId}
            skills={settings.skills}
          />
          <div className="stack">
            <HoursCard settings={settings} people={people} now={now} may={may.methods} />
            <ChangingHands settings={settings} may={may.means} />
          </div>
        </div>
      );
    case 'data':
      return (
        <div className="cols near-even high">
          {backups ? (
            <Backup files={backups} tasks={tasks} settings={settings} now={now} />
          ) : (
            <Note>{wording.backupByWhom}</Note>
          )}
          <div className="stack">
            <OwnersData settings={settings} may={may.means} />
            {may.people && <TakeAlong tasks={archives} />}
          </div>
        </div>
      );
  }
}

/** Methods, stations, and how its sources and instruments are set. */
function HowItWorks({
  settings,
  models,
  may,
  now,
  testerSimulated,
  demo,
}: Pick<Route.ComponentProps['loaderData'], 'settings' | 'models' | 'may' | 'now' | 'testerSimulated'> & {
  demo: boolean;
}) {
  return (
    <div className="cols main-side high">
      <Methods chosen={methodsOf(settings.methods)} may={may.methods} />
      <div className="stack">
        <Stations
          owned={settings.stations}
          holds={settings.holds ?? {}}
          warm={settings.warmMinutes ?? {}}
          may={may.means}
        />
        <Sources settings={settings} may={may.methods} />
        {settings.stations.includes('seal-press') && (
          <PressCard settings={settings} models={models} may={may.methods} />
        )}
        {settings.stations.includes('leak-tester') && (
          <LeakTester settings={settings} may={may.methods} simulated={testerSimulated} now={now} />
        )}
        <InstrumentsCard settings={settings} may={may.methods} demo={demo} />
        <Practice offered={settings.practiceModels === true} may={may.means} />
      </div>
    </div>
  );
}
function Methods({ chosen: kept, may }: { chosen: Record<string, string>; may: boolean }) {
  const { change, said, asked } = useChange();
  const chosen = asked ? { ...kept, [String(asked.row)]: String(asked.option) } : kept;
  return (
    <section className="card">
      <div className="spread under-4">
        <h2>{wording.houseMethods}</h2>
        <Kept said={said} />
      </div>
      <p className="muted small under-8">{wording.whereTheTradeDisagreesThe}</p>
      <DataTable
        name={wording.houseMethods}
        rows={methodRows}
        rowKey={(r) => r.id}
        columns={[
          {
            title: wording.question,
            width: '26%',
            cell: (r) => <label htmlFor={`m-${r.id}`}>{r.question}</label>,
          },
          {
            title: wording.here,
            width: '34%',
            cell: (r) => (
              <Pick
                id={`m-${r.id}`}
                className={chosen[r.id] === r.default ? 'wide' : 'wide strong'}
                disabled={!may}
                value={chosen[r.id]}
                onChange={(value) => change({ do: 'method', row: r.id, option: value })}
                options={r.options.map((o) => ({ value: o.id, label: o.name }))}
              />
            ),
          },
          {
            title: wording.defaultAndWhy,
            className: 'small muted',
            cell: (r) =>
              `${chosen[r.id] === r.default ? '' : `default: ${r.options.find((o) => o.id === r.default)!.name}; `}${r.why}`,
          },
        ]}
      />
    </section>
  );
}

/** Minutes that a source of heat may need to warm up. */
const warmUps = [0, 2, 5, 10, 15, 20, 30];
function Stations({
  owned,
  holds,
  warm,
  may,
}: {
  owned: string[];
  holds: Record<string, number>;
  warm: Record<string, number>;
  may: boolean;
}) {
  const { change, said, asked } = useChange();
  return (
    <section className="card stack gap-4">
      <div className="spread">
        <h2>{wording.stations}</h2>
        <Kept said={said} />
      </div>
      <p className="muted small">{wording.aRouteUsesOnlyWhat}</p>
      {generalStations.map((station) => (
        <div key={station.id} className="row gap-4 mid">
          <Checkbox
            className="fill"
            disabled={!may}
            checked={
              asked?.do === 'station' && asked.station === station.id
                ? asked.owned === true
                : owned.includes(station.id)
            }
            onChange={(e) => change({ do: 'station', station: station.id, owned: e.target.checked })}
          >
            {station.name}
          </Checkbox>
          {owned.includes(station.id) && (
            <Pick
              aria-label={hours.holds(station.name)}
              disabled={!may}
              value={holds[station.id] ?? 1}
              onChange={(count) => change({ do: 'holds', station: station.id, count })}
              options={[1, 2, 3, 4].map((n) => ({ value: n, label: hours.holdsCount(n) }))}
            />
          )}
          {owned.includes(station.id) && station.softenS !== undefined && (
            <Pick
              aria-label={hours.warms(station.name)}
              disabled={!may}
              value={warm[station.id] ?? 0}
              onChange={(minutes) => change({ do: 'warm', station: station.id, minutes })}
              options={warmUps.map((n) => ({ value: n, label: hours.warmsFor(n) }))}
            />
          )}
        </div>
      ))}
    </section>
  );
}

function Practice({ offered, may }: { offered: boolean; may: boolean }) {
  const { change, said, asked } = useChange();
  return (
    <section className="card stack gap-4" id="practice">
      <div className="spread">
        <h2>{wording.practice}</h2>
        <Kept said={said} />
      </div>
      <p className="muted small">{wording.practiceMeans}</p>
      <Checkbox
        disabled={!may}
        checked={asked ? asked.offered === true : offered}
        onChange={(e) => change({ do: 'practice', offered: e.target.checked })}
      >
        {wording.practiceOn}
      </Checkbox>
    </section>
  );
}
