import { standardGravity } from '../signals/shake';
import { touchMap } from '../signals/touch';
import type { Figures, Measured, MeasuredKind, WhyNot } from '../log/measured';
import type { FunctionId } from '../vocabulary/trade';
import type { Taken } from './taken';

/** How a device measures each function by itself in its browser; the others are answered by whoever holds it. */
export const measuredBy: Partial<Record<FunctionId, MeasuredKind>> = {
  power: 'started',
  touch: 'touch',
  picture: 'picture',
  loudspeaker: 'sound',
  'ear-speaker': 'sound',
  microphones: 'microphones',
  cameras: 'cameras',
  'front-camera': 'cameras',
  vibration: 'vibration',
  motion: 'motion',
  charging: 'charging',
  battery: 'battery',
};
/** The order in which failure is cheapest to learn: what makes all else pointless first, what needs both hands and the settings last. */
export const cheapestFirst: readonly FunctionId[] = [
  'power',
  'picture',
  'touch',
  'motion',
  'vibration',
  'microphones',
  'ear-speaker',
  'loudspeaker',
  'cameras',
  'front-camera',
  'battery',
  'charging',
  'keys',
  'proximity',
  'ambient',
  'pressure',
  'radios',
  'wireless',
  'finger',
  'face',
  'notice',
];

/** What a measurement comes to: its figures, and whether the function works by them. */
export type Verdict = Pick<Measured, 'figures' | 'verdict' | 'because'>;
const works = (figures: Figures): Verdict => ({ verdict: 'works', figures });
const fails = (because: WhyNot, figures: Figures): Verdict => ({ verdict: 'fails', because, figures });
const unclear = (because: WhyNot, figures: Figures): Verdict => ({ verdict: 'unclear', because, figures });
const round = (x: number, digits = 1) => Math.round(x * 10 ** digits) / 10 ** digits;

/** Jumps of a wet finger that are let pass; ghosts are none. */
const jumpsLet = 2;
/** A tone that lies less than this over the hall is not judged, dB; a hall louder than this is why, dBFS. */
const overHallDb = 10;
const loudHallDbfs = -45;
/** Quieter than before by this is a failure; by this it is said, dB (our own limits). */
const failsByDb = 10;
/** More than this share of harmonics in a single tone is heard as a rattle, percent (our own limit; small loudspeakers reach 10 at full level, from memory). */
const rattlePercent = 30;
/** No microphone is quieter than this when it hears a tone, dBFS. */
const silentDbfs = -75;
/** A weight that turns shakes the phone by at least this over rest, m/s2 RMS; less than half of what it did before is weak. */
const leastShake = 0.3;
/** How far gravity may be off in a phone's sensor, m/s2 (some five percent, from memory). */
const gravityOff = 0.5;
/** Sharpness below this part of what it was before is a failure. */
const blurred = 0.6;

/**
 * What a device's measurement says of a function.
 * @param before the same function's figures on arrival, where it was measured then
 */
export function verdictOf(taken: Taken, before?: Figures): Verdict {
  switch (taken.kind) {
    case 'started':
      return works({});
    case 'touch':
      return touchVerdict(taken);
    case 'picture': {
      const figures = { marks: taken.marks.length };
      return taken.marks.length ? fails('marks', figures) : works(figures);
    }
    case 'sound':
      return soundVerdict(taken, before);
    case 'microphones':
      return microphonesVerdict(taken);
    case 'cameras':
      return camerasVerdict(taken, before);
    case 'vibration': {
      const { rms, restRms, hz } = taken;
      const figures = { shake: round(rms, 2), ...(hz === undefined ? {} : { hz: round(hz) }) };
      if (rms < restRms + leastShake) return fails('still', figures);
      return before?.shake !== undefined && rms < before.shake / 2 ? fails('weak', figures) : works(figures);
    }
    case 'motion': {
      const figures = { gravity: round(taken.g, 2), turned: round(taken.turned, 2) };
      if (Math.abs(taken.g - standardGravity) > gravityOff) return fails('gravity', figures);
      return taken.turned < gravityOff ? unclear('not turned', figures) : works(figures);
    }
    case 'charging':
      return taken.charging ? works({ charging: 1 }) : unclear('no current', { charging: 0 });
    case 'battery':
      return works({ percent: round(taken.percent) });
  }
}
type Of<K extends MeasuredKind> = Extract<Taken, { kind: K }>;

function touchVerdict({ strokes, widthMm, heightMm, ghosts, fingers }: Of<'touch'>): Verdict {
  const { share, dead, jumps } = touchMap(strokes, widthMm, heightMm);
  // where the finger was and nothing answered, before where it never was
  const worst = dead.find((d) => d.crossed > 0) ?? dead[0];
  const figures = {
    percent: round(share * 100),
    dead: dead.length,
    jumps,
    ghosts,
    fingers,
    ...(worst
      ? {
          deadX: Math.round(worst.x),
          deadY: Math.round(worst.y),
          deadW: Math.round(worst.w),
          deadH: Math.round(worst.h),
        }
      : {}),
  };
  // where strokes broke off at it the finger was there; where none did, it may never have been
  if (dead.some((d) => d.crossed > 0)) return fails('dead', figures);
  if (ghosts) return fails('ghosts', figures);
  if (jumps > jumpsLet) return fails('jumps', figures);
  return dead.length ? unclear('not wiped', figures) : works(figures);
}
/** Levels below 300 Hz, up to 2 kHz and above, dBFS: bass, voice, treble. */
function groups(bands: Of<'sound'>['bands']): { low: number; mid: number; high: number } {
  const level = (from: number, to: number) => {
    const sum = bands
      .filter((b) => b.centreHz >= from && b.centreHz < to)
      .reduce((s, b) => s + 10 ** (b.levelDbfs / 10), 0);
    return round(10 * Math.log10(Math.max(sum, 1e-20)));
  };
  return { low: level(0, 300), mid: level(300, 2000), high: level(2000, 20_001) };
}
function soundVerdict(taken: Of<'sound'>, before?: Figures): Verdict {
  const { levelDbfs, floorDbfs, thdPercent, bands } = taken;
  const figures = {
    level: round(levelDbfs),
    floor: round(floorDbfs),
    distortion: round(thdPercent),
    ...groups(bands),
  };
  if (levelDbfs - floorDbfs < overHallDb)
    return floorDbfs > loudHallDbfs ? unclear('loud hall', figures) : fails('silent', figures);
  if (thdPercent > rattlePercent) return fails('rattle', figures);
  if (before?.level !== undefined && before.level - levelDbfs >= failsByDb) return fails('quieter', figures);
  return works(figures);
}
function microphonesVerdict({ inputs }: Of<'microphones'>): Verdict {
  const heard = inputs.filter((i) => i.levelDbfs > silentDbfs && i.levelDbfs - i.floorDbfs >= overHallDb);
  const figures = {
    inputs: inputs.length,
    heard: heard.length,
    ...(inputs.length ? { level: round(Math.min(...inputs.map((i) => i.levelDbfs))) } : {}),
  };
  if (!inputs.length) return unclear('none listed', figures);
  return heard.length === inputs.length ? works(figures) : fails('silent', figures);
}
function camerasVerdict({ each }: Of<'cameras'>, before?: Figures): Verdict {
  const figures = {
    cameras: each.length,
    ...(each.length
      ? {
          sharpness: round(Math.min(...each.map((c) => c.sharpness)), 3),
          spots: each.reduce((n, c) => n + c.spots, 0),
          cast: round(Math.max(...each.map((c) => c.cast)), 2),
          frames: round(Math.min(...each.map((c) => c.framesS))),
        }
      : {}),
  };
  if (!each.length) return unclear('none listed', figures);
  if (each.some((c) => c.brightness < 0.02)) return fails('dark', figures);
  if ((figures.spots ?? 0) > (before?.spots ?? 0)) return fails('spots', figures);
  if (before?.cameras !== undefined && each.length < before.cameras) return fails('one less', figures);
  if (before?.sharpness === undefined) return unclear('by eye', figures);
  return figures.sharpness! < blurred * before.sharpness ? fails('blurred', figures) : works(figures);
}

/** What changed since the figures on arrival, and by how much; what is within the spread of measuring is left out. */
export interface Change {
  what:
    | 'level'
    | 'low'
    | 'mid'
    | 'high'
    | 'dead'
    | 'percent'
    | 'shake'
    | 'sharpness'
    | 'spots'
    | 'distortion';
  from: number;
  to: number;
}
/** A change of less than this is not one: dB, percent points, shares (our own limits). */
const least: Record<Change['what'], { by: number; share?: true }> = {
  level: { by: 3 },
  low: { by: 4 },
  mid: { by: 4 },
  high: { by: 4 },
  dead: { by: 1 },
  percent: { by: 1.5 },
  shake: { by: 0.3, share: true },
  sharpness: { by: 0.25, share: true },
  spots: { by: 1 },
  distortion: { by: 8 },
};
/** What differs between two measurements of one function. Where all of a sound is quieter its parts are not told apart. */
export function changesOf(before: Figures, now: Figures): Change[] {
  const out = (Object.keys(least) as Change['what'][]).flatMap((what) => {
    const [from, to] = [before[what], now[what]];
    if (from === undefined || to === undefined) return [];
    const { by, share } = least[what];
    return Math.abs(to - from) >= (share ? by * Math.abs(from) : by) ? [{ what, from, to }] : [];
  });
  const parts = new Set(['low', 'mid', 'high']);
  const moved = out.filter((c) => parts.has(c.what));
  return moved.length === 3 ? out.filter((c) => !parts.has(c.what)) : out;
}
