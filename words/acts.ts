import type { IndexedModel } from '../core/model/index-model';
import type { Act } from '../core/vocabulary/steps';
import { thingName, thingOf } from './things';

/** What the button says of an act. */
export function actDone(act: Act, target: string): string {
  if (target.endsWith(':start'))
    return {
      press: 'It is in the press',
      cure: 'It is setting',
      'leak test': 'It is in the chamber',
      laser: 'The enclosure is shut, the laser runs',
    }[act as 'press'];
  if (target.endsWith(':end'))
    return {
      press: 'Out of the press',
      cure: 'It has set',
      'leak test': 'It holds',
      laser: 'The pass is over',
    }[act as 'press'];
  return {
    'switch off': 'It is off',
    look: 'Picture and touch seen',
    outfit: 'It is complete, by the list',
    prepare: 'It is covered',
    gap: 'There is a gap',
    part: 'This part is open',
    craze: 'Its surface is crazed',
    align: 'The lines lie on the part',
    laser: '',
    'break glass': 'The glass is off',
    brush: 'It is clean',
    crumbs: 'No crumb is left',
    'test part': 'The new part works',
    compare: 'Compared',
    inspect: 'Looked at',
    work: 'Done there',
    rework: 'Reworked',
    'move chip': 'The chip is over',
    press: '',
    cure: '',
    'leak test': '',
    recharge: 'It shows more than 20 %',
    calibrate: 'Calibrated',
  }[act];
}
/** One act in words, for the log. */
export function actText(index: IndexedModel, act: Act, target: string): string {
  const about = thingName(index, thingOf(target));
  const what: Record<Act, string> = {
    'switch off': 'switched off',
    look: 'picture and touch looked at before switching off',
    outfit: `new ${about} fitted out`,
    prepare: 'broken glass covered',
    gap: 'first gap made',
    part: `part ${target.split(':')[1]} of the ${about} opened`,
    craze: 'glass round the cameras crazed',
    align: 'laser set to the part',
    laser: `laser, pass ${target.split(':')[1]}`,
    'break glass': 'glass broken and lifted',
    brush: 'brushed clean',
    crumbs: 'crumbs looked for: none left',
    'test part': `new ${about} tried on its plugs`,
    compare: `old and new ${about} compared`,
    inspect: `looked at the ${about}`,
    work: `worked at the ${about}`,
    rework: `${about} reworked`,
    'move chip': `identity chip moved to the new ${about}`,
    press: target.startsWith('closed')
      ? 'press, closed device'
      : target.startsWith('frame')
        ? 'press, seal on the frame'
        : `press, ${about}`,
    cure: `${about} setting`,
    'leak test': 'leak test',
    recharge: 'charged for the calibration',
    calibrate: 'maker’s calibration run',
  };
  return what[act] + (target.endsWith(':start') ? ': started' : target.endsWith(':end') ? ': ended' : '');
}
