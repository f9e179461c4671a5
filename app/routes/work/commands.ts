import * as wording from '../../../words/screens/work';
import { pathText } from '../../../core/model/check-model';
import {
  isDatabaseAway,
  noteKept,
  sendCommands,
  sessionKey,
  SignedOut,
} from '../../../server/use-cases/send-commands';
import { commandsSchema } from '../../../core/wire/commands';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/commands';

/** Takes commands, one answer for each in the same order. A repeat gets the answer that it had. @throws Response */
export async function action({
  request,
  context,
}: Pick<Route.ActionArgs, 'request' | 'context'>): Promise<Response> {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  const read = commandsSchema.safeParse(await jsonBody(request, true));
  if (!read.success)
    return Response.json(
      {
        error: wording.notAListOfCommands,
        problems: read.error.issues.slice(0, 20).map((i) => ({ path: pathText(i.path), text: i.message })),
      },
      { status: 400 },
    );
  noteKept(sessionKey(request), request.headers.get('x-snavek-kept'));
  try {
    return Response.json({ answers: await sendCommands(who, read.data.commands, sessionKey(request)) });
  } catch (e) {
    if (e instanceof SignedOut) throw Response.json({ error: wording.signInFirst }, { status: 401 });
    if (isDatabaseAway(e))
      throw Response.json({ error: wording.theDatabaseCannotBeReached }, { status: 503 });
    throw e;
  }
}
