import { useEffect, useMemo, useState } from 'react';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route } from '../../../core/steps/route';
import type { MatCell } from '../../../core/screws/mat-layout';
import { thingName } from '../../../words/things';

export interface MatLook {
  /** Screws that this route takes out, and those that are out already. */
  used: ReadonlySet<string>;
  /** Pages of the model's mat on which something of this route lies. */
  pages: number[];
  page: number;
  turn: () => void;
  onPage: MatCell[];
  trays: { name: string; screws: string[] }[];
}

/** Which page of the model's mat is in sight: it follows the screw in hand, and stays where it was turned to until the next one. */
export function useMat(
  index: IndexedModel,
  mat: readonly MatCell[],
  state: JobState,
  route: Route | undefined,
  target: string | undefined,
): MatLook {
  const onRoute = useMemo(() => {
    const ids = new Set<string>();
    for (const step of route?.steps ?? [])
      if (step.action === 'unscrew' || step.action === 'fasten')
        for (const t of step.targets) if (index.fasteners.has(t)) ids.add(t);
    return ids;
  }, [index, route]);
  // mostly what has moved is on the route: then nothing changes by a press, and nothing is drawn anew for it
  const others = useMemo(
    () =>
      Object.keys(state.place)
        .map((p) => p.slice(0, p.lastIndexOf('#')))
        .filter((f) => index.fasteners.has(f) && !onRoute.has(f))
        .join(' '),
    [index, onRoute, state.place],
  );
  const used = useMemo(
    () => (others ? new Set([...onRoute, ...others.split(' ')]) : onRoute),
    [onRoute, others],
  );
  const pages = useMemo(() => {
    const found = [...new Set(mat.filter((c) => used.has(c.id)).map((c) => c.page))].sort((a, b) => a - b);
    return found.length ? found : [0];
  }, [mat, used]);
  const trays = useMemo(
    () =>
      (route?.steps ?? [])
        .filter((s) => s.action === 'unscrew')
        .map((s) => ({ name: thingName(index, s.about ?? ''), screws: s.targets })),
    [index, route],
  );
  const [turned, setTurned] = useState<number>();
  const [last, setLast] = useState<number>();
  const needed = mat.find((c) => c.id === target)?.page;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new target turns the page back
  useEffect(() => setTurned(undefined), [target]);
  useEffect(() => {
    if (needed !== undefined) setLast(needed);
  }, [needed]);
  const wanted = turned ?? needed ?? last ?? pages[0]!;
  const page = pages.includes(wanted) ? wanted : pages[0]!;
  const onPage = useMemo(() => mat.filter((c) => c.page === page), [mat, page]);
  return {
    used,
    pages,
    page,
    onPage,
    trays,
    turn: () => setTurned(pages[(pages.indexOf(page) + 1) % pages.length]),
  };
}
