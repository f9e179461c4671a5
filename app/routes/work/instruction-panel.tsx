import * as wording from '../../../words/screens/work';
import { Tag, Button } from 'antd';
import { Link } from 'react-router';
import { type Body, holds } from '../../../core/log/events';
import type { Instruction } from '../../../core/progress/instruct';
import type { Finding } from '../../../core/rules/interlocks';
import type { Role } from '../../../core/vocabulary/roles';
import { forLevel } from '../../../core/route/tools-by-level';
import { flag, type JobState } from '../../../core/log/state';
import { noGoOfMarks } from '../../../core/rules/mark-rules';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/steps/route';
import type { Caution } from '../../../core/vocabulary/steps';
import { findingText } from '../../../words/findings';
import { howText, stepTitle } from '../../../words/steps';
import { stepWhy } from '../../../words/why';
import { cautionText } from '../../../words/cautions';
import { HeatSaid } from './heat/heat-said';
import { BitChip, Measured, OpenBy, Targets, Waiting } from './instruction-parts';
import { ReworkFailed } from './rework-failed';
import { FailedCheck, PlanAgain, StopNow } from './urgent-panel';
import { list } from '../../../words/things';
import { functionName } from '../../../words/functions';
import { about, span } from '../../../words/time';
import type { FunctionId } from '../../../core/vocabulary/trade';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';

export interface InstructionProps {
  index: IndexedModel;
  state: JobState;
  now: Exclude<Instruction, { kind: 'leaks' }>;
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
export function InstructionPanel(instructionProps: InstructionProps) {
  const { index, now } = instructionProps;
  if (now.kind === 'no route')
    return (
      <>
        <h1 className="now-title">{wording.noRouteYet}</h1>
        <p>{wording.theRouteIsComputedFrom}</p>
        <p className="top-12">
          <LinkButton type="primary" to={`/jobs/${instructionProps.jobId}/route`}>
            {wording.planTheRoute}
          </LinkButton>
        </p>
      </>
    );
  if (now.kind === 'ended')
    return (
      <>
        <h1 className="now-title">{wording.thisJobIsClosed}</h1>
        <p>
          <Link to={`/jobs/${instructionProps.jobId}/report`}>{wording.itsReport}</Link>
        </p>
      </>
    );
  if (now.kind === 'finished')
    return (
      <>
        <p className="muted">{wording.proveAllStepsDone}</p>
        <h1 className="now-title">{wording.everythingIsBack}</h1>
        <p>{wording.theLedgerBalancesBelowWhat}</p>
      </>
    );
  if (now.kind === 'stop now') return <StopNow {...now} firstAt={instructionProps.firstAt} />;
  if (now.kind === 'plan again')
    return (
      <PlanAgain
        index={index}
        ids={now.ids}
        tasks={now.tasks}
        jobId={instructionProps.jobId}
        error={instructionProps.planning.error}
        busy={instructionProps.planning.busy}
      />
    );
  if (now.kind === 'failed')
    return (
      <FailedCheck
        index={index}
        functions={now.functions}
        tasks={now.tasks}
        jobId={instructionProps.jobId}
        error={instructionProps.planning.error}
        busy={instructionProps.planning.busy}
      />
    );
  if (now.kind === 'rework failed') return <ReworkFailed index={index} now={now} />;
  if (now.kind === 'question') return <h1 className="now-title">{wording.aQuestionIsOpen}</h1>;
  return <StepNow {...instructionProps} now={now} step={now.step} />;
}

type AtStep = Extract<Instruction, { kind: 'do' | 'waiting' | 'checks' }>;
/** A step of the route: what, with what, with what care, and why. */
function StepNow(p: InstructionProps & { now: AtStep; step: Step }) {
  const { index, now, state, step } = p;
  const cautions = cautionsOf(p, step);
  return (
    <>
      <p className="muted">
        {wording.stepOf(step.phase, p.done + 1, p.steps.length, about(step.handsS.likely))}
      </p>
      {/* what stands against it is the first thing seen, in large text too */}
      {now.kind === 'do' && now.findings.map((f) => <FindingNote key={f.rule} {...p} finding={f} />)}
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
      {step.action === 'heat' && <HeatSaid state={state} step={step} firstAt={p.firstAt} />}
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
          <div className="strong">
            {wording.toBeAnswered(
              now.open.length,
              list(
                now.open.map((f) => functionName[f as FunctionId]),
                5,
              ),
            )}
          </div>
          <Link to={`/jobs/${p.jobId}/checks`}>{wording.openTheChecks}</Link>
        </Note>
      )}
      {now.kind === 'do' && now.by && step.action !== 'heat' && <OpenBy by={now.by} firstAt={p.firstAt} />}
      {now.kind === 'do' && <Targets {...p} step={step} target={now.target} />}
      {(step.note || howText(index, step)) && (
        <p className="top-10 size-17">{[step.note, howText(index, step)].filter(Boolean).join(' ')}</p>
      )}
      {cautions.length > 0 && (
        <Note className="top-10">
          {cautions.map((caution, i) => (
            <p key={caution} className={i === 0 ? 'strong' : ''}>
              {cautionText[caution]}
            </p>
          ))}
        </Note>
      )}
      {stepWhy(index, step) && step.action !== 'check' && (
        <p className="muted top-10">{wording.becauseIt(stepWhy(index, step))}</p>
      )}
      {p.nextUp && <p className="muted top-10">{wording.thenComes(lower(stepTitle(index, p.nextUp)))}</p>}
    </>
  );
}

/** What stands against it, and the way out where there is one. */
function FindingNote({ finding: f, ...p }: InstructionProps & { finding: Finding }) {
  const said = findingText(p.index, f);
  const soak = flag(p.state, 'heatEndedAt');
  return (
    <Note tone={f.severity === 'warn' ? 'warn' : 'stop'} className="top-8">
      <span className="strong">{said.what}</span> {said.instead}
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
            {wording.itIsOnTheHeat(span(f.seconds ?? soak.ofS))}
          </Button>{' '}
          <Link to={`/jobs/${p.jobId}/route?again=1`}>{wording.anotherWay}</Link>
        </p>
      )}
    </Note>
  );
}

/** The cautions of a step for these hands: the step's own, and the edges where this device's glass is missing. */
function cautionsOf({ index, state, person }: InstructionProps, step: Step): Caution[] {
  // its edge is as much out of bounds as the model's own
  const broken =
    step.cautions.includes('depth') &&
    !step.cautions.includes('no-go-edges') &&
    noGoOfMarks(Object.values(state.mark), index.model.outline).length > 0;
  const own = forLevel(step, person).cautions;
  return broken ? [...own, 'no-go-edges'] : own;
}
const soakRules: ReadonlySet<string> = new Set(['soak cut short', 'cooled again']);
const lower = (s: string) => s[0]!.toLowerCase() + s.slice(1);
