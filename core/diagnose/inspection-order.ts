export interface Suspect {
  id: string;
  probability: number;
  cost: number;
}

/**
 * The order of inspection with the least expected cost when exactly one thing is at fault and each is looked at in turn
 * until it is found, the last one too: descending probability over cost. What costs nothing comes first; equal ones keep
 * their order. Probabilities count relative to their sum.
 * Source: Heckerman, Breese and Rommelse, Decision-theoretic troubleshooting, CACM 38(3), 1995.
 * @throws RangeError when no suspect has a probability above 0
 */
export function inspectionOrder(suspects: readonly Suspect[]): { order: string[]; expectedCost: number } {
  const sum = suspects.reduce((s, x) => s + x.probability, 0);
  if (suspects.length && sum <= 0) throw new RangeError('no suspect has a probability above 0');
  const rate = (s: Suspect) => (s.cost === 0 ? Number.POSITIVE_INFINITY : s.probability / s.cost);
  const sorted = suspects
    .map((s, i) => ({ s, i }))
    .sort((a, b) => (rate(a.s) === rate(b.s) ? a.i - b.i : rate(b.s) - rate(a.s)))
    .map(({ s }) => s);
  let spent = 0;
  let expectedCost = 0;
  for (const suspect of sorted) {
    spent += suspect.cost;
    expectedCost += (suspect.probability / sum) * spent;
  }
  return { order: sorted.map((s) => s.id), expectedCost };
}
