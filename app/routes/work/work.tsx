import { useEffect, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { Link, PrefetchPageLinks, useNavigate } from 'react-router';
import type { Body } from '../../../core/job/events';
import { instruct } from '../../../core/job/instruct';
import type { Finding } from '../../../core/job/interlocks';
import { flag } from '../../../core/job/state';
import { indexModel } from '../../../core/model/index-model';
import { benchTime } from '../../job/clock';
import { fromServerOrCopy, notePerson } from '../../job/offline-page';
import { ownerKey } from '../../job/outbox';
import { type SendState, senderFor } from '../../job/sender';
import { useJob } from '../../job/use-job';
import { DeviceMap } from '../../ui/device-map';
import { Head, JobTabs, useNow, useStrip, workFor } from '../../ui/head';
import { useKeys } from '../../ui/keys';
import { Ledger } from '../../ui/ledger';
import { Mat, matCells } from '../../ui/mat';
import { type OverrideGiven, StopSheet } from '../../ui/stop-sheet';
import { findingText, refusalText } from '../../words/findings';
import { eventText } from '../../words/events';
import { doneLabel } from '../../words/steps';
import { thingName } from '../../words/things';
import { loadJob } from '../job-loader';
import type { Route } from './+types/work';
import { InstructionPanel } from './instruction-panel';
import { KeysSheet } from './keys-sheet';
import { QuestionSheet } from './question-sheet';
import { Tray } from './tray';
import { ThingSheet, TroubleSheet } from './trouble-sheet';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  return loadJob(request, context, params.job);
}
type Loaded = Awaited<ReturnType<typeof loader>>;
/** Afterwards the page comes from the server when it answers, and from this browser's copy when it does not. */
export function clientLoader({ params, serverLoader }: Route.ClientLoaderArgs): Promise<Loaded> {
  return fromServerOrCopy(params.job, () => serverLoader() as Promise<Loaded>, {});
}
const noFocus = (e: { preventDefault: () => void }) => e.preventDefault();
const quiet: SendState = { kept: 0, link: 'ok', refused: [] };

export default function Work({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  notePerson(who);
  const { replica, view } = useJob(page, who);
  const strip = useStrip(page.strip);
  const go = useNavigate();
  const sender = senderFor(ownerKey(who.shopId, who.personId), who.personId);
  const send = useSyncExternalStore(sender.watch, sender.snapshot, () => quiet);
  const time = useNow();
  const { state, context } = view;
  const index = indexModel(page.model);
  // the clock enters here: a wait that ends changes the instruction without any event
  const now = useMemo(() => instruct(context, state, time ? benchTime() : { at: page.now, clockKnown: true }), [context, state, time, page.now]);

  const [stop, setStop] = useState<{ findings: Finding[]; body: Body }>();
  const [sheet, setSheet] = useState<'trouble' | 'keys'>();
  const [picked, setPicked] = useState<string>();
  const [said, setSaid] = useState<string>();
  const [measured, setMeasured] = useState<number>();

  const target = now.kind === 'do' || now.kind === 'waiting' ? now.target : undefined;
  const step = now.kind === 'do' || now.kind === 'waiting' || now.kind === 'checks' ? now.step : undefined;
  const painted = `${now.kind} ${step?.id ?? ''} ${target ?? ''}`;

  // the pedal is bound to what was painted; after somebody else's event it is dead until the new target was seen
  const shown = useRef({ now, painted, foreign: 0, deadUntil: 0 });
  useLayoutEffect(() => {
    const s = shown.current;
    if (s.painted !== painted && s.foreign !== view.foreign) s.deadUntil = performance.now() + 700;
    shown.current = { now, painted, foreign: view.foreign, deadUntil: s.deadUntil };
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: a measurement belongs to the target it was taken for
  useEffect(() => setMeasured(undefined), [painted]);
  useEffect(() => { if (!said) return; const t = setTimeout(() => setSaid(undefined), 6000); return () => clearTimeout(t); }, [said]);
  const e = view.lastForeign;
  useEffect(() => { if (e) setSaid(`${page.people[e.by] ?? 'Another bench'}: ${eventText(index, e.body)}`); }, [e, index, page.people]);

  const report = (body: Body, override?: OverrideGiven) => {
    void replica.report(body, override ? { override } : {}).then((d) => {
      if (d.refused?.code === 'interlock') setStop({ findings: d.refused.findings, body });
      else if (d.refused) setSaid(refusalText(index, d.refused));
    });
  };
  const press = () => {
    const s = shown.current;
    if (performance.now() < s.deadUntil || stop || sheet || picked) return;
    if (s.now.kind === 'finished') void go(`/jobs/${page.id}/hand-over`);
    else if (s.now.kind === 'checks') void go(`/jobs/${page.id}/checks`);
    else if (s.now.kind === 'no route') void go(`/jobs/${page.id}/route`);
    else if (s.now.kind === 'do') {
      const serious = s.now.findings.filter((f) => f.severity !== 'warn');
      if (serious.length) setStop({ findings: serious, body: s.now.body });
      else report(s.now.body);
    }
  };
  const last = state.trail[state.trail.length - 1];
  const undo = () => { if (last && !stop && !sheet && !picked) report({ type: 'retracted', event: last.event }); };
  // arriving at a device, the keys are the bench's: nothing that was clicked to get here keeps the focus
  const main = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: for each device anew
  useEffect(() => main.current?.focus({ preventScroll: true }), [page.id]);
  const open = stop !== undefined || sheet !== undefined || picked !== undefined || now.kind === 'question';
  useKeys({
    next: press, undo,
    trouble: () => setSheet('trouble'), keys: () => setSheet('keys'), escape: () => { setSheet(undefined); setPicked(undefined); setStop(undefined); },
    device: (n) => { const j = strip[n - 1]; if (j && j.id !== page.id) void go(workFor(j)); },
    typed: (text) => { const mm = Number(text.replace(',', '.').replace(/ ?mm$/i, '')); if (Number.isFinite(mm) && mm > 0 && mm < 100) setMeasured(mm); else setSaid(`Typed by an instrument: ${text}`); },
  }, !open || stop !== undefined || sheet !== undefined || picked !== undefined);

  const cells = useMemo(() => {
    const used = new Set<string>();
    for (const f of index.fasteners.keys()) if (state.place[`${f}#1`] !== undefined) used.add(f);
    for (const s of view.context.route?.steps ?? []) if (s.action === 'unscrew' || s.action === 'fasten') for (const t of s.targets) used.add(t);
    return matCells(index, [...used].filter((id) => index.fasteners.has(id)));
  }, [index, view.context.route, state.place]);
  const pages = Math.max(1, ...cells.map((c) => c.page + 1));
  const [turned, setTurned] = useState<number>();
  const pageNow = cells.find((c) => c.id === target)?.page;
  // the page follows the screw in hand; turned by hand it stays until the next screw
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new target turns the page back
  useEffect(() => setTurned(undefined), [target]);
  const [kept, setKept] = useState(0);
  useEffect(() => { if (pageNow !== undefined) setKept(pageNow); }, [pageNow]);
  const matPage = Math.min(turned ?? pageNow ?? kept, pages - 1);
  const onPage = useMemo(() => cells.filter((c) => c.page === matPage), [cells, matPage]);
  const lit = useMemo(() => (step ? [...step.targets, step.about ?? ''] : []), [step]);
  const releasing = step?.action === 'release' && index.bonds.get(step.targets[0]!)?.kind === 'perimeter-seal';
  const steps = view.context.route?.steps ?? [];
  const at = step ? steps.indexOf(step) : steps.length;
  const blocked = now.kind === 'do' && now.findings.some((f) => f.severity !== 'warn');
  const button = now.kind === 'do' ? doneLabel(index, now.step, now.target) : now.kind === 'finished' ? 'Hand over' : now.kind === 'checks' ? 'Answer the checks' : now.kind === 'no route' ? 'Plan the route' : now.kind === 'waiting' ? 'waiting' : now.kind === 'question' ? 'answer first' : 'job is closed';
  return (
    <>
      <Head who={who} jobs={strip} current={page.id} link={send.link === 'ok' ? '' : send.link} />
      <JobTabs id={page.id} here="work" title={`${index.model.maker} ${index.model.name} · ${flag(state, 'tag') ?? ''} · job ${page.number}`} />
      {/* a click or a touch leaves the focus where it is, so that the next Space is the pedal's and not the button's */}
      <main className="work" ref={main} tabIndex={-1} style={{ outline: 'none' }} onMouseDown={(ev) => ev.preventDefault()}>
        <section className="fit" aria-label="Map">
          <div className="spread small muted"><span>{`${index.model.name}, ${index.model.variants.find((v) => v.id === flag(state, 'variant'))?.name ?? ''} · ${step?.face === 'back' ? 'back side up' : `display side up, hinge ${index.model.hinge}`}`}</span><span>10 mm ticks</span></div>
          <DeviceMap index={index} state={state} lit={lit} now={target} showNoGo={releasing} face={step?.face ?? 'front'} onPick={setPicked} />
        </section>
        <section aria-label="Instruction" aria-live="polite">
          <InstructionPanel index={index} state={state} now={now} steps={steps} at={at} time={time || page.now} measured={measured} nextUp={steps[at + 1]} onTarget={(body) => report(body)} jobId={page.id} conditions={Object.keys(state.condition).filter((c) => state.condition[c])} />
        </section>
        <section aria-label="Mat" style={{ display: 'flex', flexDirection: 'column', gap: 8 }}>
          <div className="spread small"><span className="muted">{pages > 1 ? <>Mat <button type="button" className="btn slim" onMouseDown={noFocus} onClick={() => setTurned((matPage + 1) % pages)} aria-label={`Page ${matPage + 1} of ${pages}, turn`}>{`page ${matPage + 1} / ${pages}`}</button></> : 'Mat'}</span><span className="strong">{`${Object.values(state.place).filter((p) => p.startsWith('mat/')).length} on it, ${Object.values(state.place).filter((p) => p === 'adrift').length} adrift`}</span></div>
          <Mat index={index} state={state} cells={onPage} now={target} lit={lit} />
          <Tray index={index} state={state} lit={lit} />
        </section>
      </main>
      <Ledger index={index} state={state} send={send}>
        <button type="button" className="key" onMouseDown={noFocus} onClick={() => setSheet('trouble')}><span className="cap">T</span><br />Trouble</button>
        <button type="button" className="key" onMouseDown={noFocus} onClick={undo} disabled={!last}><span className="cap">⌫</span><br />Undo</button>
        <button type="button" className="go" onMouseDown={noFocus} onClick={press} disabled={now.kind === 'waiting' || now.kind === 'question' || now.kind === 'ended'} data-testid="go">
          <span className="cap">{blocked ? 'stop: see why' : 'pedal / Space'}</span><br />{button}
        </button>
      </Ledger>
      {said && <div className="flash note" role="status">{said}</div>}
      {send.refused.filter((r) => r.job === page.id).slice(0, 1).map((r) => <div key={r.id} className="flash note stop" role="alert">{refusalText(index, r.outcome.refused)} <button type="button" className="btn slim" onClick={() => sender.dismiss(r.id)}>Understood</button></div>)}
      {stop && <StopSheet index={index} findings={stop.findings} who={who} onBack={() => setStop(undefined)} passLabel="Do it all the same" onPass={(o) => { const b = stop.body; setStop(undefined); report(b, o); }} />}
      {now.kind === 'question' && <QuestionSheet text={findingText(index, { rule: now.rule as Finding['rule'], ids: now.ids })} about={now.ids.map((i) => thingName(index, i)).join(', ')} onAnswer={(answer) => report({ type: 'answered', question: now.question, answer })} onUndo={last?.by === who.personId ? undo : undefined} />}
      {sheet === 'trouble' && <TroubleSheet index={index} state={state} step={step} target={target} onClose={() => setSheet(undefined)} onReport={(b) => { setSheet(undefined); report(b); }} />}
      {sheet === 'keys' && <KeysSheet onClose={() => setSheet(undefined)} />}
      {picked && <ThingSheet index={index} state={state} id={picked} onClose={() => setPicked(undefined)} onReport={(b) => { setPicked(undefined); report(b); }} />}
      <p className="sr"><Link to="/">Bench</Link></p>
      {/* the check must open without the server, too */}
      <PrefetchPageLinks page={`/jobs/${page.id}/checks`} />
    </>
  );
}
