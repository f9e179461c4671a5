import type { AdviceGiven } from '../../core/quote/advice';
import { percent } from './fault';
import { money } from './time';

export const adviceName = {
  repair: 'Repair',
  'repair partly': 'Repair a part of it',
  replace: 'Replace the phone',
  decline: 'Decline',
} as const;
/** The reason for an advice, with its figures. */
export function adviceText(a: AdviceGiven, currency: string): string {
  const cost = money(a.figures.cost, currency);
  const against = a.figures.against === undefined ? '' : money(a.figures.against, currency);
  switch (a.because) {
    case 'dearer than another phone':
      return `On average ${cost}; another phone costs ${against}.`;
    case 'near the price of another phone':
      return `On average ${cost}, more than six tenths of another phone’s ${against}.`;
    case 'dearer than another offer':
      return `On average ${cost}; elsewhere it is offered for ${against}.`;
    case 'over the limit, part of it fits':
      return `The whole is likely to pass the owner’s ${against}; this part costs ${cost} and stays within it with ${percent(a.figures.chance ?? 0)}.`;
    case 'over the limit':
      return `On average ${cost}; it stays within ${against} with ${percent(a.figures.chance ?? 0)} only.`;
    case 'within the limit':
      return `On average ${cost}; it stays within ${against} with ${percent(a.figures.chance ?? 0)}.`;
    case 'cheaper than another phone':
      return `On average ${cost}; another phone costs ${against}.`;
    case 'nothing to compare':
      return `On average ${cost}. Give the owner’s limit or the price of another phone to compare with.`;
  }
}
