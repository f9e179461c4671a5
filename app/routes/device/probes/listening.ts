import { type BandLevel, dbfs, spectrumOf } from '../../../../core/signals/spectrum';

/** A microphone as it hears, with nothing of what calls would do to the sound. */
const raw = { echoCancellation: false, noiseSuppression: false, autoGainControl: false };
export const microphone = (deviceId?: string): Promise<MediaStream> =>
  navigator.mediaDevices.getUserMedia({
    audio: { ...raw, ...(deviceId ? { deviceId: { exact: deviceId } } : {}) },
  });
export const closeStream = (stream: MediaStream): void => {
  for (const track of stream.getTracks()) track.stop();
};

/**
 * The samples that a stream gives for a while. By the older node: it gives them in the page itself, in every browser that a
 * repaired phone may have.
 */
export function record(audio: AudioContext, stream: MediaStream, ms: number): Promise<Float32Array> {
  const source = audio.createMediaStreamSource(stream);
  const node = audio.createScriptProcessor(4096, 1, 1);
  const blocks: Float32Array[] = [];
  node.onaudioprocess = (e) => void blocks.push(new Float32Array(e.inputBuffer.getChannelData(0)));
  source.connect(node);
  node.connect(audio.destination);
  return new Promise((resolve) =>
    setTimeout(() => {
      source.disconnect();
      node.disconnect();
      const all = new Float32Array(blocks.reduce((n, b) => n + b.length, 0));
      let at = 0;
      for (const block of blocks) {
        all.set(block, at);
        at += block.length;
      }
      resolve(all);
    }, ms),
  );
}
/**
 * A tone, or a sweep whose pitch rises evenly, through the phone's own loudspeakers.
 * @param side -1 left alone, 1 right alone, 0 both
 */
export function play(audio: AudioContext, fromHz: number, toHz: number, ms: number, side = 0): void {
  const tone = audio.createOscillator();
  const level = audio.createGain();
  const begins = audio.currentTime;
  const ends = begins + ms / 1000;
  tone.frequency.setValueAtTime(fromHz, begins);
  if (toHz !== fromHz) tone.frequency.exponentialRampToValueAtTime(toHz, ends);
  level.gain.setValueAtTime(0.0001, begins);
  level.gain.exponentialRampToValueAtTime(0.8, begins + 0.02);
  level.gain.setValueAtTime(0.8, ends - 0.02);
  level.gain.exponentialRampToValueAtTime(0.0001, ends);
  tone
    .connect(level)
    .connect(new StereoPannerNode(audio, { pan: side }))
    .connect(audio.destination);
  tone.start(begins);
  tone.stop(ends);
}
/** Level of a recording, dBFS; of none, as quiet as can be written. */
export const levelOf = (samples: Float32Array): number =>
  dbfs(samples.reduce((sum, s) => sum + s * s, 0) / Math.max(1, samples.length));

export interface Heard {
  levelDbfs: number;
  thdPercent: number;
  bands: BandLevel[];
}
export const heard = (samples: Float32Array, sampleRateHz: number): Heard => {
  const { levelDbfs, thdPercent, bands } = spectrumOf(samples, sampleRateHz);
  return { levelDbfs, thdPercent, bands };
};
