/** A tax on prices: value added, sales, goods and services. */
export interface Tax {
  /** As it stands on paper, `VAT`. */
  name: string;
  /** Per cent of the price without it, 0 to 50. */
  percent: number;
  /** The workshop's own prices (an hour of hands, the stock) have it in them; else an offer adds it. */
  included: boolean;
}
/** What the workshop's own prices are multiplied by to be what an owner pays. */
export const payFactor = (tax: Tax | undefined): number => (tax && !tax.included ? 1 + tax.percent / 100 : 1);
/** The tax within an amount that an owner pays, minor units, rounded. */
export const taxWithin = (payMinor: number, percent: number): number =>
  Math.round((payMinor * percent) / (100 + percent));
/** Rounds to a multiple of a step, half up: 5 minor units where the smallest coin is five, 100 for whole units. */
export const roundTo = (minor: number, step = 1): number => Math.round(minor / step) * step;
