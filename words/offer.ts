import type { BodyOf, Task } from '../core/log/events';
import type { IndexedModel } from '../core/model/index-model';
import type { AdviceGiven } from '../core/quote/advice';
import { taxWithin } from '../core/quote/tax';
import { percent } from './fault';
import { taskName } from './steps';
import { cap, list, thingName } from './things';
import type { Money } from './formats';

export const adviceName = {
  repair: 'Repair',
  'repair partly': 'Repair a part of it',
  replace: 'Replace the phone',
  decline: 'Decline',
} as const;
/** The reason for an advice, with its figures. */
export function adviceText(adviceGiven: AdviceGiven, money: Money): string {
  const cost = money(adviceGiven.figures.cost);
  const against = adviceGiven.figures.against === undefined ? '' : money(adviceGiven.figures.against);
  switch (adviceGiven.because) {
    case 'dearer than another phone':
      return `On average ${cost}; another phone costs ${against}.`;
    case 'near the price of another phone':
      return `On average ${cost}, more than six tenths of another phone’s ${against}.`;
    case 'dearer than another offer':
      return `On average ${cost}; elsewhere it is offered for ${against}.`;
    case 'over the limit, part of it fits':
      return `The whole is likely to pass the owner’s ${against}; this part costs ${cost} and stays within it with ${percent(adviceGiven.figures.chance ?? 0)}.`;
    case 'over the limit':
      return `On average ${cost}; it stays within ${against} with ${percent(adviceGiven.figures.chance ?? 0)} only.`;
    case 'within the limit':
      return `On average ${cost}; it stays within ${against} with ${percent(adviceGiven.figures.chance ?? 0)}.`;
    case 'cheaper than another phone':
      return `On average ${cost}; another phone costs ${against}.`;
    case 'nothing to compare':
      return `On average ${cost}. Give the owner’s limit or the price of another phone to compare with.`;
  }
}

type Price = Pick<BodyOf<'quoted'>, 'p10Minor' | 'p90Minor' | 'limitMinor'>;
/** The price as the owner agrees to it. */
export const priceText = (price: Price | undefined, money: Money): string =>
  price
    ? `The price: most likely ${money(price.p10Minor)} to ${money(price.p90Minor)}${price.limitMinor === null ? '' : `, and not above ${money(price.limitMinor)} without asking`}.`
    : 'The price as offered.';
/** What the record says while the screen says something newer. */
export const recordedText = (price: Price, money: Money): string =>
  `In the record and on the PDF stands ${money(price.p10Minor)} to ${money(price.p90Minor)}${price.limitMinor === null ? ' without a limit' : `, limit ${money(price.limitMinor)}`}; the screen has moved on.`;
/** The tasks of a job in one sentence. */
export const tasksText = (index: IndexedModel, tasks: readonly Task[]): string =>
  cap(
    list(
      tasks.map((t) => `${taskName[t.action]} the ${thingName(index, t.slot)}`),
      3,
    ),
  );
/** The tax that is in a price, with its amount at one figure of it. */
export const taxText = (percent: number, name: string, payMinor: number, money: Money): string =>
  `${percent} % ${name} is in it: ${money(taxWithin(payMinor, percent))} of ${money(payMinor)}.`;
