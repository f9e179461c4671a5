import { checkModel, modelRemarks } from '../../core/model/check-model';
import { deviceModelSchema, type DeviceModel } from '../../core/model/schema';
import { checkRoutes } from '../../core/route/check-routes';
import { verb } from '../verb';

/** A model's size in figures: pieces, what holds them, and how many kinds of screw there are. */
function figures(model: DeviceModel) {
  const kinds = new Set(model.fasteners.map((f) => `${f.drive} ${f.thread} ${f.lengthMm}`));
  return {
    pieces: model.slots.length + model.fasteners.length,
    slots: model.slots.length,
    fasteners: model.fasteners.length,
    connectors: model.connectors.length,
    bonds: model.bonds.length,
    catches: model.catches.length,
    variants: model.variants.length,
    ways: model.slots.reduce((n, s) => n + s.ways.length, 0),
    drives: [...new Set(model.fasteners.map((f) => f.drive))],
    screwKinds: kinds.size,
  };
}

export const modelCheck = verb<unknown>({
  says: 'whether a device model can be used: every problem with its path',
  schema: deviceModelSchema,
  // a model that is no good is an answer, not bad input
  anyInput: true,
  run: (json) => {
    const read = checkModel(json);
    if (!read.ok)
      return { answer: { ok: false, problems: read.problems, remarks: [], figures: null }, bad: true };
    const problems = checkRoutes(read.model);
    return {
      answer: {
        ok: problems.length === 0,
        problems,
        remarks: modelRemarks(read.model),
        figures: figures(read.model),
      },
      ...(problems.length ? { bad: true as const } : {}),
    };
  },
});
