import { Progress, Input, Form, Button } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link, redirect, useActionData, useNavigate, useNavigation, useSubmit } from 'react-router';
import { z } from 'zod';
import { checksDue } from '../../../core/checks/due';
import { agreedBy } from '../../../core/consents/consents';
import { type Task, taskActions } from '../../../core/job/events';
import { targetsLeft } from '../../../core/job/report';
import type { Finding } from '../../../core/job/interlocks';
import { flag } from '../../../core/job/state';
import { indexModel, type IndexedModel } from '../../../core/model/index-model';
import { consentsNeeded } from '../../../core/pairing/effects';
import { jobRouteInput } from '../../../core/route/job-input';
import { methodIds } from '../../../core/route/methods';
import type { Route as Planned, Step } from '../../../core/route/types';
import { overrideSchema } from '../../../server/use-cases/send-commands';
import { adoptRoute, planFor } from '../../../server/use-cases/plan-route';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { useJob } from '../../job/use-job';
import { DeviceMap } from '../../ui/device-map';
import { JobScreen } from '../../ui/job-head';
import { type OverrideGiven, StopSheet } from '../../ui/stop-sheet';
import { TaskPicker } from '../../ui/task-picker';
import { Sheet } from '../../ui/sheet';
import { refusalText } from '../../words/findings';
import { taskName } from '../../words/steps';
import { cap, functionName, list, plural, thingName } from '../../words/things';
import { minutes, money } from '../../words/time';
import { loadJob } from '../job-loader';
import type { Route } from './+types/route';
import { MethodsCard, WaysCard } from './choice-cards';
import { Kit } from './kit-card';
import { StepTable } from './step-table';
import { usePlan } from './use-plan';
import { Field } from '../../ui/field';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who, page } = await loadJob(request, context, params.job);
  const index = indexModel(page.model);
  const again = new URL(request.url).searchParams.has('again');
  const plan =
    flag(page.state, 'ending') === undefined && (!page.route || again)
      ? await planFor(who, index, page.state, page.route)
      : null;
  return { who, page, plan };
}

const ask = z.strictObject({
  command: z.string().min(8).max(60),
  methods: z.partialRecord(z.enum(methodIds), z.string().max(40)).optional(),
  force: z.record(z.string().max(80), z.string().max(40)).optional(),
  tasks: z
    .array(z.strictObject({ slot: z.string().max(60), action: z.enum(taskActions) }))
    .max(20)
    .default([]),
  override: overrideSchema.optional(),
});
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  const read = ask.safeParse(await jsonBody(request));
  if (!read.success || !z.uuid().safeParse(params.job).success)
    throw new Response(null, { status: 400, statusText: 'That is not a request for a route' });
  const { command, methods, force, tasks, override } = read.data;
  const done = await adoptRoute(
    who,
    params.job,
    command,
    { ...(methods ? { methods } : {}), ...(force ? { force } : {}), more: tasks },
    override,
  );
  if (!done.ok && done.code === 'no such job')
    throw new Response(null, { status: 404, statusText: 'No such job' });
  if (!done.ok)
    return { error: `There is no safe way to the ${list('because' in done ? done.because : [])}.` };
  if (done.outcome.status === 'refused') {
    const { refused } = done.outcome;
    return refused.code === 'interlock'
      ? { findings: refused.findings }
      : {
          error:
            refused.code === 'closed'
              ? 'The job is closed: no route can be taken.'
              : 'The route was not taken.',
        };
  }
  throw redirect(`/jobs/${params.job}/work`);
}

export default function RoutePage({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  const { replica, view } = useJob(page, who);
  const submit = useSubmit();
  const go = useNavigate();
  const busy = useNavigation().state !== 'idle';
  const answered = useActionData<typeof action>();
  const failed = answered && 'error' in answered ? answered.error : undefined;
  const [stop, setStop] = useState<Finding[]>();
  useEffect(() => {
    if (answered && 'findings' in answered) setStop(answered.findings);
  }, [answered]);
  const [said, setSaid] = useState<string>();
  const [clearing, setClearing] = useState<string>();
  const [hover, setHover] = useState<Step>();
  const index = indexModel(page.model);
  const { state, context } = view;
  const inForce = context.route;
  const planning = loaderData.plan !== null;
  const [wishes, setWishes] = useState<{ methods: Record<string, string>; force: Record<string, string> }>(
    () => ({ methods: { ...page.route?.input.methods }, force: { ...page.route?.input.force } }),
  );

  const input = useMemo(
    () => (planning ? jobRouteInput(who.settings, index, state, wishes) : undefined),
    [planning, who.settings, index, state, wishes],
  );
  const plan = usePlan(loaderData.plan ?? undefined, page.model, flag(state, 'modelHash') ?? '', input);
  const answer = planning ? plan.route : inForce;
  const shown: Planned | undefined = answer && !('infeasible' in answer) ? answer : undefined;
  const adopted = !planning && !!inForce;
  const tasks = Object.entries(state.task).map(([slot, a]) => ({ slot, action: a }) as Task);
  const conditions = Object.keys(state.condition).filter((c) => state.condition[c]);
  const take = (override?: OverrideGiven) => {
    void submit(
      JSON.stringify({ command: crypto.randomUUID(), ...wishes, ...(override ? { override } : {}) }),
      { method: 'post', encType: 'application/json' },
    );
  };
  const report = (body: Parameters<typeof replica.report>[0], then?: () => void) => {
    void replica.report(body).then((d) => {
      setSaid(d.refused ? refusalText(index, d.refused) : undefined);
      if (!d.refused) then?.();
    });
  };
  const unasked = checksDue(state, index, 'before')
    .filter((c) => c.result === undefined)
    .map((c) => c.function);
  const again = `/jobs/${page.id}/route?again=1`;
  const { currency } = who.settings;
  return (
    <>
      <JobScreen page={page} index={index} state={state} here="route" said={failed ?? said}>
        {answer && 'infeasible' in answer && (
          <Note
            tone="stop"
            role="alert"
          >{`As things stand there is no safe way to the ${list(answer.because.flatMap((b) => b.ids).map((i) => thingName(index, i.replace('loose:', '').split('@')[0]!)))}. Another house method or a station may open one; a condition is cleared by a lead after looking at the device.`}</Note>
        )}
        {planning && !inForce && unasked.length > 0 && (
          <Note>
            <span className="strong">{`Before it is opened, try ${unasked.length} more: `}</span>
            {`${list(
              unasked.map((f) => functionName[f]),
              6,
            )}. These tasks touch them, and afterwards nobody can say what they were. `}
            <Link to={`/jobs/${page.id}/checks`}>Answer them</Link>
          </Note>
        )}
        <div className="cols main-side high">
          <section className="card">
            <div className="spread under-6">
              <div>
                <h1>
                  {cap(
                    list(
                      tasks.map((t) => `${taskName[t.action]} the ${thingName(index, t.slot)}`),
                      3,
                    ),
                  )}
                </h1>
                <p className="muted">
                  {adopted
                    ? 'The route in force.'
                    : flag(state, 'ending')
                      ? 'This job is closed.'
                      : inForce
                        ? 'Planned again from where the device stands now; what is out stays out.'
                        : 'Computed from the model and this device’s condition.'}
                </p>
              </div>
              {adopted ? (
                <div className="row one-line">
                  {!flag(state, 'ending') && <Button href={again}>Plan again</Button>}
                  <Button href={`/jobs/${page.id}/route/print`}>Print</Button>
                  <Button type="primary" href={`/jobs/${page.id}/work`}>
                    To the bench
                  </Button>
                </div>
              ) : (
                shown && (
                  <Button type="primary" disabled={busy} onClick={() => take()}>
                    Take this route
                  </Button>
                )
              )}
            </div>
            {planning && plan.busy && (
              <Note layout="row" role="status" className="under-8">
                <span className="fill">
                  {!shown
                    ? 'Planning…'
                    : `An answer stands below, at most ${money(shown.searched - shown.lowerBound, currency)} from the least; looking further.`}
                  <Progress
                    percent={Math.round((100 * plan.stage) / Math.max(1, plan.stages))}
                    showInfo={false}
                    size="small"
                  />
                </span>
                <Button onClick={plan.stop}>Stop here</Button>
              </Note>
            )}
            {shown ? (
              <StepTable
                index={index}
                plan={shown}
                left={(s) => (adopted ? targetsLeft(state, s).length : s.targets.length)}
                hover={hover}
                onHover={setHover}
              />
            ) : (
              !plan.busy && <p>{flag(state, 'ending') ? 'No route was taken.' : 'No route.'}</p>
            )}
          </section>
          <div className="stack">
            <section className="card" style={{ height: 330, padding: 8 }} aria-label="Map">
              <div style={{ height: '100%', display: 'flex' }}>
                <DeviceMap
                  index={index}
                  state={revealed(state, index)}
                  lit={hover ? [...hover.targets, hover.about ?? ''] : []}
                  now={hover?.targets[0]}
                  showNoGo={false}
                  face={hover?.face ?? 'front'}
                />
              </div>
            </section>
            {conditions.map((c) => (
              <Note key={c} tone="stop" layout="spread">
                <div>
                  <strong>{c}</strong>: {state.condition[c]!.because}.{' '}
                  {c === 'swollen'
                    ? 'No heat, no sweep under the panel, cell out as soon as it can be reached.'
                    : ''}
                </div>
                <Button onClick={() => setClearing(c)}>Clear…</Button>
              </Note>
            ))}
            {shown && (
              <section className="card stack">
                <div className="spread">
                  <h2>{`About ${minutes(shown.minutes.hands.likely)} of hands`}</h2>
                  <span className="muted nowrap">{`${Math.round(shown.minutes.hands.low)}–${Math.round(shown.minutes.hands.high)} min`}</span>
                </div>
                <p>
                  {`and ${minutes(shown.minutes.wait)} of waiting. ${plural(shown.changes, 'bit change')}, ${shown.turnings ? plural(shown.turnings, 'turning') : 'never turned over'}: `}
                  {shown.optimal
                    ? 'ways and order together proved to be the cheapest.'
                    : `no order has fewer than ${shown.leastMoves} in all; ${money(shown.searched - shown.lowerBound, currency)} at most could still be saved.`}
                  {shown.splits > 0 &&
                    ` ${plural(shown.splits, 'bracket')} done in two goes, one bit after the other, to save changes.`}
                </p>
                <p className="muted small">{`Hands ${money(shown.cost.time, currency)}, risk ${money(shown.cost.risk, currency)}, consumables ${money(shown.cost.consumables, currency)}; parts come on top.`}</p>
              </section>
            )}
            {!flag(state, 'ending') && (
              <section className="card stack" aria-label="Tasks">
                <h2>Tasks</h2>
                <TaskPicker
                  parts={index.model.slots}
                  tasks={tasks}
                  onSet={(slot, a) =>
                    report({ type: 'taskSet', slot, action: a }, () => {
                      if (adopted) void go(again);
                    })
                  }
                />
              </section>
            )}
            {shown && (
              <WaysCard
                index={index}
                plan={shown}
                currency={currency}
                force={planning ? wishes.force : shown.input.force}
                onForce={
                  planning
                    ? (c, way) =>
                        setWishes((w) => ({
                          ...w,
                          force: way === undefined ? without(w.force, c.fact) : { ...w.force, [c.fact]: way },
                        }))
                    : undefined
                }
              />
            )}
            {shown && (
              <section className="card stack">
                <h2>Lay out first</h2>
                <Kit index={index} plan={shown} />
              </section>
            )}
            {shown && (
              <MethodsCard
                index={index}
                plan={shown}
                chosen={planning ? wishes.methods : {}}
                onChoose={
                  planning
                    ? (row, option) => setWishes((w) => ({ ...w, methods: { ...w.methods, [row]: option } }))
                    : undefined
                }
              />
            )}
            {shown && consentsNeeded(shown.effects).length > 0 && (
              <section className="card stack">
                <h2>Tell the owner</h2>
                {consentsNeeded(shown.effects).map((e) => (
                  <div key={e.id} className="spread mid">
                    <span>
                      {e.owner}
                      <span className="muted small"> {e.remedy}</span>
                    </span>
                    {state.consent[e.id] ? (
                      <span className="moss strong nowrap">{`agreed: ${agreedBy(state, page.signers, e.id)}`}</span>
                    ) : (
                      <Button onClick={() => report({ type: 'consentGiven', effect: e.id, by: 'owner' })}>
                        Owner agrees
                      </Button>
                    )}
                  </div>
                ))}
              </section>
            )}
            {adopted && (
              <p className="row">
                <a className="tap" href={`/jobs/${page.id}/route.json`} download>
                  Route as JSON
                </a>
              </p>
            )}
          </div>
        </div>
      </JobScreen>
      {stop && (
        <StopSheet
          index={index}
          findings={stop}
          who={who}
          onBack={() => setStop(undefined)}
          passLabel="Take the route all the same"
          onPass={(o) => {
            setStop(undefined);
            take(o);
          }}
        />
      )}
      {clearing && (
        <ClearSheet
          condition={clearing}
          onClose={() => setClearing(undefined)}
          onClear={(reason) => {
            setClearing(undefined);
            report(
              { type: 'conditionCleared', condition: clearing as 'swollen', reason },
              () => void go(again),
            );
          }}
        />
      )}
    </>
  );
}
const without = (o: Record<string, string>, key: string) =>
  Object.fromEntries(Object.entries(o).filter(([k]) => k !== key));
/** For pointing at things before the device is open: the display laid aside, nothing else. */
function revealed<T extends { pose: Record<string, 'folded' | 'shifted'>; place: Record<string, string> }>(
  state: T,
  index: IndexedModel,
): T {
  const display = index.model.slots.find((s) => s.kind === 'display');
  return display && state.place[`${display.id}#1`] === undefined
    ? { ...state, pose: { ...state.pose, [display.id]: 'folded' } }
    : state;
}

function ClearSheet({
  condition,
  onClose,
  onClear,
}: {
  condition: string;
  onClose: () => void;
  onClear: (reason: string) => void;
}) {
  const [reason, setReason] = useState('');
  return (
    <Sheet title={`Clear “${condition}”`} onClose={onClose}>
      <p>
        An owner or lead clears this after looking at the device. The reason stays in the record, and the
        route is planned again.
      </p>
      <Form
        className="stack"
        onFinish={() => {
          if (reason.trim()) onClear(reason);
        }}
        layout="vertical"
      >
        <Field label="What was seen" htmlFor="why">
          <Input.TextArea
            id="why"
            required
            rows={3}
            maxLength={1000}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
        </Field>
        <div className="row">
          <Button htmlType="submit" danger>{`Clear “${condition}”`}</Button>
        </div>
      </Form>
    </Sheet>
  );
}
