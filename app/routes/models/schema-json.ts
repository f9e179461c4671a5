import { modelSchema } from '../../../server/use-cases/library';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/schema-json';

/** The JSON Schema of a model file. */
export function loader({ context }: Route.LoaderArgs) {
  requirePersonForData(context);
  return Response.json(modelSchema(), { headers: { 'Content-Type': 'application/schema+json' } });
}
