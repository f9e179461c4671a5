import { Button } from 'antd';
import { hasCondition } from '../../../../core/log/view';
import type { Condition } from '../../../../core/vocabulary/trade';
import type { WayProps } from './way';

const dangers: readonly { condition: Condition; says: string }[] = [
  { condition: 'swollen', says: 'The cell is swollen' },
  { condition: 'pierced', says: 'The cell is pierced or smells' },
  { condition: 'wet', says: 'There is liquid inside' },
  { condition: 'hot', says: 'It is too hot to hold' },
];
/** The device or its cell has become a danger: recorded with one tap; what runs is stopped by the next instruction. */
export function DangerWay({ state, onReport }: WayProps) {
  return (
    <>
      <p className="strong">
        Smoke or hissing: leave, ventilate, do not breathe it, call the fire service by your local rules.
      </p>
      <div className="row">
        {dangers.map(({ condition, says }) => (
          <Button
            key={condition}
            danger
            disabled={hasCondition(state, condition)}
            onClick={() => onReport({ type: 'conditionSet', condition, because: 'seen at the bench' })}
          >
            {says}
          </Button>
        ))}
      </div>
      <p className="small muted">
        Heat, press and charger stop at once; only an owner or lead clears the mark.
      </p>
    </>
  );
}
