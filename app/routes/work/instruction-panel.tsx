import { Tag, Button } from 'antd';
import { Link } from 'react-router';
import { type Body, holds } from '../../../core/job/events';
import type { Instruction } from '../../../core/job/instruct';
import { bodyFor, stillToDo } from '../../../core/job/report';
import type { Role } from '../../../core/job/interlocks';
import { forLevel } from '../../../core/job/tools-by-level';
import { flag, type JobState } from '../../../core/job/state';
import { noGoOfMarks } from '../../../core/job/mark-rules';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Caution, Step } from '../../../core/route/types';
import { useNow } from '../../job/ticker';
import { isTooLong } from '../../../core/screws/safe-length';
import { LengthBar, Recess } from '../../ui/recess';
import { findingText } from '../../words/findings';
import { cautionText, doneWord, howText, stepTitle, stepWhy } from '../../words/steps';
import { FailedCheck, PlanAgain, StopNow } from './urgent-panel';
import { driveName, functionName, list, thingName } from '../../words/things';
import { about, left, span } from '../../words/time';
import type { FunctionId } from '../../../core/model/schema';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';

interface Props {
  index: IndexedModel;
  state: JobState;
  now: Instruction;
  steps: Step[];
  at: number;
  /** How many steps are done: the same count as on the strip. */
  done: number;
  /** The server's time of the page, until this one has its own: ms since 1970. */
  firstAt: number;
  measured: number | undefined;
  nextUp: Step | undefined;
  conditions: string[];
  jobId: string;
  /** Whose hands it is for. */
  person: Role;
  planning: { busy: boolean; error: string | undefined };
  onTarget: (body: Body) => void;
  /** All screws of this go at once; absent where there is one or none. */
  onAll?: (() => void) | undefined;
}

/** One sentence in big type, and below it only what is needed for that. */
export function InstructionPanel(p: Props) {
  const { index, now, state } = p;
  if (now.kind === 'no route')
    return (
      <>
        <h1 className="now-title">No route yet</h1>
        <p>The route is computed from the model and this device’s condition.</p>
        <p className="top-12">
          <LinkButton type="primary" to={`/jobs/${p.jobId}/route`}>
            Plan the route
          </LinkButton>
        </p>
      </>
    );
  if (now.kind === 'ended')
    return (
      <>
        <h1 className="now-title">This job is closed</h1>
        <p>
          <Link to={`/jobs/${p.jobId}/report`}>Its report</Link>
        </p>
      </>
    );
  if (now.kind === 'finished')
    return (
      <>
        <p className="muted">Prove · all steps done</p>
        <h1 className="now-title">Everything is back</h1>
        <p>The ledger balances below. What is left is the hand-over.</p>
      </>
    );
  if (now.kind === 'stop now') return <StopNow what={now.what} ids={now.ids} />;
  if (now.kind === 'plan again')
    return <PlanAgain ids={now.ids} jobId={p.jobId} error={p.planning.error} busy={p.planning.busy} />;
  if (now.kind === 'failed')
    return (
      <FailedCheck
        index={index}
        functions={now.functions}
        tasks={now.tasks}
        jobId={p.jobId}
        error={p.planning.error}
        busy={p.planning.busy}
      />
    );
  if (now.kind === 'question') return <h1 className="now-title">A question is open</h1>;
  const { step } = now;
  // where glass is missing on this device, its edge is as much out of bounds as the model's own
  const broken =
    step.cautions.includes('depth') &&
    !step.cautions.includes('no-go-edges') &&
    noGoOfMarks(Object.values(state.mark), index.model.outline).length > 0;
  const own = forLevel(step, p.person).cautions;
  const cautions: Caution[] = broken ? [...own, 'no-go-edges'] : own;
  return (
    <>
      <p className="muted">{`${step.phase} · step ${p.done + 1} of ${p.steps.length} · ${about(step.handsS.likely)}`}</p>
      {/* what stands against it is the first thing seen, in large text too */}
      {now.kind === 'do' &&
        now.findings.map((f) => {
          const t = findingText(index, f);
          const soak = flag(state, 'heatEndedAt');
          return (
            <Note key={f.rule} tone={f.severity === 'warn' ? 'warn' : 'stop'} className="top-8">
              <span className="strong">{t.what}</span> {t.instead}
              {soakRules.has(f.rule) && soak && (
                <p className="top-6">
                  <Button
                    onClick={() =>
                      p.onTarget({
                        type: 'heatStarted',
                        station: soak.station,
                        forS: f.seconds ?? soak.ofS,
                      })
                    }
                  >
                    {`It is on the heat again: ${span(f.seconds ?? soak.ofS)}`}
                  </Button>{' '}
                  <Link to={`/jobs/${p.jobId}/route?again=1`}>Another way</Link>
                </p>
              )}
            </Note>
          );
        })}
      {p.measured !== undefined && now.kind === 'do' && (
        <Measured index={index} target={now.target} mm={p.measured} />
      )}
      <h1 className="now-title" data-testid="instruction">
        {stepTitle(index, step)}
      </h1>
      {p.conditions.length > 0 && (
        <p className="under-8">
          {p.conditions.map((c) => (
            <Tag key={c} color="error">{`${c}: ${state.condition[c]!.because}`}</Tag>
          ))}
        </p>
      )}
      {step.bit && <BitChip {...p} step={step} />}
      {now.kind === 'waiting' && (
        <Waiting
          {...p}
          step={step}
          until={now.until}
          known={now.clockKnown}
          onEarly={
            // a hold that was not waited for is no verdict of the leak tester
            now.step.action === 'heat' || (holds.has(now.step.action) && now.step.action !== 'leak test')
              ? () => p.onTarget(now.body)
              : undefined
          }
        />
      )}
      {now.kind === 'checks' && (
        <Note>
          <div className="strong">{`${now.open.length} to be answered: ${list(
            now.open.map((f) => functionName[f as FunctionId]),
            5,
          )}`}</div>
          <Link to={`/jobs/${p.jobId}/checks`}>Open the checks</Link>
        </Note>
      )}
      {now.kind === 'do' && now.by && <OpenBy by={now.by} firstAt={p.firstAt} />}
      {now.kind === 'do' && <Targets {...p} step={step} target={now.target} />}
      {(step.note || howText(index, step)) && (
        <p className="top-10 size-17">{[step.note, howText(index, step)].filter(Boolean).join(' ')}</p>
      )}
      {cautions.length > 0 && (
        <Note className="top-10">
          {cautions.map((c, i) => (
            <p key={c} className={i === 0 ? 'strong' : ''}>
              {cautionText[c]}
            </p>
          ))}
        </Note>
      )}
      {stepWhy(index, step) && step.action !== 'check' && (
        <p className="muted top-10">{`Because it ${stepWhy(index, step)}.`}</p>
      )}
      {p.nextUp && <p className="muted top-10">{`Then: ${lower(stepTitle(index, p.nextUp))}.`}</p>}
    </>
  );
}
const soakRules: ReadonlySet<string> = new Set(['soak cut short', 'cooled again']);
const lower = (s: string) => s[0]!.toLowerCase() + s.slice(1);

function BitChip({ steps, at, step }: Props & { step: Step }) {
  const inHand = steps.slice(0, at).findLast((s) => s.bit)?.bit;
  const change = inHand !== step.bit;
  return (
    <Tag color={change ? 'warning' : 'default'} className="under-8">
      <Recess drive={step.bit!} size={26} />
      <span className="strong nowrap size-18">{driveName[step.bit!]}</span>
      <span>
        {change ? (inHand ? `take it up, ${driveName[inHand]} down` : 'take it up') : 'stays in hand'}
      </span>
    </Tag>
  );
}

/** The things of a step: screws with their lengths to scale, connectors, bonds; the next one lit. */
function Targets({ index, state, step, target, onTarget, onAll }: Props & { step: Step; target: string }) {
  if (step.action === 'check') return null;
  if (step.action === 'heat' || holds.has(step.action))
    return step.waitS > 0 ? <p className="size-17">{`${span(step.waitS)}; it runs by itself.`}</p> : null;
  const screws = step.action === 'unscrew' || step.action === 'fasten';
  if (!screws && step.targets.length < 2) return null;
  const longest = Math.max(...index.model.fasteners.map((f) => f.lengthMm).filter((l) => l < 4));
  const left = stillToDo(index, state, step);
  return (
    <table className="targets" aria-label="Things of this step">
      <tbody>
        {step.targets.map((t) => {
          const done = !left.includes(t);
          const f = index.fasteners.get(t);
          return (
            <tr key={t} className={done ? 'done' : t === target ? 'now' : ''}>
              {f ? (
                <>
                  <td className="w-40">
                    <Recess drive={f.drive} tone={done ? 'dim' : t === target ? 'now' : 'on'} />
                  </td>
                  <td>{f.name}</td>
                  <td>
                    <LengthBar
                      lengthMm={f.lengthMm}
                      longestMm={longest}
                      {...(done ? { tone: 'dim' as const } : t === target ? { tone: 'now' as const } : {})}
                    />
                  </td>
                  <td className="nowrap">{f.lengthMm.toFixed(1)} mm</td>
                </>
              ) : (
                <td colSpan={4}>{thingName(index, t.split('/')[0]!.split('#')[0]!)}</td>
              )}
              <td className="w-74 to-right">
                {done ? (
                  <span className="strong">✓ {f ? t : ''}</span>
                ) : (
                  <Button
                    type="text"
                    block
                    onClick={() => onTarget(bodyFor(index, state, step, t))}
                    aria-label={`${thingName(index, t)}: done`}
                  >
                    {f ? t : doneWord(step.action)}
                  </Button>
                )}
              </td>
            </tr>
          );
        })}
        {onAll && (
          <tr>
            <td colSpan={5}>
              <Button type="text" block onMouseDown={(e) => e.preventDefault()} onClick={onAll}>
                <kbd>A</kbd>
                {` all ${left.length} are ${step.action === 'fasten' ? 'in' : 'out'}`}
              </Button>
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

function Waiting({
  until,
  known,
  firstAt,
  step,
  onEarly,
}: Props & { until: number; known: boolean; step?: Step; onEarly: (() => void) | undefined }) {
  const time = useNow() || firstAt;
  return (
    <div className="stack">
      <div style={{ fontSize: 54, fontWeight: 700, lineHeight: 1.1 }} role="timer">
        {known ? left((until - time) / 1000) : 'clock not known'}
      </div>
      {!known && (
        <Note tone="stop">
          Two clocks disagree, so this wait counts as unfinished. Wait the full time by another clock.
        </Note>
      )}
      {onEarly && (
        <div>
          <Button onClick={onEarly}>{step?.action === 'heat' ? 'Taken off early' : 'Ended early'}</Button>
        </div>
      )}
    </div>
  );
}

/** Warm, and how long still: opening has to start before it has cooled. */
function OpenBy({ by, firstAt }: { by: { until: number; clockKnown: boolean }; firstAt: number }) {
  const time = useNow() || firstAt;
  if (!by.clockKnown || time > by.until) return null;
  return (
    <Tag color="warning" role="timer">
      {`warm: begin within ${left((by.until - time) / 1000)}`}
    </Tag>
  );
}

/** As near as this a screw counts as the hole's own, mm: lengths differ by tenths within one bracket. */
const asWell = 0.15;

function Measured({ index, target, mm }: { index: IndexedModel; target: string; mm: number }) {
  const f = index.fasteners.get(target);
  if (!f) return <Tag>{`measured ${mm} mm`}</Tag>;
  const off = Math.abs(mm - f.lengthMm);
  const long = isTooLong(mm, f);
  if (!long && off <= asWell)
    return <Note tone="safe" role="status">{`${mm} mm: right for ${target}.`}</Note>;
  return (
    <Note
      tone="stop"
      role="alert"
    >{`${mm} here, this hole takes ${f.lengthMm.toFixed(1)}${long ? ': it would reach what lies below' : ''}. Another screw belongs here.`}</Note>
  );
}
