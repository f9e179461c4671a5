import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import type { Body, Task } from '../../../core/log/events';
import { leaks } from '../../../core/rules/interlocks/closing';
import { flag, type JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import type { leakNow } from '../../../core/rules/water';
import { type LeakPlace, leakPlaces } from '../../../core/rules/leak-places';
import * as leakWords from '../../../words/screens/leak';
import { thingName } from '../../../words/things';
import { Note } from '../../ui/note';

/**
 * The device as it is closed has failed its leak test: what can be done, and that nothing is claimed.
 * @param onGoOn given while it is the instruction: somebody goes on all the same
 */
export function LeaksNote({
  index,
  state,
  act,
  onReseal,
  onGoOn,
}: {
  index: IndexedModel;
  state: JobState;
  act: (body: Body) => unknown;
  onReseal: (tasks: Task[]) => void;
  onGoOn?: () => void;
}) {
  const leak = flag(state, 'leak');
  const top = useRef<HTMLDivElement>(null);
  // whoever had scrolled down to the tester sees what it found
  // biome-ignore lint/correctness/useExhaustiveDependencies: with each test anew
  useEffect(() => {
    if (onGoOn) top.current?.scrollIntoView({ block: 'start' });
  }, [leak?.seq, onGoOn !== undefined]);
  if (!leak || !leaks(state) || flag(state, 'ending') !== undefined) return null;
  return (
    <Note tone="stop" role={onGoOn ? 'alert' : 'status'} className={onGoOn ? '' : 'top-10'}>
      {onGoOn && (
        <div ref={top}>
          <h1 className="now-title brick" data-testid="instruction">
            {wording.itLeaks}
          </h1>
        </div>
      )}
      <p className="strong">{wording.itDoesNotHoldNothing(lostText(leak))}</p>
      <p className="m-0">{leakWords.places}:</p>
      <ul className="list" aria-label={leakWords.places}>
        {leakPlaces(index, state).map((place) => (
          <li key={`${place.kind} ${place.things[0]}`} className="stack gap-4">
            <span>
              {placeText(index, place)}{' '}
              <span className="muted">{place.touched ? leakWords.touchedHere : leakWords.notTouched}</span>
            </span>
            {found(state, place) ? (
              <span className="strong">{leakWords.isNoted}</span>
            ) : (
              <div>
                <Button
                  onClick={() => {
                    act({ type: 'noted', text: leakWords.foundNote[place.kind], thing: place.things[0]! });
                    if (place.mend === 'reseal' && place.slot)
                      onReseal([{ slot: place.slot, action: 'reach' }]);
                  }}
                >
                  {place.mend === 'reseal' ? wording.openItAndSealIt : leakWords.foundHere}
                </Button>
              </div>
            )}
          </li>
        ))}
      </ul>
      <p className="m-0">{leakWords.orTell}</p>
      {onGoOn && (
        <p className="top-10 m-0">
          <Button onClick={onGoOn}>{wording.goOnLeaking}</Button>
        </p>
      )}
    </Note>
  );
}

/** What was lost, or that there was nothing to lose. */
function lostText({ lost, measured }: NonNullable<ReturnType<typeof leakNow>>): string {
  if (measured && measured.ratePaS === undefined) return leakWords.notReached;
  return lost ? `: ${pressureText(lost)}` : '';
}
const pressureText = ({ value, unit }: { value: number; unit: string }) =>
  unit === 'Pa' && value >= 1000
    ? leakWords.lostKPa((value / 1000).toFixed(1))
    : leakWords.lostOf(value, unit);
function placeText(index: IndexedModel, { kind, things }: LeakPlace): string {
  const text = leakWords.placeText[kind];
  if (typeof text === 'string') return text;
  return text(kind === 'screws' ? things.join(', ') : thingName(index, things[0]!));
}
/** It has been noted that it leaks there: what follows is to test again. */
const found = (state: JobState, { kind, things }: LeakPlace): boolean =>
  Object.values(state.note).some(
    (note) => note?.thing === things[0] && note?.text === leakWords.foundNote[kind],
  );
