import { Button } from 'antd';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { Note } from '../../ui/note';
import type { Rework } from './use-rework';

/** What else a trial can come to; the pedal says that it works. */
export function TrialButtons({ rework: { tried, work, ended } }: { rework: Rework }) {
  const outcomes = work?.kind === 'loose lens' ? (['fails'] as const) : (['notice stays', 'fails'] as const);
  return outcomes.map((outcome) => (
    <Button
      key={outcome}
      disabled={ended}
      onMouseDown={(e) => e.preventDefault()}
      onClick={() => tried(outcome)}
    >
      {wording.trialName[outcome]}
    </Button>
  ));
}
/** How the tries before this one ended, and what to look at in the next: after two more it is hardly ever worth another. */
export function Tries({ rework: { work } }: { rework: Rework }) {
  const failed = (work?.tries ?? []).filter((outcome) => outcome !== 'works');
  const last = failed.at(-1);
  if (!last || work?.tries?.at(-1) === 'works') return null;
  return (
    <Note tone="warn">
      <span className="strong">{wording.tryFailed(failed.length, words.trialSaid[last])}</span>{' '}
      {failed.length >= worthTrying ? wording.giveUpNow : wording.tryAgain}
    </Note>
  );
}
/** So many tries; then it is given up (common practice: once or twice more). */
const worthTrying = 3;
