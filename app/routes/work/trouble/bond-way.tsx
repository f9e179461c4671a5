import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import type { Body } from '../../../../core/log/events';
import { isWhole } from '../../../../core/log/view';
import { thingName } from '../../../../words/things';
import type { WayProps } from './way';

/** A strip or a seal that tore: alcohol, time, a wide tool. */
export function BondWay({ index, state, step, target, onReport }: WayProps) {
  const torn = Object.keys(state.bond).filter((b) => state.bond[b] === 'torn');
  const now = step?.action === 'release' && target && isWhole(state, target) ? target : undefined;
  const dissolve = (bond: string): Body => ({ type: 'solventApplied', bond, dwellS: 60 });
  return (
    <>
      {now && (
        <div className="row">
          <Button danger onClick={() => onReport({ type: 'bondReleased', bond: now, torn: true })}>
            {wording.hasTorn(thingName(index, now))}
          </Button>
        </div>
      )}
      {torn.map((b) => (
        <div key={b} className="stack gap-8">
          <span className="label strong">{wording.isTorn(thingName(index, b))}</span>
          {index.bonds.get(b)!.tornThen === 'solvent' ? (
            <>
              <p>{wording.alcoholAlongTheEdge30}</p>
              <div className="row">
                <Button onClick={() => onReport(dissolve(b))}>
                  {state.acted[`solvent ${b}`] === undefined
                    ? wording.alcoholIsOnStartThe
                    : wording.onceMoreStartThe60}
                </Button>
              </div>
            </>
          ) : (
            <p>
              {index.bonds.get(b)!.tornThen === 'heat'
                ? wording.warmItAgainWhereThe
                : wording.cutItWithAPlastic}
            </p>
          )}
        </div>
      ))}
    </>
  );
}
