import { useLayoutEffect, useRef } from 'react';
import type { Instruction } from '../../../core/progress/instruct';

/** After somebody else's event, so long nothing is done by a press: its target is to be seen first, ms. */
const deadMs = 700;

/**
 * The instruction that a press answers: the one that is on the screen. After another bench's event has changed it, there is
 * none until it could have been read.
 * @param foreign counts up with every event of somebody else
 */
export function usePainted(now: Instruction, foreign: number): () => Instruction | undefined {
  const step = 'step' in now ? now.step.id : '';
  const painted = `${now.kind} ${step} ${'target' in now ? now.target : ''}`;
  const shown = useRef({ now, painted, foreign: 0, deadUntil: 0 });
  useLayoutEffect(() => {
    const s = shown.current;
    const dead = s.painted !== painted && s.foreign !== foreign;
    shown.current = {
      now,
      painted,
      foreign,
      deadUntil: dead ? performance.now() + deadMs : s.deadUntil,
    };
  });
  return () => (performance.now() < shown.current.deadUntil ? undefined : shown.current.now);
}
