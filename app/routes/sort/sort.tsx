import * as wording from '../../../words/screens/sort';
import type { InputRef } from 'antd';
import { useEffect, useRef } from 'react';
import type { JobState } from '../../../core/log/state';
import { useKeys } from '../../ui/keys';
import { Mat } from '../../ui/mat';
import { useMat } from '../work/use-mat';
import { SortResult } from './sort-result';
import { LooseForm } from './loose-form';
import { MeasureCard } from './measure-card';
import { MeasuredTable } from './measured-table';
import { useMixedScrews } from './use-mixed-screws';

/** Mixed screws find their holes again by what a calliper says of them. */
export default function Sort() {
  const state = useMixedScrews();
  const { index, page, context, mixed, holes, screws, take, report } = state;
  const input = useRef<InputRef>(null);
  useKeys({ typed: take });
  useEffect(() => {
    if (holes.length) input.current?.focus();
  }, [holes.length]);
  const latest = mixed?.sorted.assignments.at(-1)?.hole;
  const look = useMat(index, page.mat, state.state, context.route, latest);
  if (!mixed)
    return (
      <main className="page stack">
        <LooseForm index={index} state={state.state} onReport={(b) => void report(b)} />
      </main>
    );
  return (
    <main className="page stack">
      <div className="cols main-side high">
        <div className="stack">
          <MeasureCard mixed={state} input={input} />
          {screws.length > 0 && <MeasuredTable mixed={state} onMeasure={() => input.current?.focus()} />}
        </div>
        <div className="stack">
          <SortResult state={state} mixed={mixed} />
          <section className="card stack mid" aria-label={wording.mat}>
            <div className="w-250">
              <Mat
                index={index}
                state={mixedOnMat(state.state, mixed.sorted.assignments, state.ofHole)}
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
function mixedOnMat(
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
