import * as wording from '../../../words/screens/receive';
import type { DraftBody } from '../../../forms/receipt-fields';
import { whyUntestable } from '../../../core/checks/untestable';
import type { FunctionId } from '../../../core/vocabulary/trade';
import { functionName } from '../../../words/functions';

export type Before = NonNullable<DraftBody['before']>;
export const beforeResults = ['works', 'fails', 'untested'] as const;
export type BeforeResult = (typeof beforeResults)[number];
const becauseOf = wording.becauseOf;

/**
 * The answers with one more. What this fault keeps from being tested is said so at once with the reason, and taken back
 * with it.
 */
export function withAnswer(
  list: readonly FunctionId[],
  before: Before,
  fn: FunctionId,
  result: BeforeResult,
): Before {
  const next: Before = { ...before, [fn]: { ...before[fn], result } };
  const bad = list.filter((f) => next[f]?.result === 'fails');
  for (const f of list) {
    const why = f === fn ? undefined : whyUntestable(f, bad);
    const auto = next[f]?.note?.startsWith(becauseOf);
    if (why && (!next[f] || auto)) next[f] = { result: 'untested', note: `${becauseOf}${functionName[why]}` };
    else if (!why && auto && f !== fn) delete next[f];
  }
  if (next[fn]?.note?.startsWith(becauseOf)) next[fn] = { result };
  return next;
}
/** All that have no answer yet work. */
export const othersWork = (list: readonly FunctionId[], before: Before): Before => ({
  ...Object.fromEntries(list.map((f) => [f, { result: 'works' as const }])),
  ...before,
});
