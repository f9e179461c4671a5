import { contentHash } from '../model/canonical-json';
import type { ModelProblem } from '../model/check-model';
import { indexModel } from '../model/index-model';
import type { DeviceModel } from '../model/schema';
import { ofVariant } from '../model/variant';
import { planRoute } from './plan';
import { routeInput } from './route-input';

/** The last of the integrity checks: in every variant there is a way to replace every slot, and back. */
export function checkRoutes(model: DeviceModel): ModelProblem[] {
  const hash = contentHash(model);
  return model.variants.flatMap((variant) => {
    const index = indexModel(ofVariant(model, variant.id));
    return index.model.slots.flatMap((slot): ModelProblem[] => {
      const path = `variants(${variant.id}).slots(${slot.id})`;
      try {
        const r = planRoute(
          index,
          hash,
          routeInput({ model: model.id, variant: variant.id, tasks: [{ slot: slot.id, action: 'replace' }] }),
          { budget: 0 },
        );
        return 'infeasible' in r
          ? [{ path, text: `no way to replace it: ${r.because.flatMap((b) => b.ids).join(', ')}` }]
          : [];
      } catch (e) {
        if (!(e instanceof RangeError)) throw e;
        return [{ path, text: e.message }];
      }
    });
  });
}
