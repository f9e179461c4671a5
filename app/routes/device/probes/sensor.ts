import type { Shake } from '../../../../core/signals/shake';

type Asks = { requestPermission?: () => Promise<string> };
/** Some browsers give motion only when asked at a press. */
export async function mayFeel(): Promise<boolean> {
  if (typeof DeviceMotionEvent === 'undefined') return false;
  const ask = (DeviceMotionEvent as unknown as Asks).requestPermission;
  if (!ask) return true;
  return (await ask().catch(() => 'denied')) === 'granted';
}
/** What the accelerometer feels for a while; empty where there is none. */
export function feel(ms: number): Promise<Shake[]> {
  const samples: Shake[] = [];
  const take = (e: DeviceMotionEvent) => {
    const a = e.accelerationIncludingGravity;
    if (a && a.x !== null && a.y !== null && a.z !== null)
      samples.push({ t: e.timeStamp, x: a.x, y: a.y, z: a.z });
  };
  window.addEventListener('devicemotion', take);
  return new Promise((resolve) =>
    setTimeout(() => {
      window.removeEventListener('devicemotion', take);
      resolve(samples);
    }, ms),
  );
}
/** Fewer samples than these say nothing. */
export const leastSamples = 16;
