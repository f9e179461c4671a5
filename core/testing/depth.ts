/** Whether this is `npm run test:long`: every case of the large searches and comparisons, before a change of the planner lands. */
export const isLong = process.env.SNAVEK_TEST_LONG === '1';

/**
 * How many cases a test goes through. The usual run takes a sample that fits into every change; the long run takes them all.
 * @param usual in `npm test`
 * @param all in `npm run test:long`
 */
export const depth = (usual: number, all: number): number => (isLong ? all : usual);

/**
 * A sample of a list in the usual run, all of it in the long one.
 * @param every of so many one is taken
 * @param salt which of them, so that several lists do not all leave out the same
 */
export const sampled = <T>(list: readonly T[], every: number, salt = 0): readonly T[] =>
  isLong ? list : list.filter((_, at) => at % every === salt % every);
