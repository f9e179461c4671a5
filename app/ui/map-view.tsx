import { Button } from 'antd';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { DeviceMap, type Frame, frameOf, type MapProps, wholeFrame } from './device-map';

/** The closest and the widest look: parts of the whole drawing's height. */
const closest = 0.16;
/** By itself it goes no closer than this part of the drawing: what is around must stay in sight. */
const closestByItself = 0.7;

/** A frame grown to the shape of another, and moved so that it shows nothing beyond it. */
function within(f: Frame, whole: Frame, least: number): Frame {
  const scale = Math.min(1, Math.max(least, f.w / whole.w, f.h / whole.h));
  const [w, h] = [whole.w * scale, whole.h * scale];
  const at = (from: number, size: number, low: number, span: number) =>
    Math.min(Math.max(from, low), low + span - size);
  return {
    x: at(f.x + f.w / 2 - w / 2, w, whole.x, whole.w),
    y: at(f.y + f.h / 2 - h / 2, h, whole.y, whole.h),
    w,
    h,
  };
}
const about = (f: Frame, px: number, py: number, by: number, whole: Frame): Frame => {
  const scale = Math.min(1, Math.max(closest, (f.w / whole.w) * by)) / (f.w / whole.w);
  return within(
    { x: px - (px - f.x) * scale, y: py - (py - f.y) * scale, w: f.w * scale, h: f.h * scale },
    whole,
    closest,
  );
};

/**
 * The map with a look that goes to the step by itself, and by wheel, pinch, drag and keys wherever one wants. While the
 * hand moves, the picture is only shifted and enlarged as it is; when it rests, it is drawn sharp.
 */
interface Props extends Omit<MapProps, 'svg'> {
  /** What the step is about: the look goes there when it changes. */
  follow: readonly string[];
  title: string;
  onTurn: () => void;
}
export function MapView({ follow, title, onTurn, ...map }: Props) {
  const { index, face = 'front' } = map;
  const svg = useRef<SVGSVGElement>(null);
  /** What is shifted while the hand moves: a layer of its own, so that the picture itself stays as it was drawn. */
  const glide = useRef<HTMLDivElement>(null);
  const whole = useMemo(() => wholeFrame(index, face), [index, face]);
  const look = useRef<Frame>(whole);
  const frame = useRef(0);
  const [near, setNear] = useState(false);
  const [auto, setAuto] = useState(true);
  const drawn = useRef<Frame>(whole);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const draw = useCallback(() => {
    const el = svg.current;
    if (!el) return;
    const f = look.current;
    drawn.current = f;
    glide.current!.style.transform = '';
    el.setAttribute('viewBox', `${f.x} ${f.y} ${f.w} ${f.h}`);
  }, []);
  const show = useCallback(
    (f: Frame, moving = false) => {
      look.current = f;
      setNear(f.w < whole.w * 0.985);
      cancelAnimationFrame(frame.current);
      clearTimeout(rest.current);
      if (!moving) {
        draw();
        return;
      }
      frame.current = requestAnimationFrame(() => {
        const el = svg.current;
        if (!el) return;
        const c = drawn.current;
        const [w, h] = [el.clientWidth, el.clientHeight];
        const k = Math.min(w / c.w, h / c.h);
        const s = c.w / f.w;
        const at = (size: number, span: number, from: number, to: number) => {
          const o = (size - k * span) / 2;
          return o - s * o + (from - to) * k * s;
        };
        glide.current!.style.transform = `translate(${at(w, c.w, c.x, f.x)}px, ${at(h, c.h, c.y, f.y)}px) scale(${s})`;
      });
      rest.current = setTimeout(draw, 220);
    },
    [whole, draw],
  );
  useEffect(
    () => () => {
      cancelAnimationFrame(frame.current);
      clearTimeout(rest.current);
    },
    [],
  );
  const by = useCallback(
    (k: number) => {
      const f = look.current;
      setAuto(false);
      show(about(f, f.x + f.w / 2, f.y + f.h / 2, k, whole));
    },
    [show, whole],
  );
  const goTo = follow.join(' ');
  // biome-ignore lint/correctness/useExhaustiveDependencies: the things are what their names say
  useLayoutEffect(() => {
    if (!auto) return;
    const f = frameOf(index, face, follow);
    show(f ? within(f, whole, closestByItself) : whole);
  }, [goTo, auto, index, face, whole, show]);
  // the other side lies elsewhere in its drawing: it is seen whole first
  const side = useRef(whole);
  useLayoutEffect(() => {
    if (side.current === whole) return;
    side.current = whole;
    if (!auto) show(whole);
  }, [whole, auto, show]);
  // a new drawing of the same map must not forget the look
  useLayoutEffect(() => {
    const f = drawn.current;
    svg.current?.setAttribute('viewBox', `${f.x} ${f.y} ${f.w} ${f.h}`);
  });
  useEffect(() => {
    const el = svg.current!;
    // by the frame around it, which stays still while the picture moves
    const at = (e: { clientX: number; clientY: number }): [number, number] => {
      const box = glide.current!.parentElement!.getBoundingClientRect();
      const f = look.current;
      const k = Math.min(box.width / f.w, box.height / f.h);
      return [
        f.x + (e.clientX - box.left - (box.width - k * f.w) / 2) / k,
        f.y + (e.clientY - box.top - (box.height - k * f.h) / 2) / k,
      ];
    };
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      setAuto(false);
      const [x, y] = at(e);
      show(about(look.current, x, y, Math.exp(e.deltaY * (e.ctrlKey ? 0.01 : 0.0016)), whole), true);
    };
    const fingers = new Map<number, PointerEvent>();
    let moved = false;
    const down = (e: PointerEvent) => {
      fingers.set(e.pointerId, e);
      moved = false;
    };
    const move = (e: PointerEvent) => {
      const before = fingers.get(e.pointerId);
      if (!before) return;
      const other = [...fingers.values()].find((f) => f.pointerId !== e.pointerId);
      if (!other && Math.hypot(e.clientX - before.clientX, e.clientY - before.clientY) < (moved ? 0 : 6))
        return;
      moved = true;
      if (!el.hasPointerCapture(e.pointerId)) el.setPointerCapture(e.pointerId);
      setAuto(false);
      const [bx, by2] = at(before);
      const [x, y] = at(e);
      if (other) {
        const [ox, oy] = at(other);
        show(
          about(
            look.current,
            ox,
            oy,
            Math.hypot(bx - ox, by2 - oy) / Math.max(1, Math.hypot(x - ox, y - oy)),
            whole,
          ),
          true,
        );
      } else
        show(
          within(
            { ...look.current, x: look.current.x - (x - bx), y: look.current.y - (y - by2) },
            whole,
            closest,
          ),
          true,
        );
      fingers.set(e.pointerId, e);
    };
    const up = (e: PointerEvent) => {
      fingers.delete(e.pointerId);
    };
    // what was dragged was not picked
    const click = (e: MouseEvent) => {
      if (moved) {
        e.stopPropagation();
        moved = false;
      }
    };
    el.addEventListener('wheel', wheel, { passive: false });
    el.addEventListener('pointerdown', down);
    el.addEventListener('pointermove', move);
    el.addEventListener('pointerup', up);
    el.addEventListener('pointercancel', up);
    el.addEventListener('click', click, true);
    return () => {
      el.removeEventListener('wheel', wheel);
      el.removeEventListener('pointerdown', down);
      el.removeEventListener('pointermove', move);
      el.removeEventListener('pointerup', up);
      el.removeEventListener('pointercancel', up);
      el.removeEventListener('click', click, true);
    };
  }, [show, whole]);
  useEffect(() => {
    const keys = (e: KeyboardEvent) => {
      if (
        e.ctrlKey ||
        e.metaKey ||
        e.altKey ||
        /^(INPUT|TEXTAREA|SELECT)$/.test(document.activeElement?.tagName ?? '') ||
        document.querySelector('dialog[open]')
      )
        return;
      const f = look.current;
      const step = f.w * 0.12;
      const pan: Record<string, [number, number]> = {
        ArrowLeft: [-step, 0],
        ArrowRight: [step, 0],
        ArrowUp: [0, -step],
        ArrowDown: [0, step],
      };
      if (e.key === '+' || e.key === '=') by(0.75);
      else if (e.key === '-') by(1 / 0.75);
      else if (e.key === '0') setAuto(true);
      else if (pan[e.key] && f.w < whole.w) {
        e.preventDefault();
        setAuto(false);
        show(within({ ...f, x: f.x + pan[e.key]![0], y: f.y + pan[e.key]![1] }, whole, closest));
      }
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [by, show, whole]);
  const still = (e: { preventDefault: () => void }) => e.preventDefault();
  return (
    <>
      <div className="spread small muted mid">
        <span title="Ticks at the top are 10 mm apart" className="fill shrinks">
          {title}
        </span>
        <span className="row gap-4 one-line">
          <Button onMouseDown={still} onClick={() => by(0.75)} aria-label="Closer">
            +
          </Button>
          <Button onMouseDown={still} onClick={() => by(1 / 0.75)} disabled={!near} aria-label="Further away">
            −
          </Button>
          <Button
            className={`${auto ? 'held' : ''}`}
            onMouseDown={still}
            onClick={() => {
              if (auto) {
                setAuto(false);
                show(whole);
              } else setAuto(true);
            }}
            aria-pressed={auto}
            title={auto ? 'Show all of it' : 'Go where the step is, and with it'}
          >
            follow
          </Button>
          <Button onMouseDown={still} onClick={onTurn}>
            Turn over
          </Button>
        </span>
      </div>
      <div className="mapview">
        <div className="glide" ref={glide}>
          <DeviceMap {...map} svg={svg} />
        </div>
      </div>
    </>
  );
}
