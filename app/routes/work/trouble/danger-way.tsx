import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import { hasCondition } from '../../../../core/log/view';
import type { Condition } from '../../../../core/vocabulary/trade';
import type { WayProps } from './way';

const dangers: readonly { condition: Condition; says: string }[] = [
  { condition: 'swollen', says: wording.theCellIsSwollen },
  { condition: 'pierced', says: wording.theCellIsPiercedOr },
  { condition: 'wet', says: wording.thereIsLiquidInside },
  { condition: 'hot', says: wording.itIsTooHotTo },
];
/** The device or its cell has become a danger: recorded with one tap; what runs is stopped by the next instruction. */
export function DangerWay({ state, onReport }: WayProps) {
  return (
    <>
      <p className="strong">{wording.smokeOrHissingLeaveVentilate}</p>
      <div className="row">
        {dangers.map(({ condition, says }) => (
          <Button
            key={condition}
            danger
            disabled={hasCondition(state, condition)}
            onClick={() => onReport({ type: 'conditionSet', condition, because: wording.seenAtTheBench })}
          >
            {says}
          </Button>
        ))}
      </div>
      <p className="small muted">{wording.heatPressAndChargerStop}</p>
    </>
  );
}
