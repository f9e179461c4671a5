import { randomUUID } from 'node:crypto';
import { redirect } from 'react-router';
import { requirePerson } from '../../context';
import type { Route } from './+types/new';

/** A new device gets a draft of its own; its id becomes the job's. */
export function loader({ request, context }: Route.LoaderArgs) {
  requirePerson(context, request);
  throw redirect(`/receive/${randomUUID()}`);
}
/** Without asking the server: it may be away. */
export const clientLoader = () => redirect(`/receive/${crypto.randomUUID()}`);
