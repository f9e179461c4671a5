import { type PointerEvent, useCallback, useEffect, useRef, useState } from 'react';
import { type StrokePoint, type TouchMap, touchMap } from '../../../../core/signals/touch';
import * as wording from '../../../../words/screens/device';
import { tokens } from '../../../ui/palette';
import type { ProbeProps } from '../taken';
import { BigButton } from '../big-button';

/** A point is kept where the finger has gone so far, mm. */
const everyMm = 0.8;
/** Nobody touches for so long: what touches then is the screen itself, s. */
const handsOffS = 10;
/** After so long without a touch what was wiped is looked at, ms. */
const pausesMs = 300;
/** After so long without a touch the way on is shown, ms. */
const restsMs = 1000;
/** So much wiped ends it by itself. */
const enough = 0.995;
const frost = 22;

/** The strokes of all fingers on a pane, each from touching to lifting, in mm of the screen. */
function useStrokes({ widthMm, heightMm }: ProbeProps['page'], onPause: (map: TouchMap) => void) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const strokes = useRef<StrokePoint[][]>([]);
  const open = useRef(new Map<number, StrokePoint[]>());
  const paused = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(paused.current), []);
  const [fingers, setFingers] = useState(0);
  useEffect(() => {
    const draw = () => {
      cover(canvas.current!);
      strokes.current = [];
    };
    draw();
    window.addEventListener('resize', draw);
    return () => window.removeEventListener('resize', draw);
  }, []);
  const mm = (e: { clientX: number; clientY: number; timeStamp: number }): StrokePoint => ({
    x: (e.clientX / window.innerWidth) * widthMm,
    y: (e.clientY / window.innerHeight) * heightMm,
    t: Math.round(e.timeStamp),
  });
  const onPointerDown = (e: PointerEvent) => {
    clearTimeout(paused.current);
    const stroke = [mm(e)];
    strokes.current.push(stroke);
    open.current.set(e.pointerId, stroke);
    setFingers((n) => Math.max(n, open.current.size));
    wipe(canvas.current!, e, e);
  };
  const onPointerMove = (e: PointerEvent) => {
    const stroke = open.current.get(e.pointerId);
    if (!stroke) return;
    // every sample that the screen took, also those between two frames
    const samples = e.nativeEvent.getCoalescedEvents?.() ?? [];
    for (const sample of samples.length ? samples : [e.nativeEvent]) {
      const point = mm(sample);
      const last = stroke.at(-1)!;
      if (Math.hypot(point.x - last.x, point.y - last.y) < everyMm) continue;
      stroke.push(point);
      const from = {
        clientX: (last.x / widthMm) * window.innerWidth,
        clientY: (last.y / heightMm) * window.innerHeight,
      };
      wipe(canvas.current!, from, sample);
    }
  };
  const onPointerUp = (e: PointerEvent) => {
    open.current.delete(e.pointerId);
    if (open.current.size) return;
    // not at each lift: a slow phone would stumble over the next stroke
    clearTimeout(paused.current);
    paused.current = setTimeout(() => onPause(touchMap(strokes.current, widthMm, heightMm)), pausesMs);
  };
  const pane = { ref: canvas, onPointerDown, onPointerMove, onPointerUp, onPointerCancel: onPointerUp };
  return { strokes, fingers, pane };
}

/** The whole screen wiped like frost off a pane; then hands off, for touches that nobody makes. */
export function Touch({ page, onTaken }: ProbeProps) {
  const { widthMm, heightMm } = page;
  const [map, setMap] = useState<TouchMap>();
  const [off, setOff] = useState(false);
  // what leads on lies over the pane: it stands there only while nobody wipes
  const [resting, setResting] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(timer.current), []);
  const { strokes, fingers, pane } = useStrokes(page, (next) => {
    setMap(next);
    if (next.share >= enough) setOff(true);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => setResting(true), restsMs);
  });
  const down = (e: PointerEvent) => {
    clearTimeout(timer.current);
    setResting(false);
    pane.onPointerDown(e);
  };
  const finish = useCallback(
    (ghosts: number) =>
      onTaken({ kind: 'touch', widthMm, heightMm, strokes: strokes.current, ghosts, fingers }),
    [onTaken, widthMm, heightMm, fingers, strokes],
  );
  if (off) return <HandsOff onOver={finish} />;
  return (
    <>
      <section className="ask over">
        <h1>{wording.wipe}</h1>
        <p>{wording.wipeHow}</p>
      </section>
      <canvas className="frost" aria-label={wording.wipe} {...pane} onPointerDown={down} />
      {map && <Dead map={map} widthMm={widthMm} heightMm={heightMm} />}
      {resting && map && (
        <footer className="over">
          <span>
            {wording.answers(map.share)} {fingers > 1 ? wording.twoFingers(fingers) : ''}
          </span>
          <BigButton tone="go" onClick={() => setOff(true)}>
            {wording.on} ›
          </BigButton>
        </footer>
      )}
    </>
  );
}
/** What does not answer: where strokes broke off at once, the rest once most of it was wiped. */
function Dead({ map, widthMm, heightMm }: { map: TouchMap; widthMm: number; heightMm: number }) {
  return map.dead
    .filter((d) => map.share > 0.5 || d.crossed > 0)
    .slice(0, 6)
    .map((d) => (
      <div
        key={`${d.x} ${d.y}`}
        className={`stretch ${d.crossed ? 'dead' : ''}`}
        style={{
          left: `${(100 * d.x) / widthMm}%`,
          top: `${(100 * d.y) / heightMm}%`,
          width: `${(100 * d.w) / widthMm}%`,
          height: `${(100 * d.h) / heightMm}%`,
        }}
      >
        {d.crossed > 0 && <b>{wording.stretch(d.w, d.h)}</b>}
      </div>
    ));
}
function HandsOff({ onOver }: { onOver: (ghosts: number) => void }) {
  const [leftS, setLeftS] = useState(handsOffS);
  const ghosts = useRef(0);
  useEffect(() => {
    const begun = performance.now();
    const touched = (e: Event) => {
      // the finger that pressed the button is still on its way up
      if (performance.now() - begun < 800) return;
      ghosts.current++;
      e.preventDefault();
    };
    document.addEventListener('pointerdown', touched, true);
    const timer = setInterval(() => {
      const left = handsOffS - (performance.now() - begun) / 1000;
      setLeftS(Math.max(0, Math.ceil(left)));
      if (left <= 0) {
        clearInterval(timer);
        onOver(ghosts.current);
      }
    }, 200);
    return () => {
      document.removeEventListener('pointerdown', touched, true);
      clearInterval(timer);
    };
  }, [onOver]);
  return (
    <section className="ask">
      <h1>{wording.handsOff(leftS)}</h1>
      <p>{wording.handsOffWhy}</p>
    </section>
  );
}
/** Frost: a light ground with dots in the app's own greys. */
function cover(canvas: HTMLCanvasElement): void {
  canvas.width = canvas.clientWidth;
  canvas.height = canvas.clientHeight;
  const ink = canvas.getContext('2d')!;
  ink.fillStyle = tokens.petrolSoft;
  ink.fillRect(0, 0, canvas.width, canvas.height);
  ink.fillStyle = tokens.metal;
  for (let y = 4; y < canvas.height; y += 8)
    for (let x = 4 + (y % 16) / 2; x < canvas.width; x += 8) ink.fillRect(x, y, 1.5, 1.5);
}
function wipe(
  canvas: HTMLCanvasElement,
  from: { clientX: number; clientY: number },
  to: { clientX: number; clientY: number },
): void {
  const ink = canvas.getContext('2d')!;
  ink.globalCompositeOperation = 'destination-out';
  ink.lineCap = 'round';
  ink.lineWidth = 2 * frost;
  ink.beginPath();
  ink.moveTo(from.clientX, from.clientY);
  ink.lineTo(to.clientX + 0.01, to.clientY);
  ink.stroke();
  ink.globalCompositeOperation = 'source-over';
}
