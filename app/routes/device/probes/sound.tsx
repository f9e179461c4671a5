import { useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps } from '../taken';
import { closeStream, heard, microphone, play, record } from './listening';
import { Press } from './press';

const floorMs = 700;
const sweepMs = 3000;
const toneMs = 800;
const toneHz = 1000;
/** Of what is recorded, the part after a loudspeaker and a microphone have begun, ms. */
const settlesMs = 150;

/** A loudspeaker plays a sweep and a tone, and the phone's own microphone hears it; the hall first. */
export function Sound({ check, onTaken, onCannot }: ProbeProps) {
  const [phase, setPhase] = useState<'ready' | 'floor' | 'play'>('ready');
  const run = async () => {
    setPhase('floor');
    const audio = new AudioContext();
    const stream = await microphone().catch(() => undefined);
    if (!stream) {
      void audio.close();
      onCannot();
      return;
    }
    try {
      await audio.resume();
      await record(audio, stream, settlesMs);
      const floor = heard(await record(audio, stream, floorMs), audio.sampleRate);
      setPhase('play');
      play(audio, 100, 12_000, sweepMs);
      const sweep = heard(await record(audio, stream, sweepMs), audio.sampleRate);
      play(audio, toneHz, toneHz, toneMs);
      await record(audio, stream, settlesMs);
      const tone = heard(await record(audio, stream, toneMs - 2 * settlesMs), audio.sampleRate);
      onTaken({
        kind: 'sound',
        floorDbfs: floor.levelDbfs,
        floor: floor.bands,
        levelDbfs: sweep.levelDbfs,
        bands: sweep.bands,
        thdPercent: tone.thdPercent,
      });
    } catch {
      onCannot();
    } finally {
      closeStream(stream);
      void audio.close();
    }
  };
  return (
    <Press
      title={phase === 'floor' ? wording.listen : (wording.cover[check.function] ?? wording.begin)}
      how={phase === 'ready' ? wording.coverHow : undefined}
      busy={phase !== 'ready'}
      onPress={() => void run()}
    />
  );
}
