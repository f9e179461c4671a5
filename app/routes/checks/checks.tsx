import * as wording from '../../../words/screens/checks';
import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import { toTell } from '../../../core/checks/due';
import type { JobState } from '../../../core/log/state';
import type { CheckResult } from '../../../core/log/events';
import { deviceChecksOf } from '../../../server/use-cases/device-checks';
import { passcodeOf } from '../../../server/use-cases/job-page';
import { fromServerOr } from '../../job/offline-page';
import { useKeys } from '../../ui/keys';
import { functionName } from '../../../words/functions';
import { list } from '../../../words/things';
import { Ledger } from '../../ui/ledger';
import { asTheyShouldBe, checksTitle, checksWhy, onwardText } from '../../../words/checks';
import { lessonsFor, measuredElsewhere } from '../../../server/use-cases/measured-elsewhere';
import { isUsbMeterSimulated } from '../../../server/use-cases/usb-meter';
import { loadJob } from '../job-loader';
import type { Route } from './+types/checks';
import { later } from '../../ui/later';
import { ChecksTable } from './checks-table';
import { DeviceCard } from './device-card';
import { EnrolmentsCard } from './enrolments-card';
import { FailedNote } from './failed-note';
import { answersOf, type CheckRow, type ChecksState, useChecks } from './use-checks';
import { useArmed } from './use-armed';
import { UsbMeterCard } from './usb-meter-card';

const MeasuredCharts = later(() => import('./measured-charts').then((m) => m.MeasuredCharts));

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who, page } = await loadJob(request, context, params.job);
  const [passcode, device, elsewhere, lessons] = await Promise.all([
    passcodeOf(who, page.id),
    deviceChecksOf(who, page.id),
    measuredElsewhere(who, page.id),
    lessonsFor(who, page.id),
  ]);
  const url = new URL(request.url);
  const { benchName } = who.settings;
  return {
    passcode,
    device,
    elsewhere,
    usbSimulated: isUsbMeterSimulated(who),
    lessons,
    origin: benchName ? `${url.protocol}//${benchName}${url.port && `:${url.port}`}` : url.origin,
    alone: !benchName && isLoopback(url.hostname),
  };
}
const isLoopback = (host: string) => /^(localhost|127\.|\[?::1)/.test(host);
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOr(serverLoader, () => ({
    passcode: null,
    device: { link: null, measured: [] },
    elsewhere: { usual: [], last: undefined },
    lessons: {},
    usbSimulated: false,
    origin: '',
    alone: true,
  }));

/** What was touched is tried: before it is opened, before it is closed, and when it is. */
export default function Checks({ loaderData }: Route.ComponentProps) {
  const checks = useChecks();
  useNewlyMeasured(checks.state, loaderData.device.measured);
  const { index, state, send, failed, ended, round } = checks;
  const { at, move, answer, toFirst } = useRowInHand(checks);
  const press = usePress(checks, toFirst);
  useKeys({
    next: press?.byKey,
    move,
    answer: (n) => {
      const row = checks.rows.find((r) => r.fn === at);
      const given = row?.now && answersOf(round, row.now)[n - 1];
      if (row && given && checks.may) answer(row, given);
    },
  });
  const third = thirdAnswer(checks);
  const seen = { ...checks, waiting: checks.waiting.length, failing: checks.failing.length };
  return (
    <>
      <main className="page stack">
        <div className="spread">
          <div>
            <h1>{checksTitle(seen)}</h1>
            <p className="muted">{checksWhy(checks)}</p>
          </div>
          <Passcode passcode={loaderData.passcode} />
        </div>
        {checks.may && (
          <DeviceCard
            job={checks.page.id}
            {...loaderData}
            link={loaderData.device.link}
            short={shortRound(checks)}
          />
        )}
        <UsbMeterCard checks={checks} simulated={loaderData.usbSimulated} />
        {!ended && failed.length > 0 && <FailedNote checks={checks} lessons={loaderData.lessons} />}
        <section className="card">
          {checks.may && (
            <p className="small muted noprint">
              <kbd>1</kbd> {wording.works} <kbd>2</kbd> {wording.doesNot}{' '}
              {third && (
                <>
                  <kbd>3</kbd> {third}{' '}
                </>
              )}
              <kbd>↑↓</kbd> {wording.or} <kbd>J</kbd> <kbd>K</kbd> {wording.move} <kbd>Space</kbd>{' '}
              {wording.goesOn}
            </p>
          )}
          <ChecksTable checks={checks} elsewhere={loaderData.elsewhere} at={at} onAnswer={answer} />
        </section>
        <MeasuredCharts job={checks.page.id} measured={loaderData.device.measured} round={round} />
        <EnrolmentsCard checks={checks} />
      </main>
      <Ledger index={index} state={state} send={send}>
        {press && (
          <Button
            className="go"
            type="primary"
            onMouseDown={(e) => e.preventDefault()}
            onClick={press.run}
            data-testid="go"
          >
            <span className="cap">{wording.pedalSpace}</span>
            <span>{press.text}</span>
          </Button>
        )}
      </Ledger>
    </>
  );
}

/** What alone the phone asks, once something failed. */
function shortRound({ rows, round }: ChecksState): string | undefined {
  const due = rows.flatMap((r) => r.now ?? []);
  const asked = toTell(due, round);
  return asked.length < due.length ? list(asked.map((c) => functionName[c.function])) : undefined;
}
/** What the phone measures comes with the live channel; its curves are asked for then. */
function useNewlyMeasured(state: JobState, known: readonly { id: string }[]): void {
  const { revalidate, state: busy } = useRevalidator();
  const missing = Object.values(state.measured).some((m) => !known.some((k) => k.id === m.id));
  const asked = useRef<string>(undefined);
  const newest = String(Math.max(0, ...Object.values(state.measured).map((m) => m.seq)));
  useEffect(() => {
    if (!missing || busy !== 'idle' || asked.current === newest) return;
    asked.current = newest;
    void revalidate();
  }, [missing, busy, newest, revalidate]);
}

/** What the third key answers, where anything has a third answer. */
function thirdAnswer({ rows, round }: ChecksState): string | undefined {
  if (round === 'before') return wording.notTested;
  return rows.some((r) => r.now && answersOf(round, r.now).length > 2)
    ? wording.asBeforeOrNotTested
    : undefined;
}

/** What a press does: answers all that worked before, then goes on; nothing while something is to be tried by itself. */
function usePress(
  checks: ChecksState,
  onAll: () => void,
): { text: string; run: () => void; byKey: () => void } | undefined {
  const { ended, settled, asBefore, answer, goOn, onward, stepIsThis } = checks;
  const back = onward === 'work' && !stepIsThis ? wording.backToWork : onwardText[onward];
  const text = ended
    ? undefined
    : settled
      ? back
      : asBefore.length > 0
        ? asTheyShouldBe(asBefore.length)
        : undefined;
  const armed = useArmed(text);
  if (!text) return undefined;
  const run = () => {
    if (settled) void goOn();
    else {
      answer(asBefore.map((c) => [c, 'works']));
      onAll();
    }
  };
  return {
    text,
    run,
    // a pedal is pressed without looking
    byKey: () => {
      if (armed()) run();
    },
  };
}

/** The row that the keys answer: the first that is open, then wherever one goes. */
function useRowInHand({ rows, waiting, failing, answer }: ChecksState): {
  at: string | undefined;
  move: (by: number) => void;
  answer: (row: CheckRow, result: CheckResult) => void;
  /** Back to the first that is open. */
  toFirst: () => void;
} {
  const [chosen, setChosen] = useState<string>();
  const asked = rows.filter((r) => r.now);
  const first = (waiting[0] ?? failing[0])?.function;
  const at = asked.some((r) => r.fn === chosen) ? chosen : first;
  useEffect(() => {
    if (chosen)
      document.querySelector(`[data-testid="check-${chosen}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  return {
    at,
    toFirst: () => setChosen(undefined),
    move: (by) => {
      const k = asked.findIndex((r) => r.fn === at);
      setChosen(asked[Math.min(asked.length - 1, Math.max(0, k + by))]?.fn);
    },
    answer: (row, result) => {
      const next = waiting.filter((c) => c.function !== row.fn);
      const k = asked.findIndex((r) => r.fn === row.fn);
      setChosen(
        (asked.slice(k + 1).find((r) => next.some((c) => c.function === r.fn)) ?? { fn: next[0]?.function })
          .fn,
      );
      answer([[row.now!, result]]);
    },
  };
}

/** The owner's passcode, shown only when it is asked for. */
function Passcode({ passcode }: { passcode: string | null }) {
  const [shown, setShown] = useState(false);
  return (
    passcode && (
      <Button onClick={() => setShown(!shown)}>
        {shown ? wording.passcode(passcode) : wording.showPasscode}
      </Button>
    )
  );
}
