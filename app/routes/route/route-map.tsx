import * as wording from '../../../words/screens/route';
import { useState } from 'react';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/steps/route';
import { MapView } from '../../ui/map-view';
import { faceText } from '../../../words/things';

const nothing: readonly string[] = [];
/** Where on the device the step is that one points at: the map goes there by itself. */
export function RouteMap({
  index,
  state,
  step,
}: {
  index: IndexedModel;
  state: JobState;
  step: Step | undefined;
}) {
  const [turned, setTurned] = useState<string>();
  const own = step?.face ?? 'front';
  const face = turned === (step?.id ?? '') ? (own === 'front' ? 'back' : 'front') : own;
  return (
    <section className="card route-map" aria-label={wording.map}>
      <MapView
        title={step ? faceText(face) : wording.pointAtAStepTo}
        onTurn={() => setTurned(turned === (step?.id ?? '') ? undefined : (step?.id ?? ''))}
        index={index}
        state={revealed(state, index)}
        lit={step ? [...step.targets, step.about ?? ''] : []}
        now={step?.targets[0]}
        showNoGo={false}
        face={face}
        byItself={0.35}
        follow={step && face === own ? step.targets : nothing}
      />
    </section>
  );
}
/** For pointing at things before the device is open: the display laid aside, nothing else. */
function revealed(state: JobState, index: IndexedModel): JobState {
  const display = index.model.slots.find((s) => s.kind === 'display');
  return display && state.place[`${display.id}#1`] === undefined
    ? { ...state, pose: { ...state.pose, [display.id]: 'folded' } }
    : state;
}
