import * as wording from '../../../words/screens/work';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { transferOutcomes, type Body } from '../../../core/log/events';
import { arrivalsOf, arrivalsToPlan, manifestOf } from '../../../core/rules/manifest';
import type { JobState } from '../../../core/log/state';
import { sealsOf } from '../../../core/model/carried';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route, Step } from '../../../core/steps/route';
import { thingName } from '../../../words/things';
import { Pick } from '../../ui/pick';
import { Note } from '../../ui/note';

const said = { model: wording.byTheModel, part: wording.byThePartsOwnList, seen: 'seen' } as const;

/** Old assembly against new one, piece by piece: what moves over, what the new one has already, what becomes of the rest. */
export function ManifestCard({
  index,
  state,
  step,
  route,
  jobId,
  onReport,
}: {
  index: IndexedModel;
  state: JobState;
  /** A comparison, or an old part that is set aside. */
  step: Step;
  route: Route | undefined;
  jobId: string;
  onReport: (b: Body) => void;
}) {
  const slot = step.targets[0]!;
  const rows = manifestOf(index, state, slot);
  const seals = step.action === 'compare' ? sealsOf(index, slot) : [];
  const brought = arrivalsOf(index, state, slot);
  if (!rows.length && !seals.length) return null;
  // what was seen here may ask for other moves than were planned
  const stale = JSON.stringify(arrivalsToPlan(index, state)) !== JSON.stringify(route?.input.arrives ?? {});
  return (
    <section aria-label={wording.moves} className="top-10">
      <div className="spread small muted">
        <span>{wording.pieceOnTheOld(thingName(index, slot))}</span>
        <span>{wording.whatBecomesOfIt}</span>
      </div>
      <ul className="list">
        {rows.map((manifestRow) => (
          <Fateful
            key={manifestRow.part}
            name={thingName(index, manifestRow.part)}
            how={
              manifestRow.outcome === 'move over' && !manifestRow.still
                ? wording.offTheOldOne
                : said[manifestRow.by]
            }
          >
            <Pick
              letGo
              aria-label={wording.whatBecomesOfThe(thingName(index, manifestRow.part))}
              value={manifestRow.outcome}
              onChange={(outcome) => onReport({ type: 'transferSet', slot, part: manifestRow.part, outcome })}
              options={transferOutcomes.map((f) => ({
                value: f,
                label: f === 'on the new one' ? wording.theNewOneHasIt : f,
              }))}
            />
          </Fateful>
        ))}
        {seals.map((bond) => (
          <Fateful key={bond.id} name={bond.name} how={wording.onTheNewOneLook}>
            <Pick<'scrap' | 'on the new one'>
              letGo
              aria-label={wording.whereTheComesFrom(bond.name)}
              value={brought.includes(bond.id) ? 'on the new one' : 'scrap'}
              onChange={(outcome) => onReport({ type: 'transferSet', slot, part: bond.id, outcome })}
              options={[
                { value: 'scrap', label: wording.aNewOneIsLaid },
                { value: 'on the new one', label: wording.theNewOneHasIt },
              ]}
            />
          </Fateful>
        ))}
      </ul>
      {stale && (
        <Note tone="stop" className="top-8">
          {wording.theRouteWasPlannedWith} <Link to={`/jobs/${jobId}/route`}>{wording.planItAgain}</Link>
        </Note>
      )}
    </section>
  );
}

/** One line of the list: the piece, whose word it is, and the choice. */
function Fateful({ name, how, children }: { name: string; how: string; children: ReactNode }) {
  return (
    <li className="spread">
      <span>
        {name}
        <span className="small muted block">{how}</span>
      </span>
      {children}
    </li>
  );
}
