import { modelFile } from '../../../server/use-cases/library';
import { requirePersonForData } from '../../context';
import type { Route } from './+types/model-file';

/** A model in its open format, docs/formats/device-model.md. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const who = requirePersonForData(context);
  const model = await modelFile(who, params.hash);
  if (!model) return Response.json({ error: 'no such model' }, { status: 404 });
  return new Response(`${JSON.stringify(model, null, 2)}\n`, {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="${model.id}.json"`,
      'Cache-Control': 'private, no-store',
    },
  });
}
