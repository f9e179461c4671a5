import * as wording from '../../../words/screens/sort';
import type { InputRef } from 'antd';
import { useEffect, useRef } from 'react';
import type { JobState } from '../../../core/log/state';
import { useKeys } from '../../ui/keys';
import { Mat } from '../../ui/mat';
import { useMat } from '../work/use-mat';
import { HeapResult } from './heap-result';
import { LooseForm } from './loose-form';
import { MeasureCard } from './measure-card';
import { MeasuredTable } from './measured-table';
import { useHeap } from './use-heap';

/** Mixed screws find their holes again by what a calliper says of them. */
export default function Sort() {
  const state = useHeap();
  const { index, page, context, heap, holes, screws, take, report } = state;
  const input = useRef<InputRef>(null);
  useKeys({ typed: take });
  useEffect(() => {
    if (holes.length) input.current?.focus();
  }, [holes.length]);
  const latest = heap?.sorted.assignments.at(-1)?.hole;
  const look = useMat(index, page.mat, state.state, context.route, latest);
  if (!heap)
    return (
      <main className="page stack">
        <LooseForm index={index} state={state.state} onReport={(b) => void report(b)} />
      </main>
    );
  return (
    <main className="page stack">
      <div className="cols main-side high">
        <div className="stack">
          <MeasureCard heap={state} input={input} />
          {screws.length > 0 && <MeasuredTable heap={state} onMeasure={() => input.current?.focus()} />}
        </div>
        <div className="stack">
          <HeapResult state={state} heap={heap} />
          <section className="card stack mid" aria-label={wording.mat}>
            <div className="w-250">
              <Mat
                index={index}
                state={heapOnMat(state.state, heap.sorted.assignments, state.ofHole)}
                cells={look.onPage}
                used={look.used}
                now={latest}
                lit={[]}
              />
            </div>
          </section>
        </div>
      </div>
    </main>
  );
}
/** The mat as it would lie: only for the drawing. */
function heapOnMat(
  state: JobState,
  pairs: readonly { hole: string }[],
  holes: ReadonlyMap<string, { piece: string }>,
): JobState {
  return {
    ...state,
    place: {
      ...state.place,
      ...Object.fromEntries(pairs.map((p) => [holes.get(p.hole)!.piece, `mat/${p.hole}`])),
    },
  };
}
