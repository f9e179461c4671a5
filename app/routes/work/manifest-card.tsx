import { Link } from 'react-router';
import { fates, type Body } from '../../../core/job/events';
import { arrivalsOf, arrivalsToPlan, manifestOf } from '../../../core/job/manifest';
import type { JobState } from '../../../core/job/state';
import { sealsOf } from '../../../core/model/riders';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route, Step } from '../../../core/route/types';
import { thingName } from '../../words/things';

const said = { model: 'by the model', part: 'by the part’s own list', seen: 'seen' } as const;

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
  step: Step;
  route: Route | undefined;
  jobId: string;
  onReport: (b: Body) => void;
}) {
  const slot = step.action === 'compare' || step.action === 'set aside' ? step.targets[0]! : undefined;
  if (!slot) return null;
  const rows = manifestOf(index, state, slot);
  const seals = step.action === 'compare' ? sealsOf(index, slot) : [];
  const brought = arrivalsOf(index, state, slot);
  if (!rows.length && !seals.length) return null;
  // what was seen here may ask for other moves than were planned
  const stale = JSON.stringify(arrivalsToPlan(index, state)) !== JSON.stringify(route?.input.arrives ?? {});
  return (
    <section aria-label="Moves" style={{ marginTop: 10 }}>
      <table className="tbl">
        <thead>
          <tr>
            <th scope="col">{`piece on the old ${thingName(index, slot)}`}</th>
            <th scope="col">what becomes of it</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.rider}>
              <td>
                {thingName(index, r.rider)}
                <div className="small muted">
                  {r.fate === 'move over' && !r.still ? 'off the old one ✓' : said[r.by]}
                </div>
              </td>
              <td>
                <select
                  className="pick"
                  aria-label={`What becomes of the ${thingName(index, r.rider)}`}
                  value={r.fate}
                  onChange={(e) =>
                    onReport({ type: 'fated', slot, rider: r.rider, fate: e.target.value as typeof r.fate })
                  }
                >
                  {fates.map((f) => (
                    <option key={f} value={f}>
                      {f === 'on the new one' ? 'the new one has it' : f}
                    </option>
                  ))}
                </select>
              </td>
            </tr>
          ))}
          {seals.map((b) => (
            <tr key={b.id}>
              <td>
                {b.name}
                <div className="small muted">on the new one, look along its edge</div>
              </td>
              <td>
                <select
                  className="pick"
                  aria-label={`Where the ${b.name} comes from`}
                  value={brought.includes(b.id) ? 'on the new one' : 'scrap'}
                  onChange={(e) =>
                    onReport({ type: 'fated', slot, rider: b.id, fate: e.target.value as 'scrap' })
                  }
                >
                  <option value="scrap">a new one is laid</option>
                  <option value="on the new one">the new one has it</option>
                </select>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {stale && (
        <p className="note stop" style={{ marginTop: 8 }}>
          The route was planned with other moves. <Link to={`/jobs/${jobId}/route`}>Plan it again</Link>
        </p>
      )}
    </section>
  );
}
