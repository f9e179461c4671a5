import { Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { redirect, useActionData, useNavigate, useNavigation, useSubmit } from 'react-router';
import { z } from 'zod';
import type { FunctionId } from '../../../core/model/schema';
import { stripFor } from '../../../server/use-cases/bench-page';
import { receivePage } from '../../../server/use-cases/drafts';
import { receiveJob } from '../../../server/use-cases/receive-job';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { startChannel } from '../../job/channel';
import { setServerTime } from '../../job/clock';
import { Head, useStrip, workFor } from '../../ui/head';
import { useKeys } from '../../ui/keys';
import { TaskPicker } from '../../ui/task-picker';
import { functionHow, functionName, resultName } from '../../words/things';
import type { Route } from './+types/receive';
import { OutlineMarks } from './outline-marks';
import { useDraft } from './use-draft';

const isId = (id: string) => z.uuid().safeParse(id).success;

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  if (!isId(params.draft)) throw new Response(null, { status: 404, statusText: 'No such draft' });
  const page = await receivePage(who, params.draft);
  if (page.opened) throw redirect(`/jobs/${params.draft}/route`);
  return { who, ...page, id: params.draft, now: Date.now(), strip: await stripFor(who) };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  if (!isId(params.draft)) throw new Response(null, { status: 404, statusText: 'No such draft' });
  const done = await receiveJob(who, params.draft, await jsonBody(request), Date.now());
  if (done.ok) throw redirect(`/jobs/${done.job}/route`);
  return { errors: done.errors };
}

const results = ['works', 'fails', 'untested'] as const;
const tone = { works: '', fails: 'bad', untested: 'dim' } as const;

export default function Receive({ loaderData }: Route.ComponentProps) {
  const { who, models, id } = loaderData;
  const strip = useStrip(loaderData.strip);
  const { draft, change, keeping } = useDraft(id, loaderData.draft);
  const [passcode, setPasscode] = useState('');
  const errors: Record<string, string> = useActionData<typeof action>()?.errors ?? {};
  const busy = useNavigation().state !== 'idle';
  const submit = useSubmit();
  const go = useNavigate();
  useEffect(() => { setServerTime(loaderData.now); startChannel(); }, [loaderData.now]);
  useKeys({ device: (n) => { const j = strip[n - 1]; if (j) void go(workFor(j)); } });
  useEffect(() => { const first = Object.keys(errors)[0]; if (first) document.getElementById(first)?.focus(); }, [errors]);
  const model = models.find((m) => m.hash === draft.modelHash);
  const before = draft.before ?? {};
  const answered = model ? model.shortList.filter((f) => before[f as FunctionId]).length : 0;
  const setBefore = (fn: string, result: (typeof results)[number]) => change({ before: { ...before, [fn]: { ...before[fn as FunctionId], result } } });
  const err = (f: string) => errors[f] && <span className="error" id={`${f}-error`} role="alert">{errors[f]}</span>;
  const aria = (f: string) => ({ id: f, 'aria-invalid': !!errors[f], ...(errors[f] ? { 'aria-describedby': `${f}-error` } : {}) });
  const send = () => { void submit(JSON.stringify({ ...draft, ...(passcode ? { passcode } : {}) }), { method: 'post', encType: 'application/json' }); };
  return (
    <>
      <Head who={who} jobs={strip} />
      <main className="page stack">
        <div className="spread"><h1>Receive a device</h1><span className="muted" role="status">{keeping}</span></div>
        {Object.keys(errors).length > 0 && <div className="note stop" role="alert">{`${Object.keys(errors).length} ${Object.keys(errors).length === 1 ? 'thing is' : 'things are'} missing or wrong below. Nothing you typed is lost.`}</div>}
        <div className="cols" style={{ gridTemplateColumns: 'minmax(0,1fr) minmax(0,1.15fr) minmax(0,1.1fr)', alignItems: 'start' }}>
          <section className="card stack">
            <h2>Device and owner</h2>
            <fieldset style={{ border: 0, padding: 0, margin: 0 }} className="field"><legend className="strong" style={{ padding: 0 }}>Model</legend>
              <div className="row" style={{ gap: 6 }} {...aria('modelHash')} tabIndex={-1}>{models.map((m) => <button key={m.hash} type="button" aria-pressed={m.hash === draft.modelHash} className={`btn slim ${m.hash === draft.modelHash ? 'on' : ''}`} onClick={() => change({ modelHash: m.hash, variant: m.variants[0]!.id, tasks: m.parts.filter((p) => p.kind === 'cell').slice(0, 1).map((p) => ({ slot: p.id, action: 'replace' as const })), before: {}, marks: [] })}>{m.name}</button>)}</div>{err('modelHash')}</fieldset>
            {model && model.variants.length > 1 && <div className="field"><span className="label">Variant</span><div className="row" style={{ gap: 6 }} {...aria('variant')}>{model.variants.map((v) => <button key={v.id} type="button" aria-pressed={v.id === draft.variant} className={`btn slim ${v.id === draft.variant ? 'on' : ''}`} onClick={() => change({ variant: v.id })}>{v.name}</button>)}</div>{err('variant')}</div>}
            <div className="field"><label htmlFor="tag">Serial number or own tag</label><Input {...aria('tag')} value={draft.tag ?? ''} maxLength={60} onChange={(e) => change({ tag: e.target.value })} />{err('tag')}</div>
            <div className="field"><label htmlFor="owner">Owner’s name</label><Input {...aria('owner')} value={draft.owner ?? ''} maxLength={80} onChange={(e) => change({ owner: e.target.value })} />{err('owner')}</div>
            <div className="field"><label htmlFor="complaint">What the owner says is wrong</label><Input.TextArea {...aria('complaint')} rows={3} maxLength={4000} value={draft.complaint ?? ''} onChange={(e) => change({ complaint: e.target.value })} />{err('complaint')}</div>
            {model && <div className="field"><span className="label">Tasks</span><div {...aria('tasks')} tabIndex={-1}><TaskPicker parts={model.parts} tasks={draft.tasks ?? []} onSet={(slot, a) => change({ tasks: [...(draft.tasks ?? []).filter((t) => t.slot !== slot), ...(a === 'none' ? [] : [{ slot, action: a }])] })} /></div>{err('tasks')}</div>}
            <div className="field"><label htmlFor="promisedAt">Promised for</label><input type="datetime-local" {...aria('promisedAt')} value={draft.promisedAt ? toLocal(draft.promisedAt) : ''} onChange={(e) => change({ promisedAt: e.target.value ? new Date(e.target.value).getTime() : null })} style={{ font: 'inherit', minHeight: 44, borderRadius: 10, border: '1px solid var(--metal)', padding: '0 12px', background: 'var(--card)' }} />{err('promisedAt')}</div>
            <div className="field"><label htmlFor="promisedAs">because of (a sailing, say)</label><Input {...aria('promisedAs')} value={draft.promisedAs ?? ''} maxLength={60} onChange={(e) => change({ promisedAs: e.target.value })} />{err('promisedAs')}</div>
            <div className="field"><label htmlFor="passcode">Passcode for the checks</label><Input {...aria('passcode')} value={passcode} maxLength={60} autoComplete="off" onChange={(e) => setPasscode(e.target.value)} /><span className="muted small">never part of a draft; deleted when the job is closed</span>{err('passcode')}</div>
          </section>
          <section className="card stack">
            <h2>State on arrival</h2>
            {model ? <OutlineMarks outline={model.outline} marks={draft.marks ?? []} onChange={(marks) => change({ marks })} /> : <p className="muted">Choose the model: its outline stands here to be marked.</p>}
          </section>
          <section className="card stack">
            <div className="spread"><h2>Before: what works</h2>{model && <span className="strong">{answered} / {model.shortList.length}</span>}</div>
            {err('before')}
            {model ? (
              <>
                <table className="tbl" {...aria('before')} tabIndex={-1}><tbody>
                  {model.shortList.map((f) => (
                    <tr key={f}><td style={{ padding: '3px 10px 3px 4px', overflowWrap: 'break-word' }}><span title={functionHow[f as FunctionId]}>{functionName[f as FunctionId]}</span></td>
                      <td style={{ padding: '3px 0' }}><fieldset aria-label={functionName[f as FunctionId]} style={{ border: 0, margin: 0, padding: 0, display: 'flex', gap: 4, justifyContent: 'flex-end' }}>{results.map((r) => <button key={r} type="button" aria-pressed={before[f as FunctionId]?.result === r} className={`btn slim ${before[f as FunctionId]?.result === r ? `on ${tone[r]}` : ''}`} style={{ padding: '2px 7px', minHeight: 44 }} onClick={() => setBefore(f, r)}>{r === 'untested' ? 'not tested' : resultName[r]}</button>)}</fieldset></td></tr>
                  ))}
                </tbody></table>
                {answered < model.shortList.length && <button type="button" className="btn slim" onClick={() => change({ before: { ...Object.fromEntries(model.shortList.map((f) => [f, { result: 'works' as const }])), ...before } })}>All others work</button>}
              </>
            ) : <p className="muted">Cold, before anything is warmed: the list that belongs to the model stands here.</p>}
          </section>
        </div>
        <div className="row" style={{ justifyContent: 'flex-end' }}><Button type="primary" size="large" loading={busy} onClick={send}>Receive and plan the route</Button></div>
      </main>
    </>
  );
}
function toLocal(ms: number): string {
  const d = new Date(ms - new Date(ms).getTimezoneOffset() * 60_000);
  return d.toISOString().slice(0, 16);
}
