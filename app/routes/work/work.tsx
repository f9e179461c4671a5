import * as heat from '../../../words/screens/heat';
import { rimStretches } from '../../../core/rules/rim-solvents';
import * as maps from '../../../words/screens/map';
import * as wording from '../../../words/screens/work';
import { useCallback, useMemo, useState } from 'react';
import { flag } from '../../../core/log/state';
import type { Face } from '../../../core/vocabulary/trade';
import { isBlank } from '../../../core/record/blank-model';
import { isSeal } from '../../../core/model/seals';
import { useKeys } from '../../ui/keys';
import { later } from '../../ui/later';
import { MapView } from '../../ui/map-view';
import { usePreferences } from '../../ui/preferences';
import { useScrewTravel } from '../../ui/screw-travel';
import { faceText } from '../../../words/things';
import { InstructionColumn } from './instruction-column';
import { MatPanel } from './mat-panel';
import { useMat } from './use-mat';
import { useMeasured } from './use-measured';
import { useSpoken } from './use-spoken';
import { useWork, type WorkState } from './use-work';
import { AtTheBench } from './at-the-bench';
import { WorkKeys } from './work-keys';

// only a device that nobody has taken to pieces before asks for it
const Recorder = later(() => import('./record/recorder').then((m) => m.Recorder));
// the charts' library and the worker come only where a device is warmed
const HeatPanel = later(() => import('./heat/heat-panel').then((m) => m.HeatPanel));
const isRecording = ({ page, context, ended }: WorkState) => isBlank(page.model) && !context.route && !ended;

/** The bench: where it is on the device, what now, where it lies; of a device that nobody knows, what comes off. */
export default function Work() {
  const work = useWork();
  return isRecording(work) ? <Recorder work={work} /> : <Guided work={work} />;
}

function Guided({ work }: { work: WorkState }) {
  const { page, index, state, context, step, target, setSheet } = work;
  const side = useSide(work);
  const { measured, typed } = useMeasured(work);
  const speak = useSpoken(work);
  useKeys({
    next: work.press,
    undo: work.undo,
    trouble: () => setSheet({ kind: 'trouble' }),
    note: () => setSheet({ kind: 'note' }),
    all: work.all,
    turn: side.turn,
    say: speak,
    search: () => setSheet({ kind: 'find' }),
    typed,
  });
  useScrewTravel(page.id, state.place);
  const look = useMat(index, page.mat, state, context.route, target);
  // while it is warmed, how warm it is is what one looks at
  const [mapped, setMapped] = useState<string>();
  const warming = step?.action === 'heat' && step.soak && mapped !== step.id ? step : undefined;
  const lit = useMemo(() => (step ? [...step.targets, step.about ?? ''] : []), [step]);
  return (
    <AtTheBench work={work} keys={<WorkKeys work={work} />}>
      <section className={warming ? '' : 'fit'} aria-label={warming ? heat.heat : wording.map}>
        {warming ? (
          <HeatPanel work={work} step={warming} onMap={() => setMapped(step!.id)} />
        ) : (
          <WorkMap work={work} side={side} lit={lit} />
        )}
      </section>
      <section aria-label={wording.instruction} aria-live="polite">
        <InstructionColumn work={work} measured={measured} />
      </section>
      <section aria-label={wording.mat} className="column gap-8">
        <MatPanel
          index={index}
          state={state}
          look={look}
          target={target}
          lit={lit}
          jobId={page.id}
          keeping={context.route?.input.methods['screw-keeping'] === 'trays' ? 'trays' : 'mat'}
        />
      </section>
    </AtTheBench>
  );
}

interface Side {
  face: Face;
  /** The side that the step is done on. */
  own: Face;
  turn: () => void;
}
/** Which side of the device is shown: the step's own, until the map is turned over; the next step turns it back. */
function useSide({ step }: WorkState): Side {
  const [turned, setTurned] = useState<{ step: string; face: Face }>();
  const own = step?.face ?? 'front';
  const face = turned && turned.step === (step?.id ?? '') ? turned.face : own;
  return {
    face,
    own,
    turn: () => setTurned({ step: step?.id ?? '', face: face === 'front' ? 'back' : 'front' }),
  };
}

const noThings: readonly string[] = [];
/** Acts at which there is nothing to be looked at on the device. */
const elsewhere = new Set(['check', 'read data', 'write data', 'set aside']);

function WorkMap({ work, side, lit }: { work: WorkState; side: Side; lit: string[] }) {
  const { index, state, step, target, setSheet } = work;
  const follow = useMemo(() => (step && !elsewhere.has(step.action) ? step.targets : noThings), [step]);
  const bond = step && index.bonds.get(step.targets[0]!);
  const releasing =
    (step?.action === 'release' || step?.action === 'gap') && bond !== undefined && isSeal(index, bond);
  const cleaning = step?.action === 'clean rim';
  const pick = useCallback((id: string) => setSheet({ kind: 'thing', id }), [setSheet]);
  const variant = index.model.variants.find((v) => v.id === flag(state, 'variant'))?.name ?? '';
  return (
    <MapView
      title={
        cleaning
          ? maps.solventKey(new Set(rimStretches(index, side.face).map((r) => r.care)))
          : wording.hinge(variant, faceText(side.face), index.model.hinge)
      }
      onTurn={side.turn}
      index={index}
      state={state}
      lit={lit}
      now={target}
      showNoGo={releasing}
      showSolvents={cleaning}
      face={side.face}
      onPick={pick}
      large={usePreferences().text === 'large'}
      follow={side.face === side.own ? follow : noThings}
    />
  );
}
