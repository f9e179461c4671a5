import { useRef, useState } from 'react';
import { atRest, facesOf, headingSwept } from '../../../../core/signals/shake';
import * as wording from '../../../../words/screens/device';
import { BigButton } from '../big-button';
import type { ProbeProps } from '../taken';
import { Press } from './press';
import { feel, headings, leastSamples, mayFeel } from './sensor';

/** Longer than this nobody turns a phone over, ms. */
const turningMs = 30_000;

/** At rest gravity is as it is everywhere; on each of six sides it comes from another; turned round, the compass goes with it. */
export function Motion({ onTaken, onCannot }: ProbeProps) {
  const [phase, setPhase] = useState<'lay' | 'rest' | 'turn'>('lay');
  const [sides, setSides] = useState(0);
  const over = useRef<() => void>(undefined);
  const run = async () => {
    setPhase('rest');
    const rest = (await mayFeel()) ? await feel(1200) : [];
    if (rest.length < leastSamples) {
      onCannot();
      return;
    }
    setPhase('turn');
    const compass = headings();
    const pressed = new Promise<void>((resolve) => {
      over.current = resolve;
    });
    const turning = await feel(turningMs, pressed, (so) => setSides(facesOf(so).faces));
    const degrees = compass.stop();
    const first = rest[0]!;
    const turned = turning.reduce(
      (most, s) => Math.max(most, Math.hypot(s.x - first.x, s.y - first.y, s.z - first.z)),
      0,
    );
    const { faces, offset } = facesOf([...rest, ...turning]);
    onTaken({
      ...{ kind: 'motion', ...atRest(rest), turned, faces },
      ...(offset === undefined ? {} : { offset }),
      // one that never moved may be none at all
      ...(degrees.length > 1 ? { heading: headingSwept(degrees) } : {}),
    });
  };
  if (phase === 'turn')
    return (
      <>
        <section className="ask" aria-live="polite">
          <h1>{wording.turnOver}</h1>
          <p>{wording.sides(sides)}</p>
        </section>
        <footer>
          <BigButton tone="go" onClick={() => over.current?.()}>
            {wording.enough} ›
          </BigButton>
        </footer>
      </>
    );
  return <Press title={wording.layDown} busy={phase !== 'lay'} onPress={() => void run()} />;
}
