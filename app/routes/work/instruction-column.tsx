import * as wording from '../../../words/screens/work';
import { flag, type JobState } from '../../../core/log/state';
import { progressOf } from '../../../core/progress/stage';
import { trustOf } from '../../../core/leak/self-test';
import { leaks } from '../../../core/rules/interlocks/closing';
import { later } from '../../ui/later';
import { BootCard } from './boot-card';
import { ChargeAsked } from './charge-asked';
import { InstructionPanel } from './instruction-panel';
import * as rework from '../../../words/screens/rework';
import { Link } from 'react-router';
import { Note } from '../../ui/note';
import { LeaksNote } from './leaks-note';
import { NotesHere } from './notes-here';
import type { WorkState } from './use-work';

// a few steps of a course ask for these
const LeakCard = later(() => import('./leak-card').then((m) => m.LeakCard));
const PressRun = later(() => import('./press-run').then((m) => m.PressRun));
const LeakRun = later(() => import('./leak/leak-run').then((m) => m.LeakRun));
const ManifestCard = later(() => import('./manifest-card').then((m) => m.ManifestCard));
const ProgrammerCard = later(() => import('./programmer-card').then((m) => m.ProgrammerCard));

const toTestAgain = (state: JobState) => leaks(state) && flag(state, 'ending') === undefined;
/** The instruction, and below it what its step asks for: a programmer, a reading, what was noted before. */
export function InstructionColumn({ work, measured }: { work: WorkState; measured: number | undefined }) {
  const { index, state, context, page, who, now, step, target, act, programmer, planning } = work;
  const steps = context.route?.steps ?? [];
  const at = step ? steps.indexOf(step) : steps.length;
  return (
    <>
      {now.kind === 'leaks' ? (
        <LeaksNote index={index} state={state} act={act} onReseal={planning.run} onGoOn={work.goOnLeaking} />
      ) : (
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
          onAll={work.several ? work.all : undefined}
          jobId={page.id}
          planning={planning}
          person={who.role}
          conditions={Object.keys(state.condition).filter((c) => state.condition[c])}
        />
      )}
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
              reason: wording.theProgrammerCouldNotThe,
            })
          }
        />
      )}
      {step?.action === 'press' && <PressRun key={step.id} work={work} holdS={step.waitS} />}
      {/* one that leaks is mended and tested again, whatever step comes next */}
      {(step?.action === 'leak test' || toTestAgain(state)) && <LeakRun work={work} />}
      {(now.kind === 'leaks' || (step?.action === 'leak test' && target === 'device:end')) && (
        <LeakCard
          key={step?.id ?? now.kind}
          holding={now.kind === 'waiting'}
          proved={trustOf(work.who.settings.leakSelfTest, page.now) === 'good'}
          onReport={(b) => act(b)}
        />
      )}
      {work.rework && (
        <Note className="top-10">
          {rework.atTheBench} <Link to={`/jobs/${page.id}/rework`}>{rework.openBench}</Link>
        </Note>
      )}
      {now.kind !== 'leaks' && <LeaksNote index={index} state={state} act={act} onReseal={planning.run} />}
      {step?.cautions.includes('charge-low') && <ChargeAsked state={state} act={act} />}
      {step && <BootCard index={index} state={state} step={step} />}
      {(step?.action === 'compare' || step?.action === 'set aside') && (
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
    </>
  );
}
