import { useEffect, useRef } from 'react';
import type { JobState } from '../../core/log/state';
import { holderOf } from '../../core/vocabulary/pieces';

const travelMs = 150;
/** More than these at once (a job that is caught up with) would explain nothing. */
const most = 8;

type Places = JobState['place'];
const middle = (place: string): { x: number; y: number } | undefined => {
  const [kind, id] = [place.slice(0, place.indexOf('/')), place.slice(place.indexOf('/') + 1)];
  const el =
    kind === 'hole' || kind === 'mat' ? document.querySelector(`[data-${kind}="${CSS.escape(id)}"]`) : null;
  const box = el?.getBoundingClientRect();
  return box && box.width > 0 ? { x: box.left + box.width / 2, y: box.top + box.height / 2 } : undefined;
};

/** Screws that went between a hole and the mat: from where, to where. What nobody has touched lies in its own hole. */
export function travellers(was: Places, is: Places): { from: string; to: string }[] {
  const at = (places: Places, piece: string) => places[piece] ?? `hole/${holderOf(piece)}`;
  const moved = [...new Set([...Object.keys(was), ...Object.keys(is)])].map((piece) => ({
    from: at(was, piece),
    to: at(is, piece),
  }));
  const between = moved.filter(
    ({ from, to }) =>
      (from.startsWith('hole/') && to.startsWith('mat/')) ||
      (from.startsWith('mat/') && to.startsWith('hole/')),
  );
  return between.length <= most ? between : [];
}

/** A screw is seen going from the phone to its place on the mat and back; not at all when the system asks for less motion. */
export function useScrewTravel(job: string, place: Places): void {
  const seen = useRef({ job, place });
  useEffect(() => {
    const was = seen.current;
    seen.current = { job, place };
    if (was.job !== job || was.place === place || matchMedia('(prefers-reduced-motion: reduce)').matches)
      return;
    const going = travellers(was.place, place);
    if (!going.length) return;
    // after the press has been answered: where things are is asked of a page that has been laid out
    requestAnimationFrame(() => {
      for (const { from, to } of going) {
        const [a, b] = [middle(from), middle(to)];
        if (!a || !b) continue;
        const dot = document.createElement('i');
        dot.className = 'travel';
        dot.setAttribute('aria-hidden', 'true');
        document.body.append(dot);
        dot
          .animate(
            [{ transform: `translate(${a.x}px, ${a.y}px)` }, { transform: `translate(${b.x}px, ${b.y}px)` }],
            { duration: travelMs, easing: 'ease-out' },
          )
          .finished.finally(() => dot.remove());
      }
    });
  }, [job, place]);
}
