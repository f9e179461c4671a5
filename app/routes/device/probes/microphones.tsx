import { useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps, Taken } from '../taken';
import { closeStream, levelOf, microphone, play, record } from './listening';
import { Press } from './press';

type Inputs = Extract<Taken, { kind: 'microphones' }>['inputs'];
/** No phone lists more. */
const most = 8;

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
      onTaken({ kind: 'microphones', inputs });
    } catch {
      onCannot();
    } finally {
      void audio.close();
    }
  };
  return <Press title={wording.eachMicrophone} busy={busy} onPress={() => void run()} />;
}
