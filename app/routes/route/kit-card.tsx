import * as wording from '../../../words/screens/route';
import { Tag } from 'antd';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route } from '../../../core/steps/route';
import { Recess } from '../../ui/recess';
import { driveName, itemAmount, stationName, thingName, toolName } from '../../../words/things';

/** What to lay out before the first screw: exactly what the steps use. */
export function Kit({ index, plan }: { index: IndexedModel; plan: Route }) {
  const { kit } = plan;
  const row = (name: string, words: string[], join = ', ') =>
    words.length ? (
      <>
        <dt className="muted">{name}</dt>
        <dd className="m-0">{words.join(join)}</dd>
      </>
    ) : null;
  return (
    <>
      <div className="row gap-8">
        {kit.bits.map((b) => (
          <Tag key={b}>
            <Recess drive={b} size={22} />
            {driveName[b]}
          </Tag>
        ))}
      </div>
      <dl className="kit">
        {row(
          'parts',
          kit.parts.map((p) => `new ${thingName(index, p)}`),
        )}
        {row(
          'stations',
          kit.stations.map((t) => stationName(index, t)),
        )}
        {row(
          'tools',
          kit.tools.map((t) => toolName(index, t)),
        )}
        {row(
          wording.useUp,
          kit.consumables.map((c) => itemAmount(index, c)),
          '; ',
        )}
      </dl>
    </>
  );
}
