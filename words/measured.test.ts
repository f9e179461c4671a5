import { describe, expect, test } from 'vitest';
import { verdictOf } from '../core/checks/measure';
import { takenSchema } from '../core/checks/taken';
import { indexed, mica9 } from '../core/testing/demo-models';
import { changeText, figuresText, usualText, whyText } from './measured';
import { suspectName, tryText } from './suspects';
import { thingName } from './things';

describe('what a phone measured, in words', () => {
  test('has its unit and a true minus', () => {
    expect(figuresText({ kind: 'sound', figures: { level: -21.4 } })).toBe('−21.4 dBFS');
    expect(figuresText({ kind: 'touch', figures: { percent: 95.6 } })).toBe('95.6 % answers');
    expect(figuresText({ kind: 'microphones', figures: { inputs: 3, heard: 2 } })).toBe('2 of 3 hear');
    expect(figuresText({ kind: 'cameras', figures: { cameras: 1, sharpness: 0.82, spots: 0 } })).toBe(
      '1 camera, sharp 0.82',
    );
    expect(figuresText({ kind: 'vibration', figures: { shake: 2.1 } })).toBe('2.1 m/s²');
    expect(figuresText({ kind: 'charging', figures: { charging: 0 } })).toBe('no current');
  });
  test('says where a stretch is dead, and what would help where nothing can be said', () => {
    expect(whyText('dead', { deadX: 41, deadY: 30, deadW: 6, deadH: 52 })).toBe(
      'a stretch of 6 × 52 mm does not answer, 41 mm from the left and 30 mm from the top',
    );
    expect(whyText('loud hall', { floor: -20 })).toContain('again when it is quieter');
    expect(whyText('ghosts', { ghosts: 1 })).toBe('1 touch while nobody touched');
  });
  test('says by how much it changed, and which way', () => {
    expect(changeText({ what: 'level', from: -14.8, to: -19.9 })).toBe('5.1 dB quieter');
    expect(changeText({ what: 'high', from: -20, to: -29 })).toBe(
      '9 dB quieter above 2 kHz: mesh or seating',
    );
    expect(changeText({ what: 'high', from: -29, to: -20 })).toBe('9 dB louder above 2 kHz');
    expect(changeText({ what: 'dead', from: 1, to: 0 })).toBe('all of it answers again');
    expect(changeText({ what: 'sharpness', from: 0.8, to: 0.4 })).toBe('sharpness 0.8 to 0.4');
  });
  test('there are words for whatever is measured', () => {
    for (const option of takenSchema.options) expect(option.shape.kind.value.length).toBeGreaterThan(2);
    expect(figuresText({ kind: 'started', ...verdictOf({ kind: 'started' }) })).toBe('opened its page');
  });
});
test('a suspect and what is tried are called by the things of the model', () => {
  const index = indexed(mica9);
  const [plug] = index.model.connectors;
  expect(suspectName(index, { kind: 'contact', thing: plug!.id })).toBe(
    `${thingName(index, plug!.id)} not home`,
  );
  expect(tryText(index, { kind: 'reseat', thing: plug!.id })).toBe(
    `Cell off, reseat the ${thingName(index, plug!.id)}, test again`,
  );
  expect(suspectName(index, { kind: 'part', thing: 'display' })).toBe('display itself defective');
  expect(suspectName(index, { kind: 'else', thing: '' })).toBe('something that was not touched');
});
test('others of the model: where eight of ten lie, how many they were, and whether this one is as they are', () => {
  const usual = {
    function: 'loudspeaker',
    kind: 'sound',
    figure: 'level',
    devices: 7,
    low: -29,
    high: -21,
  } as const;
  expect(usualText(usual, -25)).toBe(
    'as others: eight of ten between −29 dBFS and −21 dBFS, 7 devices of this model',
  );
  expect(usualText(usual, -34)).toMatch(/^not as others: /);
});
