import type { Shake } from '../../../../core/signals/shake';

type Asks = { requestPermission?: () => Promise<string> };
/** Some browsers give motion only when asked at a press. */
export async function mayFeel(): Promise<boolean> {
  if (typeof DeviceMotionEvent === 'undefined') return false;
  const ask = (DeviceMotionEvent as unknown as Asks).requestPermission;
  if (!ask) return true;
  return (await ask().catch(() => 'denied')) === 'granted';
}
/**
 * What the accelerometer feels for a while; empty where there is none.
 * @param until ends it before that
 * @param onSample told of all so far, now and then
 */
export function feel(
  ms: number,
  until?: Promise<void>,
  onSample?: (samples: readonly Shake[]) => void,
): Promise<Shake[]> {
  const samples: Shake[] = [];
  const take = (e: DeviceMotionEvent) => {
    const a = e.accelerationIncludingGravity;
    if (a && a.x !== null && a.y !== null && a.z !== null)
      samples.push({ t: e.timeStamp, x: a.x, y: a.y, z: a.z });
    if (samples.length % 20 === 0) onSample?.(samples);
  };
  window.addEventListener('devicemotion', take);
  const over = new Promise<void>((resolve) => setTimeout(resolve, ms));
  return Promise.race([over, ...(until ? [until] : [])]).then(() => {
    window.removeEventListener('devicemotion', take);
    return samples;
  });
}
type Turns = DeviceOrientationEvent & { webkitCompassHeading?: number };
/** What the compass says until `stop` is called, degrees; empty where there is none. */
export function headings(): { stop: () => number[] } {
  const seen: number[] = [];
  const take = (e: Event) => {
    const { absolute, alpha, webkitCompassHeading } = e as Turns;
    if (webkitCompassHeading !== undefined) seen.push(webkitCompassHeading);
    // without north it is only how far it was turned since the page began
    else if (absolute && alpha !== null) seen.push(360 - alpha);
  };
  const names = ['deviceorientationabsolute', 'deviceorientation'];
  for (const name of names) window.addEventListener(name, take);
  return {
    stop: () => {
      for (const name of names) window.removeEventListener(name, take);
      return seen;
    },
  };
}
/** Fewer samples than these say nothing. */
export const leastSamples = 16;
