import { Button } from 'antd';
import type { FreeSlot } from '../../core/day/slots';
import * as wording from '../../words/screens/day';
import { useFormats } from './formats';

/** A promise is given a little after a device is ready, to a quarter of an hour, ms. */
const quarterMs = 15 * 60_000;
const promiseAfter = (readyAt: number): number => Math.ceil(readyAt / quarterMs) * quarterMs;

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
      {slots.map(({ startAt, readyAt }) => (
        <Button
          key={readyAt}
          size="small"
          disabled={disabled}
          title={wording.begunAt(soon(startAt, now))}
          onClick={() => onTake(promiseAfter(readyAt))}
        >
          {soon(promiseAfter(readyAt), now)}
        </Button>
      ))}
    </div>
  );
}
