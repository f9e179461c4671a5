import { photosOfModel } from '../../../server/use-cases/model-photos';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/list';

/** Which photographs lie under the map of a model. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return Response.json(await photosOfModel(requirePersonForData(context), params.model.slice(0, 64)));
}
