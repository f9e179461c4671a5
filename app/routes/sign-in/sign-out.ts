import { redirect } from 'react-router';
import { signOut } from '../../../server/use-cases/sign-in';
import { requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/sign-out';

export async function action({ request, context }: Route.ActionArgs) {
  requireSameOrigin(request);
  requirePersonForData(context);
  throw redirect('/sign-in', {
    headers: { 'Set-Cookie': await signOut(request) },
  });
}
export function loader({ context }: Route.LoaderArgs) {
  requirePersonForData(context);
  throw redirect('/');
}
