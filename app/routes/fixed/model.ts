import { fixedModel } from '../../../server/use-cases/fixed';
import { fixedJson, requirePersonForData } from '../../context';
import type { Route } from './+types/model';

/** One variant of a model, with its mat: never another one under this address. */
export async function loader({ params, context }: Route.LoaderArgs) {
  return fixedJson(await fixedModel(requirePersonForData(context), params.hash, params.variant));
}
