import type { DeviceModel } from '../model/schema';

/** What of any phone is checked before it is opened. */
const shortList: DeviceModel['shortList'] = [
  'power',
  'picture',
  'touch',
  'cameras',
  'front-camera',
  'loudspeaker',
  'ear-speaker',
  'microphones',
  'vibration',
  'keys',
  'charging',
  'radios',
];
export interface Outline {
  id: string;
  maker: string;
  name: string;
  widthMm: number;
  heightMm: number;
  thicknessMm: number;
}
/** A device of which nothing is known but its size: what a first teardown is recorded on. Lengths in mm. */
export const blankModel = ({ id, maker, name, ...size }: Outline): DeviceModel => ({
  format: 'snavek.model',
  version: 1,
  ...{ id, maker, name },
  generation: 1,
  // round corners are taken as a tenth of the width, about what phones have
  outline: { ...size, cornerMm: Math.round(size.widthMm) / 10 },
  ...{ hinge: 'none', openMaxDeg: 90, pickDepthMm: 3 },
  ...{ slots: [], fasteners: [], connectors: [], bonds: [], catches: [] },
  ...{ noGo: [], pairing: [], programming: [], bootRules: [], items: [], tools: [], stations: [] },
  shortList,
  variants: [
    {
      id: 'standard',
      name: 'standard',
      remove: [],
      add: { slots: [], fasteners: [], connectors: [], bonds: [], catches: [] },
      replace: { slots: [], fasteners: [], connectors: [], bonds: [], catches: [] },
    },
  ],
});
/** A device that is much like a known one: all of that, in an outline of its own. Lengths in mm. */
export const sisterModel = (sister: DeviceModel, { id, maker, name, ...size }: Outline): DeviceModel => ({
  ...sister,
  ...{ id, maker, name },
  outline: { ...sister.outline, ...size },
});
/** Whether a model is one that is still to be recorded. */
export const isBlank = (model: DeviceModel): boolean => model.slots.length === 0;
