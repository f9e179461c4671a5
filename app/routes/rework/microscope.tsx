import { Button } from 'antd';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { left } from '../../../words/time';
import { warms } from '../../../core/rework/work-plan';
import { findingText } from '../../../words/findings';
import { Extraction, isPressable, pressOf, settingOf, useOnFor } from './step-card';
import { TrialButtons } from './trial-buttons';
import type { Rework } from './use-rework';
import { useSpoken } from './use-spoken';

/** For eyes that look up from an eyepiece for a moment: dark, one line, the timer, and the pedal alone. */
export function Microscope({ rework, onLeave }: { rework: Rework; onLeave: () => void }) {
  const { step, plan, next, blocked, held, index } = rework;
  const onFor = useOnFor(rework);
  const said = step && words.reworkSay(step.id);
  useSpoken(said?.say);
  if (!step || !said) return null;
  return (
    <main className="scope" aria-label={wording.microscope}>
      <div className="spread">
        <span>{wording.stepOf(plan.findIndex((s) => s.id === step.id) + 1, plan.length)}</span>
        <Button ghost onClick={onLeave}>
          {wording.leaveMicroscope}
        </Button>
      </div>
      {step.at && <p className="scope-setting">{words.inClamp[step.at]}</p>}
      <h1 data-testid="rework-say">{said.say}</h1>
      {settingOf(step) && <p className="scope-setting">{settingOf(step)}</p>}
      {onFor !== undefined && (
        <div className="scope-timer" role="timer" data-testid="rework-timer">
          {left(onFor)}
        </div>
      )}
      <p className="scope-stop">
        {held[0] ? findingText(index, held[0]).what : blocked === 'pads' ? wording.lookAtAll : said.stop}
      </p>
      {warms(step) && <Extraction rework={rework} />}
      {step.laser && <p className="scope-laser">{wording.laser}</p>}
      <Button
        type="primary"
        size="large"
        disabled={!isPressable(rework)}
        onMouseDown={(e) => e.preventDefault()}
        onClick={next}
      >
        {pressOf(rework)}
      </Button>
      {blocked === 'trial' && (
        <div className="row">
          <TrialButtons rework={rework} />
        </div>
      )}
    </main>
  );
}
