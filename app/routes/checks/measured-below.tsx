import { isUsual, type LastTime, type Usual } from '../../../core/checks/elsewhere';
import { changesOf } from '../../../core/checks/measure';
import type { Round } from '../../../core/log/events';
import type { JobState } from '../../../core/log/state';
import type { FunctionId } from '../../../core/vocabulary/trade';
import { changeText, figuresText, usualText, whyText } from '../../../words/measured';
import * as wording from '../../../words/screens/checks';
import { resultName } from '../../../words/things';

/** What other devices of the model measured, and this one when it was here last. */
export interface Elsewhere {
  usual: readonly Usual[];
  last?: LastTime | undefined;
}
/** Below an answer what the phone itself measured, what that is against the device as it came, and where a person said otherwise. */
export function MeasuredBelow({
  state,
  round,
  fn,
  elsewhere,
}: {
  state: JobState;
  round: Round;
  fn: string;
  elsewhere: Elsewhere;
}) {
  const measured = state.measured[`${round} ${fn}`];
  if (!measured) return null;
  const { verdict, because, figures, kind } = measured;
  const lastTime = elsewhere.last?.figures[fn as FunctionId];
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
      {elsewhere.usual
        .filter((u) => u.function === fn && u.kind === kind && figures[u.figure] !== undefined)
        .map((u) => (
          <span key={u.figure} className={`block ${isUsual(u, figures[u.figure]!) ? 'muted' : 'strong'}`}>
            {usualText(u, figures[u.figure]!)}
          </span>
        ))}
      {lastTime && (
        <span className="block muted">
          {wording.lastTime(elsewhere.last!.job, figuresText({ kind, figures: lastTime }))}
        </span>
      )}
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
