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
  radios: 'radios',
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
/** Less than this between the ends of what moves, or shines, or enlarges, is nothing (our own limits). */
const leastTravel = 1.1;
const leastLight = 1.03;
const leastZoom = 1.2;
/** A compass that turned less than this while the phone went round does not turn with it, degrees. */
const leastHeading = 90;

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
    case 'motion':
      return motionVerdict(taken);
    case 'charging':
      return taken.charging ? works({ charging: 1 }) : unclear('no current', { charging: 0 });
    case 'battery':
      return works({ percent: round(taken.percent) });
    case 'radios':
      // that one of them carries says nothing of the others
      return unclear('rest by hand', {
        online: Number(taken.online),
        ...(taken.positionM === undefined ? {} : { position: Math.round(taken.positionM) }),
      });
  }
}
/** Those of some figures that were taken, rounded. */
const rounded = <K extends string>(
  from: { [k in K]?: number | undefined },
  names: readonly K[],
  digits: number,
): Partial<Record<K, number>> =>
  Object.fromEntries(
    names.flatMap((name) => (from[name] === undefined ? [] : [[name, round(from[name], digits)]])),
  ) as Partial<Record<K, number>>;
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
function soundVerdict(sound: Of<'sound'>, before?: Figures): Verdict {
  const { levelDbfs, floorDbfs, thdPercent, bands, sides } = sound;
  const figures = {
    level: round(levelDbfs),
    floor: round(floorDbfs),
    distortion: round(thdPercent),
    ...groups(bands),
    ...rounded(sides ?? {}, ['left', 'right'], 1),
  };
  if (levelDbfs - floorDbfs < overHallDb)
    return floorDbfs > loudHallDbfs ? unclear('loud hall', figures) : fails('silent', figures);
  if (thdPercent > rattlePercent) return fails('rattle', figures);
  if (before?.level !== undefined && before.level - levelDbfs >= failsByDb) return fails('quieter', figures);
  if (
    (['left', 'right'] as const).some((side) => (before?.[side] ?? -1e6) - (figures[side] ?? 0) >= failsByDb)
  )
    return fails('one side', figures);
  return works(figures);
}
function microphonesVerdict({ inputs, together }: Of<'microphones'>): Verdict {
  const heard = inputs.filter((i) => i.levelDbfs > silentDbfs && i.levelDbfs - i.floorDbfs >= overHallDb);
  const figures = {
    inputs: inputs.length,
    heard: heard.length,
    ...(inputs.length ? { level: round(Math.min(...inputs.map((i) => i.levelDbfs))) } : {}),
    ...rounded({ together }, ['together'], 0),
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
          ...rounded(
            leastOf(each, ['far', 'travel', 'light', 'zoom']),
            ['far', 'travel', 'light', 'zoom'],
            2,
          ),
          ...rounded(mostOf(each, 'shaken'), ['shaken'], 3),
        }
      : {}),
  };
  if (!each.length) return unclear('none listed', figures);
  if (each.some((c) => c.brightness < 0.02)) return fails('dark', figures);
  if ((figures.spots ?? 0) > (before?.spots ?? 0)) return fails('spots', figures);
  if (before?.cameras !== undefined && each.length < before.cameras) return fails('one less', figures);
  const isLess = (name: 'sharpness' | 'far') => (figures[name] ?? 1e6) < blurred * (before?.[name] ?? 0);
  if (isLess('sharpness') || isLess('far')) return fails('blurred', figures);
  // what a browser says of these is not the same in all: a person looks
  if ((figures.travel ?? leastTravel) < leastTravel) return unclear('no focus', figures);
  if ((figures.light ?? leastLight) < leastLight) return unclear('no light', figures);
  if ((figures.zoom ?? leastZoom) < leastZoom) return unclear('no zoom', figures);
  return before?.sharpness === undefined ? unclear('by eye', figures) : works(figures);
}
type OneCamera = Of<'cameras'>['each'][number];
type Extra = 'far' | 'travel' | 'light' | 'zoom';
/** Of several cameras the least of each figure that any of them gave. */
const leastOf = (each: readonly OneCamera[], names: readonly Extra[]): Partial<Record<Extra, number>> =>
  Object.fromEntries(
    names.flatMap((name) => {
      const all = each.flatMap((c) => c[name] ?? []);
      return all.length ? [[name, Math.min(...all)]] : [];
    }),
  );
const mostOf = (each: readonly OneCamera[], name: 'shaken'): { shaken?: number } => {
  const all = each.flatMap((c) => c[name] ?? []);
  return all.length ? { [name]: Math.max(...all) } : {};
};
function motionVerdict({ g, turned, faces, offset, heading }: Of<'motion'>): Verdict {
  const figures = {
    gravity: round(g, 2),
    turned: round(turned, 2),
    ...rounded({ faces, heading }, ['faces', 'heading'], 0),
    ...rounded({ offset }, ['offset'], 2),
  };
  if (Math.abs(g - standardGravity) > gravityOff) return fails('gravity', figures);
  // a zero can only be told from faces that lie opposite
  if ((offset ?? 0) > gravityOff) return fails('offset', figures);
  if (turned < gravityOff) return unclear('not turned', figures);
  return (heading ?? leastHeading) < leastHeading ? unclear('no compass', figures) : works(figures);
}

/** What changed since the figures on arrival, and by how much; what is within the spread of measuring is left out. */
export interface Change {
  what:
    | 'level'
    | 'low'
    | 'mid'
    | 'high'
    | 'left'
    | 'right'
    | 'dead'
    | 'percent'
    | 'shake'
    | 'sharpness'
    | 'spots'
    | 'distortion'
    | 'far'
    | 'travel'
    | 'offset'
    | 'together';
  from: number;
  to: number;
}
/** A change of less than this is not one: dB, percent points, shares (our own limits). */
const least: Record<Change['what'], { by: number; share?: true }> = {
  level: { by: 3 },
  low: { by: 4 },
  mid: { by: 4 },
  high: { by: 4 },
  left: { by: 4 },
  right: { by: 4 },
  dead: { by: 1 },
  percent: { by: 1.5 },
  shake: { by: 0.3, share: true },
  sharpness: { by: 0.25, share: true },
  spots: { by: 1 },
  distortion: { by: 8 },
  far: { by: 0.25, share: true },
  travel: { by: 0.25, share: true },
  offset: { by: 0.3 },
  together: { by: 1 },
};
/** What differs between two measurements of one function. Where all of a sound is quieter its parts are not told apart. */
export function changesOf(before: Figures, now: Figures): Change[] {
  const out = (Object.keys(least) as Change['what'][]).flatMap((what) => {
    const [from, to] = [before[what], now[what]];
    if (from === undefined || to === undefined) return [];
    const { by, share } = least[what];
    return Math.abs(to - from) >= (share ? by * Math.abs(from) : by) ? [{ what, from, to }] : [];
  });
  const without = (list: Change[], parts: readonly string[]) =>
    list.filter((c) => parts.includes(c.what)).length === parts.length
      ? list.filter((c) => !parts.includes(c.what))
      : list;
  return without(without(out, ['low', 'mid', 'high']), ['left', 'right']);
}
