import { useEffect, useMemo, useState } from 'react';
import { redirect, useActionData, useNavigate, useNavigation, useSubmit } from 'react-router';
import { z } from 'zod';
import { taskActions } from '../../../core/job/events';
import { flag } from '../../../core/job/state';
import { targetsLeft } from '../../../core/job/report';
import { consentsNeeded } from '../../../core/pairing/effects';
import { indexModel, type IndexedModel } from '../../../core/model/index-model';
import type { Route as Planned, Step } from '../../../core/route/types';
import { adoptRoute, planFor } from '../../../server/use-cases/plan-route';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { useJob } from '../../job/use-job';
import { DeviceMap } from '../../ui/device-map';
import { Head, JobTabs, useStrip, workFor } from '../../ui/head';
import { useKeys } from '../../ui/keys';
import { Recess } from '../../ui/recess';
import { Sheet } from '../../ui/sheet';
import { refusalText } from '../../words/findings';
import { cautionText, stepTitle, stepWhy } from '../../words/steps';
import { driveName, list, plural, thingName } from '../../words/things';
import { minutes, money } from '../../words/time';
import { loadJob } from '../job-loader';
import { forgetDraft } from '../receive/use-draft';
import type { Route } from './+types/route';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who, page } = await loadJob(request, context, params.job);
  const index = indexModel(page.model);
  const plan = flag(page.state, 'ending') === undefined && (!page.route || new URL(request.url).searchParams.has('again')) ? planFor(who, index, page.state) : null;
  return { who, page, plan };
}

const ask = z.strictObject({ command: z.string().min(8).max(60), tasks: z.array(z.strictObject({ slot: z.string().max(60), action: z.enum(taskActions) })).max(20).default([]) });
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  const read = ask.safeParse(await jsonBody(request));
  if (!read.success || !z.uuid().safeParse(params.job).success) throw new Response(null, { status: 400, statusText: 'That is not a request for a route' });
  const done = await adoptRoute(who, params.job, read.data.command, read.data.tasks);
  if (!done.ok && done.code === 'no such job') throw new Response(null, { status: 404, statusText: 'No such job' });
  if (!done.ok) return { error: `There is no safe way to the ${list('because' in done ? done.because : [])}.` };
  if (done.outcome.status === 'refused') return { error: 'The job is closed: no route can be taken.' };
  throw redirect(`/jobs/${params.job}/work`);
}

export default function RoutePage({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  const { replica, view } = useJob(page, who);
  const strip = useStrip(page.strip);
  const submit = useSubmit();
  const go = useNavigate();
  const busy = useNavigation().state !== 'idle';
  const failed = useActionData<typeof action>()?.error;
  const [said, setSaid] = useState<string>();
  const [clearing, setClearing] = useState<string>();
  const [hover, setHover] = useState<Step>();
  useEffect(() => forgetDraft(page.id), [page.id]);
  useKeys({ device: (n) => { const j = strip[n - 1]; if (j) void go(workFor(j)); } });
  const index = indexModel(page.model);
  const { state } = view;
  const plan = loaderData.plan && !('infeasible' in loaderData.plan) ? loaderData.plan : undefined;
  const shown: Planned | undefined = plan ?? view.context.route;
  const adopted = !plan && !!shown;
  const conditions = Object.keys(state.condition).filter((c) => state.condition[c]);
  const take = () => { void submit(JSON.stringify({ command: crypto.randomUUID() }), { method: 'post', encType: 'application/json' }); };
  return (
    <>
      <Head who={who} jobs={strip} current={page.id} />
      <JobTabs id={page.id} here="route" title={`${index.model.maker} ${index.model.name} · ${flag(state, 'tag') ?? ''} · job ${page.number}`} />
      <main className="page stack">
        {(failed || said) && <div className="note stop" role="alert">{failed ?? said}</div>}
        {loaderData.plan && 'infeasible' in loaderData.plan && <div className="note stop">{`There is no safe way to the ${list(loaderData.plan.because.flatMap((b) => b.ids).map((i) => thingName(index, i.split('@')[0]!)))} in this device.`}</div>}
        <div className="cols" style={{ gridTemplateColumns: 'minmax(0,1.9fr) minmax(0,1fr)', alignItems: 'start' }}>
          <section className="card">
            {shown ? <>
              <div className="spread" style={{ marginBottom: 6 }}>
                <div><h1>{`Replace the ${list(shown.input.tasks.map((t) => thingName(index, t.slot)))}`}</h1><p className="muted">{adopted ? 'The route in force.' : state.flag.routeHash ? 'Planned again from where the device stands now; what is out stays out.' : 'Computed from the model and this device’s condition.'}</p></div>
                {adopted ? <div className="row"><a className="btn" style={{ textDecoration: 'none' }} href={`/jobs/${page.id}/route?again=1`}>Plan again</a><a className="btn primary" style={{ textDecoration: 'none' }} href={`/jobs/${page.id}/work`}>To the bench</a></div> : <button type="button" className="btn primary" disabled={busy} onClick={take}>Take this route</button>}
              </div>
              <StepTable index={index} plan={shown} left={(s) => (adopted ? targetsLeft(state, s).length : s.targets.length)} hover={hover} onHover={setHover} />
            </> : <p>{flag(state, 'ending') ? 'This job is closed.' : 'No route.'}</p>}
          </section>
          <div className="stack" style={{ position: 'sticky', top: 8 }}>
            {conditions.map((c) => <section key={c} className="note stop spread" style={{ alignItems: 'center' }}><div><strong>{c}</strong>: {state.condition[c]!.because}. {c === 'swollen' ? 'No heat, no sweep under the panel, cell out as soon as it can be reached.' : ''}</div><button type="button" className="btn slim" onClick={() => setClearing(c)}>Clear…</button></section>)}
            {shown && <section className="card stack">
              <div className="spread"><h2>{`About ${minutes(shown.minutes.hands.likely)} of hands`}</h2><span className="muted nowrap">{`${Math.round(shown.minutes.hands.low)}–${Math.round(shown.minutes.hands.high)} min`}</span></div>
              <p>{`and ${minutes(shown.minutes.wait)} of waiting. ${plural(shown.changes, 'bit change')}, ${shown.turnings ? plural(shown.turnings, 'turning') : 'never turned over'}`}{shown.optimal ? ': proved to be the least for this way.' : ': the least is not proved.'}</p>
              <p className="muted small">{`Hands ${money(shown.cost.time, who.settings.currency)}, risk ${money(shown.cost.risk, who.settings.currency)}, consumables ${money(shown.cost.consumables, who.settings.currency)}; parts come on top.`}</p>
            </section>}
            {shown && <section className="card stack">
              <h2>Lay out first</h2>
              <div className="row" style={{ gap: 8 }}>{shown.kit.bits.map((b) => <span key={b} className="chip"><Recess drive={b} size={22} />{driveName[b]}</span>)}</div>
              <dl style={{ margin: 0, display: 'grid', gridTemplateColumns: 'max-content 1fr', gap: '2px 12px' }}>
                <Kit name="tools" text={shown.kit.tools.map((t) => index.model.tools.find((x) => x.id === t)?.name ?? t).join(', ')} />
                <Kit name="station" text={shown.kit.stations.map((t) => index.model.stations.find((x) => x.id === t)?.name ?? t).join(', ')} />
                <Kit name="part" text={shown.kit.parts.map((p) => `new ${thingName(index, p)}`).join(', ')} />
                <Kit name="renew" text={shown.kit.consumables.map((c) => { const i = index.model.items.find((x) => x.id === c.item); return `${c.quantity} ${i?.unit ?? ''} ${i?.name ?? c.item}`; }).join('; ')} />
              </dl>
            </section>}
            {shown && consentsNeeded(shown.effects).length > 0 && <section className="card stack">
              <h2>Tell the owner</h2>
              {consentsNeeded(shown.effects).map((e) => <div key={e.id} className="spread" style={{ alignItems: 'center' }}><span>{e.owner}<span className="muted small"> {e.remedy}</span></span>{state.consent[e.id] ? <span className="moss strong nowrap">{`agreed: ${state.consent[e.id]}`}</span> : <button type="button" className="btn slim nowrap" onClick={() => { void replica.report({ type: 'consentGiven', effect: e.id, by: page.owner ?? 'owner at the counter' }); }}>Owner agrees</button>}</div>)}
            </section>}
            {shown && <section className="card" style={{ height: 330, padding: 8, order: -1 }} aria-label="Map"><div style={{ height: '100%', display: 'flex' }}><DeviceMap index={index} state={hover ? revealed(state, index) : state} lit={hover ? [...hover.targets, hover.about ?? ''] : []} now={hover?.targets[0]} showNoGo={false} /></div></section>}
          </div>
        </div>
      </main>
      {clearing && <ClearSheet condition={clearing} onClose={() => setClearing(undefined)} onClear={(reason) => { setClearing(undefined); void replica.report({ type: 'conditionCleared', condition: clearing as 'swollen', reason }).then((d) => { setSaid(d.refused ? refusalText(index, d.refused) : undefined); if (!d.refused) void go(`/jobs/${page.id}/route?again=1`); }); }} />}
    </>
  );
}
/** For pointing at things before the device is open: the display laid aside, nothing else. */
function revealed<T extends { pose: Record<string, 'folded' | 'shifted'>; place: Record<string, string> }>(state: T, index: IndexedModel): T {
  const display = index.model.slots.find((s) => s.kind === 'display');
  return display && state.place[`${display.id}#1`] === undefined ? { ...state, pose: { ...state.pose, [display.id]: 'folded' } } : state;
}
const Kit = ({ name, text }: { name: string; text: string }) => (text ? <><dt className="muted">{name}</dt><dd style={{ margin: 0 }}>{text}</dd></> : null);

function StepTable({ index, plan, left, hover, onHover }: { index: IndexedModel; plan: Planned; left: (s: Step) => number; hover: Step | undefined; onHover: (s: Step | undefined) => void }) {
  const rows = useMemo(() => plan.steps.map((s, i) => ({ s, first: s.phase !== plan.steps[i - 1]?.phase, bit: s.bit && s.bit !== plan.steps.slice(0, i).findLast((x) => x.bit)?.bit ? s.bit : undefined })), [plan]);
  return (
    <table className="tbl" aria-label="The route">
      <thead><tr><th scope="col" style={{ width: 34 }}>nr</th><th scope="col">do</th><th scope="col">because it</th><th scope="col">bit</th><th scope="col" style={{ textAlign: 'right' }}>time</th></tr></thead>
      <tbody>{rows.map(({ s, first, bit }, i) => {
        const done = left(s) === 0;
        return (
          <tr key={s.id} className={hover?.id === s.id ? 'hot' : ''} onMouseEnter={() => onHover(s)} onMouseLeave={() => onHover(undefined)}>
            <td className="muted">{i + 1}</td>
            <td>{first && <div className="small muted" style={{ textTransform: 'none', fontWeight: 700 }}>{s.phase}</div>}<span className={done ? 'muted' : 'strong'}>{done ? '✓ ' : ''}{stepTitle(index, s)}</span>{s.note && <div className="small muted">{s.note}</div>}{s.cautions.length > 0 && <div className="small brick">{s.cautions.map((c) => cautionText[c]).join(' ')}</div>}</td>
            <td className="small">{s.action === 'check' ? (s.round === 'after' ? 'proves the repair' : 'is the last cheap moment') : stepWhy(index, s)}</td>
            <td>{s.bit && <span className="row" style={{ gap: 5, flexWrap: 'nowrap' }}><Recess drive={s.bit} size={20} />{bit && <span className="small">{bit}</span>}</span>}</td>
            <td className="nowrap small" style={{ textAlign: 'right' }}>{span(s.handsS.likely)}{s.waitS > 0 && <div className="muted">{`+ ${span(s.waitS)} wait`}</div>}</td>
          </tr>
        );
      })}</tbody>
    </table>
  );
}
const span = (s: number) => (s < 90 ? `${Math.round(s)} s` : `${Math.round(s / 60)} min`);

function ClearSheet({ condition, onClose, onClear }: { condition: string; onClose: () => void; onClear: (reason: string) => void }) {
  const [reason, setReason] = useState('');
  return (
    <Sheet title={`Clear “${condition}”`} onClose={onClose}>
      <p>An owner or lead clears this after looking at the cell. The reason stays in the record, and the route is planned again.</p>
      <form className="stack" onSubmit={(e) => { e.preventDefault(); if (reason.trim()) onClear(reason); }}>
        <div className="field"><label htmlFor="why">What was seen</label><textarea id="why" required rows={3} maxLength={1000} value={reason} onChange={(e) => setReason(e.target.value)} style={{ font: 'inherit', padding: 10, borderRadius: 8 }} /></div>
        <div className="row"><button type="submit" className="btn danger">{`Clear “${condition}”`}</button></div>
      </form>
    </Sheet>
  );
}
