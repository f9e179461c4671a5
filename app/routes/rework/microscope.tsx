import { Button } from 'antd';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { left } from '../../../words/time';
import { warms } from '../../../core/rework/work-plan';
import { Extraction, pressOf, settingOf, useOnFor } from './step-card';
import type { Rework } from './use-rework';
import { useSpoken } from './use-spoken';

/** For eyes that look up from an eyepiece for a moment: dark, one line, the timer, and the pedal alone. */
export function Microscope({ rework, onLeave }: { rework: Rework; onLeave: () => void }) {
  const { step, plan, next, blocked } = rework;
  const onFor = useOnFor(rework);
  const said = step && words.reworkSay(step.id);
  useSpoken(said?.say);
  if (!step || !said) return null;
  return (
    <main className="scope" aria-label={wording.microscope}>
      <div className="spread">
        <span>{wording.stepOf(plan.indexOf(step) + 1, plan.length)}</span>
        <Button ghost onClick={onLeave}>
          {wording.leaveMicroscope}
        </Button>
      </div>
      <h1 data-testid="rework-say">{said.say}</h1>
      {settingOf(step) && <p className="scope-setting">{settingOf(step)}</p>}
      {onFor !== undefined && (
        <div className="scope-timer" role="timer" data-testid="rework-timer">
          {left(onFor)}
        </div>
      )}
      <p className="scope-stop">{blocked === 'pads' ? wording.lookAtAll : said.stop}</p>
      {warms(step) && <Extraction rework={rework} />}
      {step.laser && <p className="scope-laser">{wording.laser}</p>}
      <Button
        type="primary"
        size="large"
        disabled={blocked === 'flash'}
        onMouseDown={(e) => e.preventDefault()}
        onClick={next}
      >
        {pressOf(rework)}
      </Button>
    </main>
  );
}
