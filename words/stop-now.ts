import type { MustStop } from '../core/progress/running';

/** What is done at once, in big words, and what the pedal then says. */
export const stopText: Record<MustStop['what'], { title: string; how: string; done: string }> = {
  heat: {
    title: 'Take it off now',
    how: 'Off the heat source, onto something that does not burn. Plastic and gloves, nothing sharp. Smoke: leave, ventilate, do not breathe it.',
    done: 'It is off the heat',
  },
  press: {
    title: 'Out of the press now',
    how: 'Let the force off and take it out. Nothing presses on this cell again.',
    done: 'It is out of the press',
  },
  charge: {
    title: 'Unplug the charger now',
    how: 'Charger off, device onto something that does not burn. It is not charged again.',
    done: 'It is unplugged',
  },
};
