import { Button } from 'antd';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { Link, PrefetchPageLinks, useNavigate } from 'react-router';
import type { Body } from '../../../core/job/events';
import type { Context } from '../../../core/job/decide';
import { type Finding, findings, type Moment } from '../../../core/job/interlocks';
import { progressOf } from '../../../core/job/stage';
import { bodyFor, stillToDo } from '../../../core/job/report';
import { flag, type JobState } from '../../../core/job/state';
import { indexModel } from '../../../core/model/index-model';
import { isSeal } from '../../../core/model/seals';
import type { Face } from '../../../core/model/schema';
import { useAlarmWhile } from '../../job/alarms';
import { benchTime } from '../../job/clock';
import { fromServerOrCopy, notePerson } from '../../job/offline-page';
import { ownerKey } from '../../job/outbox';
import { takePhoto } from '../../job/photos';
import { type SendState, senderFor } from '../../job/sender';
import { useJob } from '../../job/use-job';
import { JobTabs } from '../../ui/head';
import { useKeys } from '../../ui/keys';
import { Ledger } from '../../ui/ledger';
import { MapView } from '../../ui/map-view';
import { usePreferences } from '../../ui/preferences';
import { useScrewTravel } from '../../ui/screw-travel';
import { say } from '../../ui/speech';
import { type OverrideGiven, StopSheet } from '../../ui/stop-sheet';
import { findingText, refusalText } from '../../words/findings';
import { eventText } from '../../words/events';
import { cautionText, doneLabel, stepTitle } from '../../words/steps';
import { thingName } from '../../words/things';
import { loadJob } from '../job-loader';
import type { Route } from './+types/work';
import { BootCard } from './boot-card';
import { FindSheet } from './find-sheet';
import { InstructionPanel } from './instruction-panel';
import { KeysSheet } from './keys-sheet';
import { LeakCard, LeaksNote } from './leak-card';
import { ManifestCard } from './manifest-card';
import { MatPanel } from './mat-panel';
import { NoteSheet } from './note-sheet';
import { NotesHere, thingsOf } from './notes-here';
import { ProgrammerCard, useProgrammer } from './programmer-card';
import { QuestionSheet } from './question-sheet';
import { ThingSheet } from './thing-sheet';
import { TroubleSheet } from './trouble-sheet';
import { useInstruction } from './use-instruction';
import { stopText, usePlanAgain } from './urgent-panel';
import { useMat } from './use-mat';
import { WorkerBar } from './worker-bar';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  return loadJob(request, context, params.job);
}
type Loaded = Awaited<ReturnType<typeof loader>>;
/** Afterwards the page comes from the server when it answers, and from this browser's copy when it does not. */
export function clientLoader({ params, serverLoader }: Route.ClientLoaderArgs): Promise<Loaded> {
  return fromServerOrCopy(params.job, () => serverLoader() as Promise<Loaded>, {});
}
/** What the interlocks say against a screw that is longer than its hole bears. */
const tooLongFor = (context: Context, state: JobState, body: Body, now: Moment): Finding[] =>
  body.type === 'screwIn'
    ? findings({ index: context.index, state, waits: context.waits, role: context.role, now }, body).filter(
        (f) => f.rule === 'screw too long',
      )
    : [];
const noThings: readonly string[] = [];
const noFocus = (e: { preventDefault: () => void }) => e.preventDefault();
const quiet: SendState = { kept: 0, counted: false, photos: [], link: 'ok', refused: [] };

export default function Work({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  notePerson(who);
  const { replica, view } = useJob(page, who);
  const go = useNavigate();
  const sender = senderFor(ownerKey(who.shopId, who.personId), who.personId);
  const send = useSyncExternalStore(sender.watch, sender.snapshot, () => quiet);
  const { state, context } = view;
  // a press is kept from the moment it is pressed, before the outbox has been counted
  const shownSend = useMemo(() => ({ ...send, kept: Math.max(send.kept, view.kept) }), [send, view.kept]);
  const index = indexModel(page.model);
  const now = useInstruction(context, state, page.now);

  const [stop, setStop] = useState<{ findings: Finding[]; body: Body; rest: readonly Body[] }>();
  const [sheet, setSheet] = useState<'trouble' | 'keys' | 'note' | 'find'>();
  const [noteOf, setNoteOf] = useState<string>();
  const [turned, setTurned] = useState<{ step: string; face: Face }>();
  const prefs = usePreferences();
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
  useEffect(() => {
    if (!said) return;
    const t = setTimeout(() => setSaid(undefined), 6000);
    return () => clearTimeout(t);
  }, [said]);
  const e = view.lastForeign;
  useEffect(() => {
    if (e) setSaid(`${page.people[e.by] ?? 'Another bench'}: ${eventText(index, e.body)}`);
  }, [e, index, page.people]);

  /** One after another; what is stopped or refused stops the rest, which then follows when the stop is passed. */
  const report = (body: Body, override?: OverrideGiven, rest: readonly Body[] = []): void => {
    // a screw that is too long is stopped before it is in, whichever key or tap says so
    const hurts = override ? [] : tooLongFor(context, replica.view.state, body, benchTime());
    if (hurts.length) {
      setStop({ findings: hurts, body, rest });
      return;
    }
    void replica.report(body, override ? { override } : {}).then((d) => {
      if (d.refused?.code === 'interlock') setStop({ findings: d.refused.findings, body, rest });
      else if (d.refused) setSaid(refusalText(index, d.refused));
      else if (rest[0]) report(rest[0], undefined, rest.slice(1));
    });
  };
  // whoever does the first thing at a device that nobody works on is its worker
  const act = (...bodies: Body[]): void => {
    const all: Body[] =
      flag(state, 'worker') === undefined && bodies.some((b) => b.type !== 'retracted')
        ? [{ type: 'takenOver', bench: who.bench }, ...bodies]
        : bodies;
    if (all[0]) report(all[0], undefined, all.slice(1));
  };
  const programmer = useProgrammer(page.id, step, () => replica.sync());
  const open = stop !== undefined || sheet !== undefined || picked !== undefined || now.kind === 'question';
  const planning = usePlanAgain(page.id);
  useAlarmWhile(now.kind === 'stop now');
  const press = () => {
    const s = shown.current;
    if (performance.now() < s.deadUntil || stop || sheet || picked) return;
    if (s.now.kind === 'finished') void go(`/jobs/${page.id}/hand-over`);
    else if (s.now.kind === 'checks') void go(`/jobs/${page.id}/checks`);
    else if (s.now.kind === 'no route') void go(`/jobs/${page.id}/route`);
    else if (s.now.kind === 'stop now') act(s.now.body);
    else if (s.now.kind === 'plan again') planning.run();
    else if (s.now.kind === 'failed') planning.run(s.now.tasks);
    else if (s.now.kind === 'do') {
      const serious = s.now.findings.filter((f) => f.severity !== 'warn');
      if (serious.length) setStop({ findings: serious, body: s.now.body, rest: [] });
      else if (programmer) programmer.run();
      else act(s.now.body);
    }
  };
  const screwsNow =
    now.kind === 'do' && (now.step.action === 'unscrew' || now.step.action === 'fasten')
      ? stillToDo(index, state, now.step)
      : [];
  const all = () => {
    const s = shown.current;
    if (
      performance.now() < s.deadUntil ||
      open ||
      s.now.kind !== 'do' ||
      !screwsNow.length ||
      s.now.findings.some((f) => f.severity !== 'warn')
    )
      return;
    act(...screwsNow.map((t) => bodyFor(index, state, (s.now as { step: typeof step & object }).step, t)));
  };
  const spoken =
    now.kind === 'stop now'
      ? stopText[now.what].title
      : step
        ? `${stepTitle(index, step)}. ${step.cautions[0] ? cautionText[step.cautions[0]] : ''}`
        : '';
  const speak = () => {
    if (spoken && !say(spoken)) setSaid('This browser has no voice.');
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each instruction
  useEffect(() => {
    if (prefs.speak && spoken) say(spoken);
  }, [prefs.speak, step?.id, now.kind]);
  const face = turned && turned.step === (step?.id ?? '') ? turned.face : (step?.face ?? 'front');
  const turn = () => setTurned({ step: step?.id ?? '', face: face === 'front' ? 'back' : 'front' });
  /** What a calliper typed is kept of the screw in hand, going out and going in. */
  const measure = (mm: number) => {
    setMeasured(mm);
    if (now.kind === 'do' && 'piece' in now.body && index.fasteners.has(now.target))
      act({ type: 'screwMeasured', piece: now.body.piece, lengthMm: mm });
  };
  const last = state.trail[state.trail.length - 1];
  const undo = () => {
    if (last && !stop && !sheet && !picked) report({ type: 'retracted', event: last.event });
  };
  // arriving at a device, the keys are the bench's: nothing that was clicked to get here keeps the focus
  const main = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: for each device anew
  useEffect(() => main.current?.focus({ preventScroll: true }), [page.id]);
  useKeys(
    {
      next: press,
      undo,
      trouble: () => setSheet('trouble'),
      keys: () => setSheet('keys'),
      note: () => {
        setNoteOf(undefined);
        setSheet('note');
      },
      all,
      turn,
      say: speak,
      search: () => setSheet('find'),
      escape: () => {
        setSheet(undefined);
        setPicked(undefined);
        setStop(undefined);
      },

      typed: (text) => {
        const mm = Number(text.replace(',', '.').replace(/ ?mm$/i, ''));
        if (Number.isFinite(mm) && mm > 0 && mm < 50) measure(mm);
        else setSaid(`Typed by an instrument: ${text}`);
      },
    },
    !open || stop !== undefined || sheet !== undefined || picked !== undefined,
  );

  useScrewTravel(page.id, state.place);
  const look = useMat(index, page.mat, state, view.context.route, target);
  const follow = useMemo(
    () =>
      step && !['check', 'read data', 'write data', 'set aside'].includes(step.action)
        ? step.targets
        : noThings,
    [step],
  );
  const lit = useMemo(() => (step ? [...step.targets, step.about ?? ''] : []), [step]);
  const releasing =
    (step?.action === 'release' || step?.action === 'gap') &&
    index.bonds.has(step.targets[0]!) &&
    isSeal(index, index.bonds.get(step.targets[0]!)!);
  const steps = view.context.route?.steps ?? [];
  const at = step ? steps.indexOf(step) : steps.length;
  const blocked = now.kind === 'do' && now.findings.some((f) => f.severity !== 'warn');
  const button = programmer
    ? step?.action === 'read data'
      ? 'Read them now'
      : 'Write and compare'
    : now.kind === 'do'
      ? doneLabel(index, now.step, now.target)
      : now.kind === 'finished'
        ? 'Hand over'
        : now.kind === 'stop now'
          ? stopText[now.what].done
          : now.kind === 'failed'
            ? 'Plan the way to it'
            : now.kind === 'plan again'
              ? 'Plan it again'
              : now.kind === 'checks'
                ? 'Answer the checks'
                : now.kind === 'no route'
                  ? 'Plan the route'
                  : now.kind === 'waiting'
                    ? 'waiting'
                    : now.kind === 'question'
                      ? 'answer first'
                      : 'job is closed';
  return (
    <div className="benchpage">
      <JobTabs
        id={page.id}
        here="work"
        title={`${index.model.maker} ${index.model.name} · ${flag(state, 'tag') ?? ''} · job ${page.number}`}
      />
      <WorkerBar
        state={state}
        who={who}
        page={page}
        onTake={() => report({ type: 'takenOver', bench: who.bench })}
      />
      {/* a click or a touch leaves the focus where it is, so that the next Space is the pedal's and not the button's */}
      <main className="work no-outline" ref={main} tabIndex={-1} onMouseDown={(ev) => ev.preventDefault()}>
        <section className="fit" aria-label="Map">
          <MapView
            title={`${index.model.variants.find((v) => v.id === flag(state, 'variant'))?.name ?? ''} · ${face === 'back' ? 'back side up' : 'display side up'}, hinge ${index.model.hinge}`}
            onTurn={turn}
            index={index}
            state={state}
            lit={lit}
            now={target}
            showNoGo={releasing}
            face={face}
            onPick={setPicked}
            large={prefs.text === 'large'}
            follow={face === (step?.face ?? 'front') ? follow : noThings}
          />
        </section>
        <section aria-label="Instruction" aria-live="polite">
          <InstructionPanel
            index={index}
            state={state}
            now={now}
            steps={steps}
            at={at}
            done={progressOf(state, context.route).done}
            firstAt={page.now}
            measured={measured}
            nextUp={steps[at + 1]}
            onTarget={(body) => act(body)}
            onAll={screwsNow.length > 1 ? all : undefined}
            jobId={page.id}
            planning={planning}
            person={who.role}
            conditions={Object.keys(state.condition).filter((c) => state.condition[c])}
          />
          {step && programmer && (
            <ProgrammerCard
              index={index}
              step={step}
              work={programmer}
              simulated={page.simulated}
              onByHand={() =>
                act({
                  type: 'dataDeclined',
                  slot: step.targets[0]!,
                  reason: 'the programmer could not; the notice is accepted',
                })
              }
            />
          )}
          {step && target === 'device:end' && (
            <LeakCard key={step.id} step={step} holding={now.kind === 'waiting'} onReport={(b) => act(b)} />
          )}
          <LeaksNote index={index} state={state} onReseal={planning.run} />
          {step && <BootCard index={index} state={state} step={step} />}
          {step && (
            <ManifestCard
              index={index}
              state={state}
              step={step}
              route={context.route}
              jobId={page.id}
              onReport={(b) => act(b)}
            />
          )}
          <NotesHere index={index} state={state} step={step} page={page} />
        </section>
        <section aria-label="Mat" style={{ display: 'flex', flexDirection: 'column', gap: 8 }}>
          <MatPanel
            index={index}
            state={state}
            look={look}
            target={target}
            lit={lit}
            jobId={page.id}
            keeping={context.route?.input.methods['screw-keeping'] === 'trays' ? 'trays' : 'mat'}
          />
        </section>
      </main>
      <Ledger index={index} state={state} send={shownSend}>
        <Button className="key" onMouseDown={noFocus} onClick={() => setSheet('trouble')}>
          <span className="cap">T</span>
          Trouble
        </Button>
        <Button
          className="key"
          onMouseDown={noFocus}
          onClick={() => {
            setNoteOf(undefined);
            setSheet('note');
          }}
        >
          <span className="cap">N</span>
          Note
        </Button>
        <Button className="key" onMouseDown={noFocus} onClick={undo} disabled={!last}>
          <span className="cap">⌫</span>
          Undo
        </Button>
        <Button
          className="go"
          type="primary"
          onMouseDown={noFocus}
          onClick={press}
          disabled={
            planning.busy || now.kind === 'waiting' || now.kind === 'question' || now.kind === 'ended'
          }
          data-testid="go"
        >
          <span className="cap">{blocked ? 'stop: see why' : 'pedal / Space'}</span>
          <span>{button}</span>
        </Button>
      </Ledger>
      {said && (
        <Note className="flash" role="status">
          {said}
        </Note>
      )}
      {send.refused
        .filter((r) => r.job === page.id)
        .slice(0, 1)
        .map((r) => (
          <Note key={r.id} tone="stop" className="flash" role="alert">
            {refusalText(index, r.outcome.refused)}{' '}
            <Button onClick={() => sender.dismiss(r.id)}>Understood</Button>
          </Note>
        ))}
      {send.photos
        .filter((p) => p.job === page.id)
        .slice(0, 1)
        .map((p) => (
          <Note key={p.id} tone="stop" className="flash" role="alert">
            {`A photograph was not taken: ${p.error}`}{' '}
            <Button onClick={() => void sender.forgetPhoto(p.id)}>Let it go</Button>
          </Note>
        ))}
      {stop && (
        <StopSheet
          index={index}
          findings={stop.findings}
          who={who}
          onBack={() => setStop(undefined)}
          passLabel="Do it all the same"
          onPass={(o) => {
            const { body, rest } = stop;
            setStop(undefined);
            report(body, o, rest);
          }}
        />
      )}
      {now.kind === 'question' && state.question[now.question] && (
        <QuestionSheet
          key={now.question}
          index={index}
          id={now.question}
          question={state.question[now.question]!}
          people={page.people}
          text={findingText(index, { rule: now.rule as Finding['rule'], ids: now.ids })}
          about={now.ids.map((i) => thingName(index, i)).join(', ')}
          onReport={(b) => report(b)}
          onUndo={last?.by === who.personId ? undo : undefined}
        />
      )}
      {sheet === 'trouble' && (
        <TroubleSheet
          index={index}
          state={state}
          step={step}
          target={target}
          spares={page.spares}
          jobId={page.id}
          onClose={() => setSheet(undefined)}
          onReport={(...bodies) => {
            if (
              !bodies.some(
                (b) => b.type === 'lost' || b.type === 'spilled' || (b.type === 'bondReleased' && b.torn),
              )
            )
              setSheet(undefined);
            act(...bodies);
          }}
        />
      )}
      {sheet === 'keys' && <KeysSheet onClose={() => setSheet(undefined)} />}
      {sheet === 'find' && (
        <FindSheet
          index={index}
          onClose={() => setSheet(undefined)}
          onPick={(id) => {
            setSheet(undefined);
            setPicked(id);
          }}
        />
      )}
      {sheet === 'note' && (
        <NoteSheet
          index={index}
          things={noteOf ? [noteOf] : thingsOf(step)}
          onClose={() => setSheet(undefined)}
          onReport={(b) => {
            setSheet(undefined);
            act(b);
          }}
          onPhotos={(files, thing) => {
            void Promise.all(files.map((f) => takePhoto(sender.owner, page.id, f, thing))).then(() =>
              sender.flush(),
            );
          }}
        />
      )}
      {picked && (
        <ThingSheet
          index={index}
          state={state}
          id={picked}
          onClose={() => setPicked(undefined)}
          onReport={(b) => {
            setPicked(undefined);
            act(b);
          }}
          onNote={() => {
            setNoteOf(picked);
            setPicked(undefined);
            setSheet('note');
          }}
        />
      )}
      <p className="sr">
        <Link to="/">Bench</Link>
      </p>
      {/* the check must open without the server, too */}
      <PrefetchPageLinks page={`/jobs/${page.id}/checks`} />
    </div>
  );
}
