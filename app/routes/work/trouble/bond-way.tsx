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
          <Button
            danger
            onClick={() => onReport({ type: 'bondReleased', bond: now, torn: true })}
          >{`${thingName(index, now)} tore`}</Button>
        </div>
      )}
      {torn.map((b) => (
        <div key={b} className="stack gap-8">
          <span className="label strong">{`${thingName(index, b)} is torn`}</span>
          {index.bonds.get(b)!.tornThen === 'solvent' ? (
            <>
              <p>
                Alcohol along the edge, 30 to 60 s, then a wide flat plastic tool; never bend the cell, never
                near heat.
              </p>
              <div className="row">
                <Button onClick={() => onReport(dissolve(b))}>
                  {state.acted[`solvent ${b}`] === undefined
                    ? 'Alcohol is on: start the 60 s'
                    : 'Once more: start the 60 s'}
                </Button>
              </div>
            </>
          ) : (
            <p>
              {index.bonds.get(b)!.tornThen === 'heat'
                ? 'Warm it again where the model says, then lift slowly.'
                : 'Cut it with a plastic tool, flat along the frame.'}
            </p>
          )}
        </div>
      ))}
    </>
  );
}
