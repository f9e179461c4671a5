import type { Mark } from '../../../core/log/events';

/** Drawn by us, each in a field of eight by eight. */
export const glyph: Record<Mark['kind'], string> = {
  crack: 'M-3 -2L-1 0L-2 1L1 3L0 1L3 2',
  'shattered glass': 'M-3 0H3M0 -3V3M-2 -2L2 2M2 -2L-2 2',
  'missing glass': 'M-2.6 2L0 -2.6L2.6 2Z',
  dent: 'M-3 -1.5H-1.6Q0 3 1.6 -1.5H3',
  'bent frame': 'M-3 -1Q0 3 3 -1',
  'panel standing proud': 'M-3 1.6H3M-3 -1.4L3 -2.6',
  'liquid mark': 'M0 -3Q2.6 0.4 1.6 2Q0 3.4 -1.6 2Q-2.6 0.4 0 -3Z',
  'foreign screw': 'M-2.4 0A2.4 2.4 0 1 0 2.4 0A2.4 2.4 0 1 0 -2.4 0M-1.2 -1.2L1.2 1.2M-1.2 1.2L1.2 -1.2',
  'stripped head':
    'M-2.4 0A2.4 2.4 0 1 0 2.4 0A2.4 2.4 0 1 0 -2.4 0M-0.8 0A0.8 0.8 0 1 0 0.8 0A0.8 0.8 0 1 0 -0.8 0',
  'earlier glue': 'M-3 1Q-1.5 -2 0 0T3 -1',
  'missing magnet': 'M-2 2.4V0A2 2 0 0 1 2 0V2.4M-2.8 2.4H-1.2M1.2 2.4H2.8',
  dust: 'M-2.6 -1.6L-2 -1.2M0.2 -2.6L0.9 -2.2M2 -0.4L2.6 0M-1 0.4L-0.4 0.9M-2.6 2.2L-2 2.6M1 2L1.7 2.4',
  'liquid indicator changed':
    'M-2.6 -2.6H2.6V2.6H-2.6ZM0 -1.6Q1.5 0.4 0.9 1.2Q0 1.8 -0.9 1.2Q-1.5 0.4 0 -1.6Z',
  hairline: 'M-3 2.4L-0.6 0.2L0.4 0.6L3 -2.4',
  'earlier repair': 'M-2.4 -2.4L2.4 2.4M2.4 -2.4L-2.4 2.4',
};
