import type { IndexedModel } from '../../../core/model/index-model';
import { type HeatOfStations, sourceAsSet } from '../../../core/heat/planned-soak';
import type { Step } from '../../../core/steps/route';
import * as wording from '../../../words/screens/heat';
import { stationName, thingName } from '../../../words/things';
import { left } from '../../../words/time';
import { HeatChart } from '../../ui/heat/heat-chart';
import { useHeatWindow } from '../../ui/heat/use-heat-window';

const nothing = { onHeat: [], readings: [] };
/** A soak of the route, before it is given: on what, how long, and how sure that is. */
export function HeatCard({
  index,
  step,
  heat,
}: {
  index: IndexedModel;
  step: Step;
  heat: HeatOfStations | undefined;
}) {
  const { bond, setC, opensS, closesS, softOfTen } = step.soak!;
  const own = sourceAsSet(step.station!, heat);
  const asSet = own && { ...own, setC };
  const { window: found } = useHeatWindow(index.model, bond, asSet, nothing);
  return (
    <section className="card stack gap-8" aria-label={wording.heat}>
      <div>
        <h2>{`${wording.heat}: ${thingName(index, bond)}`}</h2>
        <span className="muted">{wording.title(stationName(index, step.station!), setC)}</span>
      </div>
      <p className="strong m-0">
        {opensS !== undefined && closesS !== undefined
          ? wording.openBetween(left(opensS), left(closesS))
          : closesS === undefined
            ? wording.noWindow
            : wording.offBy(left(closesS), softOfTen)}
      </p>
      {found ? <HeatChart window={found} height={210} /> : <p role="status">{wording.working}</p>}
    </section>
  );
}
