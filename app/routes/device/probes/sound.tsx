import { useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps } from '../taken';
import { closeStream, heard, levelOf, microphone, play, record } from './listening';
import { Press } from './press';

const floorMs = 700;
const sweepMs = 3000;
const toneMs = 800;
const toneHz = 1000;
const sideMs = 600;
/** Of what is recorded, the part after a loudspeaker and a microphone have begun, ms. */
const settlesMs = 150;

/** The same tone on one side alone, dBFS. */
async function sideLevel(audio: AudioContext, stream: MediaStream, side: number): Promise<number> {
  play(audio, toneHz, toneHz, sideMs, side);
  await record(audio, stream, settlesMs);
  return levelOf(await record(audio, stream, sideMs - 2 * settlesMs));
}
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
      const left = await sideLevel(audio, stream, -1);
      const right = await sideLevel(audio, stream, 1);
      onTaken({
        kind: 'sound',
        floorDbfs: floor.levelDbfs,
        floor: floor.bands,
        levelDbfs: sweep.levelDbfs,
        bands: sweep.bands,
        thdPercent: tone.thdPercent,
        sides: { left, right },
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
