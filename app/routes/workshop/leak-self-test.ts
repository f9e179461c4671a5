import type { LeakLine } from '../../../core/wire/leak-test';
import { leakSelfTest } from '../../../server/use-cases/leak-test';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import { toldLines } from '../work/told-lines';
import type { Route } from './+types/leak-self-test';

/** Has the leak tester find its reference leak, and says how it goes. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const ask = await jsonBody(request);
  return toldLines<LeakLine>(
    (say) => leakSelfTest(who, ask, say),
    (said) => ({ say: 'failed', fault: 'stopped', said }),
  );
}
