import { select } from 'd3-selection';
import { type ZoomBehavior, zoom, zoomIdentity, zoomTransform, type ZoomTransform } from 'd3-zoom';
import { type RefObject, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { Frame } from './map-placing';

/** The closest look: a part of the whole drawing's height. */
const closest = 0.16;
/** When the hand has rested so long, the picture is drawn sharp, ms. */
const restMs = 220;
/** A drag shorter than this is a click, px. */
const clickPx = 6;

/** How the whole drawing lies in its box: screen px of 1 mm, and where its corner is. */
interface Fit {
  px: number;
  left: number;
  top: number;
  box: { w: number; h: number };
}
function fitOf(el: HTMLElement, whole: Frame): Fit {
  const box = { w: el.clientWidth, h: el.clientHeight };
  const px = Math.min(box.w / whole.w, box.h / whole.h) || 1;
  return { px, left: (box.w - px * whole.w) / 2, top: (box.h - px * whole.h) / 2, box };
}
/** The part of the drawing that a transform shows in its box. */
function frameOfTransform(t: ZoomTransform, fit: Fit, whole: Frame): Frame {
  const [x0, y0] = t.invert([0, 0]);
  return {
    x: whole.x + (x0 - fit.left) / fit.px,
    y: whole.y + (y0 - fit.top) / fit.px,
    w: fit.box.w / t.k / fit.px,
    h: fit.box.h / t.k / fit.px,
  };
}
/** The look that has a part of the drawing in its middle, as large as fits, no closer than `least` of the whole. */
function transformTo(frame: Frame, fit: Fit, whole: Frame, least: number): ZoomTransform {
  const k = Math.max(1, Math.min(1 / least, fit.box.w / (fit.px * frame.w), fit.box.h / (fit.px * frame.h)));
  const x = fit.left + (frame.x + frame.w / 2 - whole.x) * fit.px;
  const y = fit.top + (frame.y + frame.h / 2 - whole.y) * fit.px;
  return zoomIdentity.translate(fit.box.w / 2 - k * x, fit.box.h / 2 - k * y).scale(k);
}

export interface MapZoom {
  /** What is looked through: listens to wheel, pinch and drag. */
  view: RefObject<HTMLDivElement | null>;
  /** What is shifted while the hand moves: a layer of its own, so that the picture itself stays as it was drawn. */
  glide: RefObject<HTMLDivElement | null>;
  svg: RefObject<SVGSVGElement | null>;
  /** Closer than the whole. */
  near: boolean;
  scaleBy: (k: number) => void;
  /** Moves by parts of what is seen. */
  panBy: (x: number, y: number) => void;
  /** Goes to a part of the drawing; without one to all of it. */
  goTo: (f: Frame | undefined, least: number) => void;
}
/**
 * A look at a drawing that goes closer and further by wheel, pinch, drag and keys. While the hand moves, the picture is
 * only shifted and enlarged as it is; when it rests, it is drawn sharp.
 * @param onHand the hand has moved it
 */
export function useMapZoom(whole: Frame, onHand: () => void): MapZoom {
  const view = useRef<HTMLDivElement>(null);
  const glide = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [near, setNear] = useState(false);
  const drawn = useRef<{ t: ZoomTransform; frame: Frame }>({ t: zoomIdentity, frame: whole });
  const hand = useRef(onHand);
  useEffect(() => {
    hand.current = onHand;
  });
  /** Draws what is looked at, sharp. */
  const draw = useCallback(() => {
    const el = view.current;
    if (!el || !svg.current || !glide.current) return;
    const t = zoomTransform(el);
    const frame = frameOfTransform(t, fitOf(el, whole), whole);
    drawn.current = { t, frame };
    glide.current.style.transform = '';
    svg.current.setAttribute('viewBox', `${frame.x} ${frame.y} ${frame.w} ${frame.h}`);
  }, [whole]);
  const behavior = useRef<ZoomBehavior<HTMLDivElement, unknown>>(undefined);
  useLayoutEffect(() => {
    const el = view.current!;
    let rest: ReturnType<typeof setTimeout> | undefined;
    const size = (): [[number, number], [number, number]] => [
      [0, 0],
      [el.clientWidth, el.clientHeight],
    ];
    const z = zoom<HTMLDivElement, unknown>()
      .scaleExtent([1, 1 / closest])
      .extent(size)
      .clickDistance(clickPx)
      .on('zoom', (e: { transform: ZoomTransform; sourceEvent: Event | null }) => {
        z.translateExtent(size());
        setNear(e.transform.k > 1.015);
        clearTimeout(rest);
        if (!e.sourceEvent) return draw();
        hand.current();
        // what was drawn for one look, shown at another
        const { t } = drawn.current;
        const s = e.transform.k / t.k;
        glide.current!.style.transform = `translate(${e.transform.x - s * t.x}px, ${e.transform.y - s * t.y}px) scale(${s})`;
        rest = setTimeout(draw, restMs);
        return undefined;
      });
    z.translateExtent(size());
    behavior.current = z;
    select(el).call(z).on('dblclick.zoom', null);
    const resized = new ResizeObserver(() => {
      z.translateExtent(size());
      draw();
    });
    resized.observe(el);
    return () => {
      clearTimeout(rest);
      resized.disconnect();
      select(el).on('.zoom', null);
    };
  }, [draw]);
  // a new drawing of the same map must not forget the look
  useLayoutEffect(() => {
    const f = drawn.current.frame;
    svg.current?.setAttribute('viewBox', `${f.x} ${f.y} ${f.w} ${f.h}`);
  });
  const steer = useMemo(() => steering(view, behavior, whole), [whole]);
  return { view, glide, svg, near, ...steer };
}

type Steering = Pick<MapZoom, 'scaleBy' | 'panBy' | 'goTo'>;
/** What keys, buttons and the step do with a look. */
function steering(
  view: RefObject<HTMLDivElement | null>,
  behavior: RefObject<ZoomBehavior<HTMLDivElement, unknown> | undefined>,
  whole: Frame,
): Steering {
  const act = (what: (z: ZoomBehavior<HTMLDivElement, unknown>, el: HTMLDivElement) => void) => {
    if (behavior.current && view.current) what(behavior.current, view.current);
  };
  return {
    scaleBy: (k) => act((z, el) => z.scaleBy(select(el), k)),
    panBy: (x, y) =>
      act((z, el) => {
        const { k } = zoomTransform(el);
        z.translateBy(select(el), (-x * el.clientWidth) / k, (-y * el.clientHeight) / k);
      }),
    goTo: (frame, least) =>
      act((z, el) => {
        const t = frame ? transformTo(frame, fitOf(el, whole), whole, least) : zoomIdentity;
        const box: [[number, number], [number, number]] = [
          [0, 0],
          [el.clientWidth, el.clientHeight],
        ];
        z.transform(select(el), z.constrain()(t, box, box));
      }),
  };
}
