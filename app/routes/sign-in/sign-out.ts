import { redirect } from 'react-router';
import { closeSession } from '../../../server/auth/session';
import { requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/sign-out';

export async function action({ request, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  throw redirect('/sign-in', { headers: { 'Set-Cookie': await closeSession(requirePersonForData(context), request) } });
}
export function loader({ context }: Route.LoaderArgs) {
  requirePersonForData(context);
  throw redirect('/');
}
