import * as wording from '../../../words/screens/sort';
import { Button } from 'antd';
import { Link } from 'react-router';
import { Note } from '../../ui/note';
import { sortText } from '../../../words/sort';
import { list, plural } from '../../../words/things';
import { isWhole, type MixedScrews } from './mixed-screws';
import type { MixedState } from './use-mixed-screws';

/** What the measures come to: which are in doubt, dangerous or missing; and that they lie on the mat so. */
export function SortResult({ state, mixed }: { state: MixedState; mixed: MixedScrews }) {
  const { screws, holes, page, done } = state;
  const { missing, dangerous } = mixed.sorted;
  return (
    <section className="card stack" aria-label={wording.whatItComesTo}>
      {(Object.keys(sortText) as (keyof typeof sortText)[]).map((what) => {
        const of = [...new Set(mixed.measure.filter((m) => m.what === what).flatMap((m) => m.screws))];
        return of.length > 0 && <Note key={what}>{`${list(of, 10)}: ${sortText[what]}`}</Note>;
      })}
      {dangerous.map((danger) => (
        <Note key={`${danger.screw} ${danger.hole}`} tone="stop">
          {wording.inWouldBeDangerousIt(danger.screw, danger.hole, danger.why)}
        </Note>
      ))}
      {isWhole(mixed.sorted, screws.length, holes.length) && (
        <Note tone="safe" role="status">
          {wording.everyScrewHasItsHole}
        </Note>
      )}
      {mixed.alike.length > 0 && (
        <p className="small">
          <span className="strong">{wording.interchangeable} </span>
          {mixed.alike.map((g) => list(g, 9)).join('; ')}.
        </p>
      )}
      {screws.length > 0 && missing.length > 0 && <p>{wording.withoutAScrewSoFar(list(missing, 12))}</p>}
      <Button
        type={missing.length && screws.length < holes.length ? 'default' : 'primary'}
        disabled={!screws.length}
        onClick={() => void done()}
      >
        {missing.length ? wording.thatIsAllAdrift(plural(missing.length, 'screw')) : wording.theyLieOnTheMat}
      </Button>
      <Link to={`/jobs/${page.id}/work`}>{wording.backToWork}</Link>
    </section>
  );
}
