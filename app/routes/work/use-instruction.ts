import { useMemo, useSyncExternalStore } from 'react';
import type { Context } from '../../../core/rules/decide';
import { type Instruction, instruct } from '../../../core/progress/instruct';
import type { JobState } from '../../../core/log/state';
import { benchTime } from '../../job/clock';
import { lastTick, watchTicks } from '../../job/ticker';

/** Everything of an instruction that is seen or done by it; its step is the route's own object. */
const same = (instruction: Instruction, b: Instruction): boolean =>
  ('step' in instruction ? instruction.step : undefined) === ('step' in b ? b.step : undefined) &&
  JSON.stringify({ ...instruction, step: 0 }) === JSON.stringify({ ...b, step: 0 });

/**
 * The instruction as it stands now. The clock enters here: a wait that ends changes the instruction without any event.
 * It is asked every second, and the screen hears of it only when the answer is another one.
 * @param firstAt the server's time of the page, for the first picture, ms since 1970
 */
export function useInstruction(context: Context, state: JobState, firstAt: number): Instruction {
  const read = useMemo(() => {
    let known: Instruction | undefined;
    let tick = -1;
    return () => {
      if (lastTick() !== tick) {
        tick = lastTick();
        const next = instruct(context, state, tick ? benchTime() : { at: firstAt, clockKnown: true });
        if (!known || !same(known, next)) known = next;
      }
      return known!;
    };
  }, [context, state, firstAt]);
  // as the server has drawn it, while the page wakes up
  const first = useMemo(() => {
    let known: Instruction | undefined;
    return () => (known ??= instruct(context, state, { at: firstAt, clockKnown: true }));
  }, [context, state, firstAt]);
  return useSyncExternalStore(watchTicks, read, first);
}
