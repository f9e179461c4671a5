import { isUsual, type Usual } from '../core/checks/elsewhere';
import type { Change } from '../core/checks/measure';
import type { Figures, Measured, WhyNot } from '../core/log/measured';
import { plural } from './things';

/** A figure with as many digits as are needed, and a true minus. */
const figure = (x: number): string => String(x).replace('-', '−');
/** What a device measured, in a few words. */
export function figuresText({ kind, figures: f }: Pick<Measured, 'kind' | 'figures'>): string {
  const parts: (string | false | undefined)[] = [
    kind === 'touch' && f.percent !== undefined && `${f.percent} % answers`,
    kind === 'picture' && (f.marks ? plural(f.marks, 'mark') : 'even'),
    kind === 'sound' && f.level !== undefined && `${figure(f.level)} dBFS`,
    f.left !== undefined && f.right !== undefined && `left ${figure(f.left)}, right ${figure(f.right)} dBFS`,
    kind === 'microphones' && f.inputs !== undefined && `${f.heard} of ${f.inputs} hear`,
    f.together !== undefined && `${f.together} at once`,
    kind === 'cameras' && f.cameras !== undefined && plural(f.cameras, 'camera'),
    kind === 'cameras' &&
      f.sharpness !== undefined &&
      `sharp ${f.sharpness}${f.far === undefined ? '' : ` near, ${f.far} far`}`,
    f.travel !== undefined && `focus moves it ×${f.travel}`,
    f.light !== undefined && `light ×${f.light}`,
    f.zoom !== undefined && `zoom ×${f.zoom}`,
    !!f.frames && `${f.frames} frames a second`,
    f.shaken !== undefined && `trembles by ${f.shaken} while it vibrates`,
    kind === 'cameras' && !!f.spots && plural(f.spots, 'spot'),
    f.shake !== undefined && `${f.shake} m/s²`,
    f.hz !== undefined && `${f.hz} Hz`,
    f.gravity !== undefined && `gravity ${f.gravity} m/s²`,
    f.faces !== undefined && `${f.faces} of 6 faces`,
    f.offset !== undefined && `zero off by ${f.offset} m/s²`,
    f.heading !== undefined && `compass went round ${f.heading}°`,
    kind === 'radios' && (f.online ? 'has a network' : 'has no network'),
    f.position !== undefined && `knows its place within ${f.position} m`,
    kind === 'battery' && f.percent !== undefined && `${f.percent} %`,
    kind === 'charging' && (f.charging ? 'charges' : 'no current'),
    kind === 'started' && 'opened its page',
  ];
  return parts.filter(Boolean).join(', ');
}
const deadText = (f: Figures): string =>
  f.deadW === undefined
    ? 'a part of it does not answer'
    : `a stretch of ${f.deadW} × ${f.deadH} mm does not answer, ${f.deadX} mm from the left and ${f.deadY} mm from the top`;
/** Why a function does not work by what was measured, or why nothing can be said and what would help. */
export function whyText(why: WhyNot, f: Figures): string {
  const texts: Record<WhyNot, string> = {
    dead: deadText(f),
    ghosts: `${plural(f.ghosts ?? 0, 'touch', 'touches')} while nobody touched`,
    jumps: `the finger jumped ${plural(f.jumps ?? 0, 'time')}`,
    'not wiped': 'not all of it was wiped: wipe what is still frosted',
    marks: `${plural(f.marks ?? 0, 'place')} marked`,
    'loud hall': `the hall is too loud to tell (${figure(f.floor ?? 0)} dBFS): again when it is quieter`,
    silent: 'nothing is heard',
    rattle: `it rattles: ${f.distortion ?? 0} % harmonics`,
    quieter: 'much quieter than before',
    'one side': 'one side is much quieter than before',
    'none listed': 'the browser lists none, or was not allowed to use it: look by hand',
    dark: 'the picture stays black',
    spots: `${plural(f.spots ?? 0, 'dark spot')} on the plain sheet`,
    'one less': 'one camera fewer than before',
    'by eye': 'nothing to compare with yet: look at it',
    blurred: 'less sharp than before',
    'no focus': 'near or far end of the focus, it is as sharp: look whether it focuses',
    'no light': 'its light makes the sheet no brighter: look whether it shines',
    'no zoom': 'its greatest zoom shows no more: look whether it zooms',
    still: 'no shaking is felt',
    weak: 'shakes less than half as much as before',
    gravity: `gravity reads ${f.gravity ?? 0} m/s² where it is 9.8`,
    'not turned': 'it was not turned over: turn it',
    offset: `its zero is off by ${f.offset ?? 0} m/s²`,
    'no compass': 'the compass did not go round with it: turn it flat on the table once more',
    'rest by hand': 'Wi-Fi, Bluetooth and mobile: you say',
    'no current': 'the browser says that no current flows',
  };
  return texts[why];
}
/** What differs from the device as it came. */
export function changeText({ what, from, to }: Change): string {
  const by = figure(Math.round(Math.abs(to - from) * 10) / 10);
  const less = to < from;
  switch (what) {
    case 'level':
      return `${by} dB ${less ? 'quieter' : 'louder'}`;
    case 'low':
    case 'mid':
    case 'high': {
      const where = { low: 'below 300 Hz', mid: 'from 300 Hz to 2 kHz', high: 'above 2 kHz' }[what];
      const guess = less && what === 'high' ? ': mesh or seating' : '';
      return `${by} dB ${less ? 'quieter' : 'louder'} ${where}${guess}`;
    }
    case 'left':
    case 'right':
      return `${what} side ${by} dB ${less ? 'quieter' : 'louder'}`;
    case 'far':
      return `sharpness far away ${from} to ${to}`;
    case 'travel':
      return `focus moves it ×${from} to ×${to}`;
    case 'offset':
      return `zero off by ${from} to ${to} m/s²`;
    case 'together':
      return `hear at once: ${from} to ${to}`;
    case 'distortion':
      return `harmonics ${from} to ${to} %`;
    case 'dead':
      return to > from ? 'a part of it no longer answers' : 'all of it answers again';
    case 'percent':
      return `${from} to ${to} % answers`;
    case 'shake':
      return `shakes ${from} to ${to} m/s²`;
    case 'sharpness':
      return `sharpness ${from} to ${to}`;
    case 'spots':
      return `spots ${from} to ${to}`;
  }
}
/** What other devices of the model measured, and whether this one is as they are. */
export function usualText(usual: Usual, value: number): string {
  const { kind, figure: name, low, high, devices } = usual;
  const at = (x: number) => figuresText({ kind, figures: { [name]: x } });
  const said = isUsual(usual, value) ? 'as others' : 'not as others';
  return `${said}: eight of ten between ${at(low)} and ${at(high)}, ${plural(devices, 'device')} of this model`;
}
