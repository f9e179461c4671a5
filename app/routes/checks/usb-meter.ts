import { usbMeter } from '../../../server/use-cases/usb-meter';
import { jsonBody, requirePersonForData, requireSameOrigin } from '../../context';
import type { Route } from './+types/usb-meter';

/** Reads the USB meter of the bench. */
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePersonForData(context);
  requireSameOrigin(request);
  return Response.json(await usbMeter(who, await jsonBody(request)));
}
