import { Button } from 'antd';
import { Link } from 'react-router';
import { Note } from '../../ui/note';
import { sortText } from '../../../words/sort';
import { list, plural } from '../../../words/things';
import { isWhole, type Heap } from './heap';
import type { HeapState } from './use-heap';

/** What the measures come to: which are in doubt, dangerous or missing; and that they lie on the mat so. */
export function HeapResult({ state, heap }: { state: HeapState; heap: Heap }) {
  const { screws, holes, page, done } = state;
  const { missing, dangerous } = heap.sorted;
  return (
    <section className="card stack" aria-label="What it comes to">
      {(Object.keys(sortText) as (keyof typeof sortText)[]).map((what) => {
        const of = [...new Set(heap.measure.filter((m) => m.what === what).flatMap((m) => m.screws))];
        return of.length > 0 && <Note key={what}>{`${list(of, 10)}: ${sortText[what]}`}</Note>;
      })}
      {dangerous.map((d) => (
        <Note
          key={`${d.screw} ${d.hole}`}
          tone="stop"
        >{`${d.screw} in ${d.hole} would be dangerous: ${d.why}. It may lie there, but it does not go in.`}</Note>
      ))}
      {isWhole(heap.sorted, screws.length, holes.length) && (
        <Note tone="safe" role="status">
          Every screw has its hole.
        </Note>
      )}
      {heap.alike.length > 0 && (
        <p className="small">
          <span className="strong">Interchangeable: </span>
          {heap.alike.map((g) => list(g, 9)).join('; ')}.
        </p>
      )}
      {screws.length > 0 && missing.length > 0 && <p>{`Without a screw so far: ${list(missing, 12)}.`}</p>}
      <Button
        type={missing.length && screws.length < holes.length ? 'default' : 'primary'}
        disabled={!screws.length}
        onClick={() => void done()}
      >
        {missing.length ? `That is all: ${plural(missing.length, 'screw')} adrift` : 'They lie on the mat so'}
      </Button>
      <Link to={`/jobs/${page.id}/work`}>Back to Work</Link>
    </section>
  );
}
