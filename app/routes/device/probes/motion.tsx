import { useState } from 'react';
import { atRest } from '../../../../core/signals/shake';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps } from '../taken';
import { Press } from './press';
import { feel, leastSamples, mayFeel } from './sensor';

/** At rest gravity is as it is everywhere; turned over it comes from the other side. */
export function Motion({ onTaken, onCannot }: ProbeProps) {
  const [phase, setPhase] = useState<'lay' | 'rest' | 'turn'>('lay');
  const run = async () => {
    setPhase('rest');
    const rest = (await mayFeel()) ? await feel(1200) : [];
    if (rest.length < leastSamples) {
      onCannot();
      return;
    }
    setPhase('turn');
    const turning = await feel(3000);
    const first = rest[0]!;
    const turned = Math.max(
      ...turning.map((s) => Math.hypot(s.x - first.x, s.y - first.y, s.z - first.z)),
      0,
    );
    onTaken({ kind: 'motion', ...atRest(rest), turned });
  };
  return (
    <Press
      title={phase === 'turn' ? wording.turnOver : wording.layDown}
      busy={phase !== 'lay'}
      onPress={() => void run()}
    />
  );
}
