import { useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps, Taken } from '../taken';
import { closeStream, levelOf, microphone, play, record } from './listening';
import { Press } from './press';

type Inputs = Extract<Taken, { kind: 'microphones' }>['inputs'];
/** No phone lists more. */
const most = 8;

/** A microphone that hears a tone this much over nothing hears it, dBFS. */
const hearsDbfs = -75;
/** How many of two microphones hear a tone while both are open; undefined where the browser does not open two. */
async function atOnce(audio: AudioContext, two: readonly MediaDeviceInfo[]): Promise<number | undefined> {
  if (two.length < 2) return undefined;
  const streams = await Promise.all(two.map((d) => microphone(d.deviceId).catch(() => undefined)));
  const open = streams.flatMap((s) => s ?? []);
  try {
    if (open.length < 2) return undefined;
    play(audio, 1000, 1000, 800);
    const levels = await Promise.all(open.map(async (s) => levelOf(await record(audio, s, 700))));
    return levels.filter((level) => level > hearsDbfs).length;
  } finally {
    for (const stream of open) closeStream(stream);
  }
}
/** Every microphone that the browser lists hears the hall and then a tone of the phone's own. */
export function Microphones({ onTaken, onCannot }: ProbeProps) {
  const [busy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const audio = new AudioContext();
    try {
      // names and ids are listed once it has been allowed
      closeStream(await microphone());
      await audio.resume();
      const listed = (await navigator.mediaDevices.enumerateDevices()).filter((d) => d.kind === 'audioinput');
      const inputs: Inputs = [];
      for (const [k, device] of listed.slice(0, most).entries()) {
        const label = device.label.slice(0, 100) || String(k + 1);
        const stream = await microphone(device.deviceId).catch(() => undefined);
        if (!stream) {
          inputs.push({ label, levelDbfs: -200, floorDbfs: -200 });
          continue;
        }
        const floorDbfs = levelOf(await record(audio, stream, 500));
        play(audio, 1000, 1000, 800);
        const levelDbfs = levelOf(await record(audio, stream, 700));
        closeStream(stream);
        inputs.push({ label, levelDbfs, floorDbfs });
      }
      const together = await atOnce(audio, listed.slice(0, 2));
      onTaken({ kind: 'microphones', inputs, ...(together === undefined ? {} : { together }) });
    } catch {
      onCannot();
    } finally {
      void audio.close();
    }
  };
  return <Press title={wording.eachMicrophone} busy={busy} onPress={() => void run()} />;
}
