import { useState } from 'react';
import { shakeOf } from '../../../../core/signals/shake';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps } from '../taken';
import { Press } from './press';
import { feel, leastSamples, mayFeel } from './sensor';

const shakesMs = 1500;
/** The motor runs, and the phone's own accelerometer feels it. */
export function Vibration({ onTaken, onCannot }: ProbeProps) {
  const [phase, setPhase] = useState<'lay' | 'rest' | 'shake'>('lay');
  const run = async () => {
    setPhase('rest');
    const rest = typeof navigator.vibrate === 'function' && (await mayFeel()) ? await feel(800) : [];
    if (rest.length < leastSamples / 2) {
      onCannot();
      return;
    }
    setPhase('shake');
    navigator.vibrate(shakesMs);
    const shaken = await feel(shakesMs);
    const { rms, hz } = shakeOf(shaken);
    onTaken({
      kind: 'vibration',
      rms,
      restRms: shakeOf(rest).rms,
      ...(hz === undefined ? {} : { hz }),
    });
  };
  return (
    <Press
      title={phase === 'shake' ? wording.feels : wording.layDown}
      busy={phase !== 'lay'}
      onPress={() => void run()}
    />
  );
}
