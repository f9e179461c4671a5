import { Button } from 'antd';
import type { FreeSlot } from '../../core/day/slots';
import * as wording from '../../words/screens/day';
import { useFormats } from './formats';

/** A promise is given to a quarter of an hour, from when it is kept in nine of ten days, ms. */
const quarterMs = 15 * 60_000;
const promiseAfter = (surelyAt: number): number => Math.ceil(surelyAt / quarterMs) * quarterMs;

/** When a device could be ready with everybody else as they are: one is taken with a press. */
export function FreeSlots({
  slots,
  now,
  disabled,
  onTake,
}: {
  slots: readonly FreeSlot[];
  now: number;
  disabled: boolean;
  onTake: (at: number) => void;
}) {
  const { soon } = useFormats();
  if (!slots.length) return null;
  return (
    <div className="row gap-4 mid small" data-testid="free-slots">
      <span className="muted">{wording.freeSlots}</span>
      {slots.map(({ startAt, surelyAt }) => (
        <Button
          key={surelyAt}
          size="small"
          disabled={disabled}
          title={wording.begunAt(soon(startAt, now))}
          onClick={() => onTake(promiseAfter(surelyAt))}
        >
          {soon(promiseAfter(surelyAt), now)}
        </Button>
      ))}
    </div>
  );
}
