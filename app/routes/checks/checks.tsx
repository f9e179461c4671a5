import { Button } from 'antd';
import { useState, useSyncExternalStore } from 'react';
import { PrefetchPageLinks, useNavigate, useNavigation, useSubmit } from 'react-router';
import { checksDue, type DueCheck } from '../../../core/checks/due';
import { reseatFor } from '../../../core/checks/reseat';
import { type CheckResult, enrolments, type Round } from '../../../core/job/events';
import { failedChecks } from '../../../core/job/failed';
import { nextStep } from '../../../core/job/report';
import { flag } from '../../../core/job/state';
import { isLive, shutState } from '../../../core/job/view';
import { indexModel } from '../../../core/model/index-model';
import { passcodeOf } from '../../../server/use-cases/job-page';
import { fromServerOrCopy, notePerson } from '../../job/offline-page';
import { ownerKey } from '../../job/outbox';
import { senderFor } from '../../job/sender';
import { useJob } from '../../job/use-job';
import { JobHead } from '../../ui/job-head';
import { useKeys } from '../../ui/keys';
import { Ledger } from '../../ui/ledger';
import { functionHow, functionName, list, resultOf, thingName } from '../../words/things';
import { loadJob } from '../job-loader';
import type { Route } from './+types/checks';
import { LinkButton } from '../../ui/link-button';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const loaded = await loadJob(request, context, params.job);
  return { ...loaded, passcode: await passcodeOf(loaded.who, loaded.page.id) };
}

type Loaded = Awaited<ReturnType<typeof loader>>;
export function clientLoader({ params, serverLoader }: Route.ClientLoaderArgs): Promise<Loaded> {
  return fromServerOrCopy(params.job, () => serverLoader() as Promise<Loaded>, { passcode: null });
}

export default function Checks({ loaderData }: Route.ComponentProps) {
  const { who, page, passcode } = loaderData;
  notePerson(who);
  const { replica, view } = useJob(page, who);
  const sender = senderFor(ownerKey(who.shopId, who.personId), who.personId);
  const send = useSyncExternalStore(sender.watch, sender.snapshot, sender.snapshot);
  const go = useNavigate();
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const [reveal, setReveal] = useState(false);
  const index = indexModel(page.model);
  const { state, context } = view;
  useKeys({
    next: () => {
      if (settled) void go(`/jobs/${page.id}/${round === 'after' && !next ? 'hand-over' : 'work'}`);
    },
  });
  const next = context.route && nextStep(context.route, state, index)?.step;
  // a fault that needed no opening is proved on the device as it is; before there is a route, only the first round counts
  const unopened = !context.route && !!flag(state, 'cause') && Object.keys(state.task).length === 0;
  const closed = shutState(state, index) === 'closed' || unopened;
  const round: Round =
    !flag(state, 'received') || (!context.route && !unopened)
      ? 'before'
      : next?.action === 'check' && next.round
        ? next.round
        : closed
          ? 'after'
          : 'mid';
  const due = checksDue(state, index, round);
  const mid = context.route ? checksDue(state, index, 'mid') : [];
  const after = checksDue(state, index, 'after');
  // what is due now stands first, the rest of the record below it
  const all = [...new Map([...due, ...after, ...mid].map((c) => [c.function, c])).keys()];
  const failed = failedChecks(state, index);
  const open = due.filter((c) => (round === 'before' ? c.result === undefined : !c.passed));
  // what was tried and failed has been answered: it is mended, not tried first
  const failing = open.filter((c) => c.result === 'fails' && c.stale.length === 0);
  const waiting = open.filter((c) => !failing.includes(c));
  // only what was answered is copied: what nobody saw work before is tried and answered by itself
  const asBefore = round === 'before' ? [] : waiting.filter((c) => c.before === 'works');
  const settled = open.length === 0;
  const ended = flag(state, 'ending') !== undefined;
  const answer = (c: DueCheck, result: CheckResult) => {
    void replica.report({ type: 'checked', round, function: c.function, result });
  };
  const live = isLive(state, index);
  // what the chosen tasks will touch can still be asked while nothing has been opened
  const rows = all.map((fn) => {
    const of = (list: typeof due) => list.find((d) => d.function === fn);
    const now = of(due);
    return {
      fn,
      now,
      mid: of(mid),
      after: of(after),
      any: now ?? of(after) ?? of(mid)!,
      lit: now !== undefined && !now.passed,
    };
  });
  const may = !ended && (round === 'before' ? shutState(state, index) === 'never opened' : live);
  const stepIsThis = next?.action === 'check' && next.round === round;
  const look = reseatFor(
    index,
    state,
    failed.map((f) => f.function),
  );
  return (
    <>
      <JobHead page={page} index={index} state={state} here="checks" />
      <main className="page stack pad-under-12">
        <div className="spread">
          <div>
            <h1>
              {ended
                ? 'Checks, as they were'
                : round === 'before'
                  ? 'Before, as it came'
                  : settled
                    ? `${round === 'mid' ? 'Mid check' : 'After check'}: all answered`
                    : !live
                      ? `${round === 'mid' ? 'Mid check' : 'After check'}: not yet`
                      : `${round === 'mid' ? 'Mid check, before closing' : `After check, ${unopened ? 'not opened' : 'device closed'}`}: ${[waiting.length > 0 && `${waiting.length} open`, failing.length > 0 && `${failing.length} not working`].filter(Boolean).join(', ')}`}
            </h1>
            <p className="muted">
              {round === 'before'
                ? 'What stands here is what the checks before closing and after are compared with.'
                : live || settled
                  ? 'What was touched is due; where nothing was touched, the short list.'
                  : 'The cell is unplugged: nothing can be tested. These will be due when it is on again.'}
            </p>
          </div>
          <div className="row">
            {passcode && (
              <Button onClick={() => setReveal(!reveal)}>
                {reveal ? `passcode ${passcode}` : 'show passcode'}
              </Button>
            )}
            {!ended && settled && stepIsThis && (
              <Button
                type="primary"
                onClick={() => {
                  if (next)
                    void replica
                      .report({ type: 'stepPassed', passed: next.id, round })
                      .then(() => go(`/jobs/${page.id}/${round === 'after' ? 'hand-over' : 'work'}`));
                }}
              >
                {round === 'after' ? 'All checked: hand over' : 'All checked: go on'}
              </Button>
            )}
            {!ended && settled && !stepIsThis && (
              <LinkButton
                type="primary"
                to={`/jobs/${page.id}/${round === 'before' ? 'offer' : next ? 'work' : 'hand-over'}`}
              >
                {round === 'before' ? 'To the offer' : next ? 'Back to Work' : 'To hand over'}
              </LinkButton>
            )}
          </div>
        </div>
        {!ended && failed.length > 0 && (
          <Note tone="stop">
            <div className="strong">{`Does not work now: ${list(failed.map((f) => functionName[f.function as 'touch']))}. The job goes back to Work.`}</div>
            <p>
              Cell off, reseat what was touched last, test again. If the old part shows the same fault, the
              new part is innocent.
            </p>
            <div className="row top-6">
              <Button
                danger
                disabled={busy || !look.length}
                onClick={() => {
                  void submit(JSON.stringify({ command: crypto.randomUUID(), tasks: look }), {
                    method: 'post',
                    action: `/jobs/${page.id}/route`,
                    encType: 'application/json',
                  });
                }}
              >{`Plan the way to the ${list(look.map((t) => thingName(index, t.slot)))}`}</Button>
            </div>
          </Note>
        )}
        <section className="card">
          <DataTable
            name="Checks"
            rows={rows}
            rowKey={(r) => r.fn}
            rowClassName={(r) => (may && r.lit && r.now === (waiting[0] ?? open[0]) ? 'hot' : '')}
            onRow={(r) => ({ 'data-testid': `check-${r.fn}` })}
            columns={[
              { title: 'function', className: 'strong', cell: (r) => functionName[r.fn] },
              { title: 'passes when', className: 'small muted', cell: (r) => functionHow[r.fn] },
              {
                title: 'due because',
                className: 'small',
                cell: ({ any }) =>
                  any.because.length
                    ? list([...new Set(any.because.map((b) => thingName(index, b)))], 2)
                    : 'short list',
              },
              {
                title: 'before',
                cell: ({ fn, any }) => (
                  <Answer fn={fn} r={any.before} note={state.check[`before ${fn}`]?.note} />
                ),
              },
              {
                title: 'mid',
                cell: ({ fn, any, mid: m }) =>
                  m ? (
                    <Answer fn={fn} r={m.result} was={any.before} stale={m.stale.length > 0} />
                  ) : (
                    <span className="muted">–</span>
                  ),
              },
              {
                title: 'after',
                cell: ({ fn, any, after: a }) =>
                  a ? (
                    <Answer fn={fn} r={a.result} was={any.before} stale={a.stale.length > 0} />
                  ) : (
                    <span className="muted">–</span>
                  ),
              },
              {
                title: <span className="sr">answer</span>,
                align: 'right',
                className: 'flush',
                cell: ({ fn, now: c }) =>
                  may &&
                  c && (
                    <fieldset aria-label={functionName[fn]} className="answers">
                      {answersOf(round, c).map((r) => (
                        <Button
                          key={r}
                          type={c.result === r && !c.stale.length ? 'primary' : 'default'}
                          className={r === 'fails' ? 'narrow bad' : 'narrow'}
                          aria-pressed={c.result === r && !c.stale.length}
                          onClick={() => answer(c, r)}
                        >
                          {r === 'same'
                            ? 'as before, accepted'
                            : r === 'untested'
                              ? 'not tested'
                              : resultOf(fn, r)}
                        </Button>
                      ))}
                    </fieldset>
                  ),
              },
            ]}
          />
          {may && asBefore.length > 1 && (
            <div className="row end top-8">
              <Button
                onClick={() => {
                  for (const c of asBefore) answer(c, 'works');
                }}
              >{`The ${asBefore.length} that worked before work now`}</Button>
            </div>
          )}
        </section>
        <section className="card row">
          <span className="strong">Made for testing:</span>
          {enrolments.map((what) => (
            <span key={what} className="row gap-6">
              {state.enrolment[what] === 'made' ? (
                <Button
                  danger
                  onClick={() => {
                    void replica.report({ type: 'unenrolled', what });
                  }}
                >{`${what} unlock is enrolled: removed again`}</Button>
              ) : (
                <Button
                  disabled={ended}
                  onClick={() => {
                    void replica.report({ type: 'enrolled', what });
                  }}
                >{`enrolled a ${what}${state.enrolment[what] === 'removed' ? ' again' : ''}`}</Button>
              )}
            </span>
          ))}
          <span className="muted small">an enrolment is removed before the owner gets the phone</span>
        </section>
      </main>
      <Ledger index={index} state={state} send={send} />
      <PrefetchPageLinks page={`/jobs/${page.id}/work`} />
    </>
  );
}
/** One answer, and whether it differs from what it was on arrival. */
function Answer({
  fn,
  r,
  was,
  stale,
  note,
}: {
  fn: string;
  r: DueCheck['result'];
  was?: DueCheck['before'];
  stale?: boolean;
  note?: string | undefined;
}) {
  if (!r) return <span className="muted">open</span>;
  const changed = was !== undefined && was !== r && r !== 'same';
  const tone = stale ? 'muted' : r === 'fails' ? 'brick' : changed ? 'moss' : '';
  return (
    <span className={tone}>
      {r === 'untested' ? 'not tested' : r === 'same' ? 'as before' : resultOf(fn, r)}
      {stale ? ', moved since' : ''}
      {changed && !stale && <strong>{r === 'fails' ? ' ▼ changed' : ' ▲ changed'}</strong>}
      {note && <span className="small muted">{` ${note}`}</span>}
    </span>
  );
}

/** What can be answered of a function in a round: not tested where that is honest, as before where it did not work then. */
function answersOf(round: Round, c: DueCheck): CheckResult[] {
  return [
    'works',
    'fails',
    ...(round === 'before' || c.untestable ? (['untested'] as const) : []),
    ...(round !== 'before' && c.before === 'fails' ? (['same'] as const) : []),
  ];
}
