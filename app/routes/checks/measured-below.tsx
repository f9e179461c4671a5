import { changesOf } from '../../../core/checks/measure';
import type { Round } from '../../../core/log/events';
import type { JobState } from '../../../core/log/state';
import { changeText, figuresText, whyText } from '../../../words/measured';
import * as wording from '../../../words/screens/checks';
import { resultName } from '../../../words/things';

/** Below an answer what the phone itself measured, what that is against the device as it came, and where a person said otherwise. */
export function MeasuredBelow({ state, round, fn }: { state: JobState; round: Round; fn: string }) {
  const measured = state.measured[`${round} ${fn}`];
  if (!measured) return null;
  const { verdict, because, figures } = measured;
  const said = state.check[`${round} ${fn}`];
  const before = round === 'before' ? undefined : state.measured[`before ${fn}`]?.figures;
  const changes = before ? changesOf(before, figures) : [];
  const agrees =
    !said ||
    said.seq > measured.seq ||
    verdict === 'unclear' ||
    said.result === verdict ||
    said.result === 'same';
  return (
    <span className="small block" data-testid={`measured-${round}-${fn}`}>
      <span className="muted">{figuresText(measured)}</span>
      {because && because !== 'by eye' && (
        <span className={`block ${verdict === 'fails' ? 'brick' : ''}`}>{whyText(because, figures)}</span>
      )}
      {changes.length > 0 && <span className="block strong">{changes.map(changeText).join('; ')}</span>}
      {!agrees && (
        <span className="block brick strong">
          {wording.measuredSays(resultName[verdict])}. {wording.both}
        </span>
      )}
    </span>
  );
}
