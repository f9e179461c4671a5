import * as wording from '../../words/screens/map';
import { Button } from 'antd';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { DeviceMap, type MapProps } from './device-map';
import { frameOf, wholeFrame } from './map-placing';
import { dialogIsOpen } from './keys';
import { type MapZoom, useMapZoom } from './use-map-zoom';

/** By itself it goes no closer than this part of the drawing: what is around must stay in sight. */
const closestByItself = 0.7;
const closer = 1 / 0.75;
/** One press of an arrow moves by this part of what is seen. */
const panStep = 0.12;

interface Props extends Omit<MapProps, 'svg'> {
  /** What the step is about: the look goes there when it changes. */
  follow: readonly string[];
  title: string;
  onTurn: () => void;
  /** How close it goes by itself, as a part of the whole drawing's height. */
  byItself?: number;
}
/** The map with a look that goes to the step by itself, and by wheel, pinch, drag and keys wherever one wants. */
export function MapView({ follow, title, onTurn, byItself = closestByItself, ...map }: Props) {
  const { index, face = 'front' } = map;
  const whole = useMemo(() => wholeFrame(index, face), [index, face]);
  const [auto, setAuto] = useState(true);
  const zoom = useMapZoom(whole, () => setAuto(false));
  const { goTo } = zoom;
  const step = follow.join(' ');
  // biome-ignore lint/correctness/useExhaustiveDependencies: the things are what their names say; a new look is no new step
  useLayoutEffect(() => {
    if (auto) goTo(frameOf(index, face, follow), byItself);
  }, [byItself, step, auto, index, face, whole]);
  // the other side lies elsewhere in its drawing: it is seen whole first
  const side = useRef(whole);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when the side has changed
  useLayoutEffect(() => {
    if (side.current === whole) return;
    side.current = whole;
    if (!auto) goTo(undefined, 1);
  }, [whole, auto]);
  const byHand = useCallback(() => setAuto(false), []);
  useMapKeys(zoom, byHand, () => setAuto(true));
  const still = (e: { preventDefault: () => void }) => e.preventDefault();
  const scale = (k: number) => {
    byHand();
    zoom.scaleBy(k);
  };
  return (
    <>
      <div className="spread small muted mid">
        <span title={wording.ticksAtTheTopAre} className="fill shrinks">
          {title}
        </span>
        <span className="row gap-4 one-line">
          <Button onMouseDown={still} onClick={() => scale(closer)} aria-label={wording.closer}>
            +
          </Button>
          <Button
            onMouseDown={still}
            onClick={() => scale(1 / closer)}
            disabled={!zoom.near}
            aria-label={wording.furtherAway}
          >
            −
          </Button>
          <Button
            className={auto ? 'held' : ''}
            onMouseDown={still}
            onClick={() => {
              setAuto(!auto);
              if (auto) goTo(undefined, 1);
            }}
            aria-pressed={auto}
            title={auto ? wording.showAllOfIt : wording.goWhereTheStepIs}
          >
            {wording.follow}
          </Button>
          <Button onMouseDown={still} onClick={onTurn}>
            {wording.turnOver}
          </Button>
        </span>
      </div>
      <div className="mapview" ref={zoom.view}>
        <div className="glide" ref={zoom.glide}>
          <DeviceMap {...map} svg={zoom.svg} />
        </div>
      </div>
    </>
  );
}

const pans: Record<string, [number, number]> = {
  ArrowLeft: [-panStep, 0],
  ArrowRight: [panStep, 0],
  ArrowUp: [0, -panStep],
  ArrowDown: [0, panStep],
};
/** + and − go closer and away, Home back to the step, the arrows move where it is closer than the whole. */
function useMapKeys(zoom: MapZoom, byHand: () => void, follow: () => void): void {
  const { near, scaleBy, panBy } = zoom;
  const toStep = useRef(follow);
  useEffect(() => {
    toStep.current = follow;
  });
  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing = /^(INPUT|TEXTAREA|SELECT)$/.test(document.activeElement?.tagName ?? '');
      if (event.ctrlKey || event.metaKey || event.altKey || typing || dialogIsOpen()) return;
      const pan = pans[event.key];
      if (event.key === 'Home') toStep.current();
      else if (event.key === '+' || event.key === '=' || event.key === '-') {
        byHand();
        scaleBy(event.key === '-' ? 1 / closer : closer);
      } else if (pan && near) {
        event.preventDefault();
        byHand();
        panBy(...pan);
      }
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [near, scaleBy, panBy, byHand]);
}
