import type { ModelProblem } from '../model/check-model';
import { indexModel } from '../model/index-model';
import type { DeviceModel } from '../model/schema';
import { ofVariant } from '../model/variant';
import { waysPastLids } from './below-lids';
import { findWays } from './plan';
import { routeInput } from './route-input';

/**
 * The last of the integrity checks: in every variant there is a way to replace every slot, and back. Only whether there
 * is one is asked, not which is the cheapest. Of what was recorded no way may lead past a closed display or back.
 */
export function checkRoutes(model: DeviceModel): ModelProblem[] {
  return model.variants.flatMap((variant) => {
    const index = indexModel(ofVariant(model, variant.id));
    const { slots } = index.model;
    const said = findWays(
      index,
      slots.map((slot) =>
        routeInput({ model: model.id, variant: variant.id, tasks: [{ slot: slot.id, action: 'replace' }] }),
      ),
    );
    const closed = slots.flatMap((slot, i): ModelProblem[] =>
      said[i] === undefined
        ? []
        : [
            {
              path: `variants(${variant.id}).slots(${slot.id})`,
              text: `no way to replace it: ${said[i]}`,
            },
          ],
    );
    return [...waysPastLids(index), ...closed];
  });
}
