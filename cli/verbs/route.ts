import { z } from 'zod';
import { taskSchema } from '../../core/log/event-schema';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel } from '../../core/model/check-model';
import { indexModel } from '../../core/model/index-model';
import { deviceModelSchema } from '../../core/model/schema';
import { conditions } from '../../core/vocabulary/trade';
import { ofVariant } from '../../core/model/variant';
import { allStations } from '../../core/methods/catalogue';
import { methodIds, methodRows, methodsOf } from '../../core/methods/methods';
import { planRoute } from '../../core/route/plan';
import { asItCame } from '../../core/steps/route';
import { cost, dangling, id, verb } from '../verb';

const ids = z.array(id).default([]);
/** What is already out; what is not said is as it came. */
const state = z.strictObject({
  fastenersOut: ids,
  connectorsOff: ids,
  bondsOpen: ids,
  bondsRenewed: ids,
  catchesFree: ids,
  moved: z.array(z.strictObject({ slot: id, pose: z.enum(['folded', 'shifted', 'out']) })).default([]),
  done: ids,
  aside: ids,
  acted: ids,
  data: z.record(z.string(), z.string()).default({}),
  rimClean: z.boolean().default(false),
  sealed: z.boolean().default(false),
  linerOff: z.boolean().default(false),
  midPassed: z.boolean().default(false),
});
const schema = z.strictObject({
  model: deviceModelSchema,
  variant: id.optional(),
  methods: z.partialRecord(z.enum(methodIds), id).optional(),
  conditions: z.array(z.enum(conditions)).default([]),
  tasks: z.array(taskSchema).min(1),
  state: state.optional(),
  hourlyRate: cost.default(6000),
  stations: z.array(id).optional(),
  force: z.record(z.string(), id).default({}),
});

export const route = verb({
  says: 'the cheapest safe way to some parts of a device, and back',
  schema,
  check: (p) => {
    const read = checkModel(p.model);
    if (!read.ok) return read.problems.map((x) => ({ ...x, path: `model.${x.path}` }));
    const variant = p.variant ?? p.model.variants[0]!.id;
    if (!p.model.variants.some((v) => v.id === variant))
      return [
        {
          path: 'variant',
          text: `the model has no variant ${variant}; it has ${p.model.variants.map((v) => v.id).join(', ')}`,
        },
      ];
    const model = ofVariant(read.model, variant);
    const known = (list: { id: string }[]) => new Set(list.map((x) => x.id));
    const slots = known(model.slots);
    return [
      ...dangling(
        slots,
        'slot',
        p.tasks.map((t, i) => ({ id: t.slot, path: `tasks[${i}].slot` })),
      ),
      ...dangling(
        slots,
        'slot',
        (p.state?.moved ?? []).map((m, i) => ({ id: m.slot, path: `state.moved[${i}].slot` })),
      ),
      ...(['done', 'aside'] as const).flatMap((k) =>
        dangling(
          slots,
          'slot',
          (p.state?.[k] ?? []).map((x, i) => ({ id: x, path: `state.${k}[${i}]` })),
        ),
      ),
      ...(
        [
          ['fastenersOut', 'fasteners', 'fastener'],
          ['connectorsOff', 'connectors', 'connector'],
          ['bondsOpen', 'bonds', 'bond'],
          ['bondsRenewed', 'bonds', 'bond'],
          ['catchesFree', 'catches', 'catch'],
        ] as const
      ).flatMap(([k, list, what]) =>
        dangling(
          known(model[list]),
          what,
          (p.state?.[k] ?? []).map((x, i) => ({ id: x, path: `state.${k}[${i}]` })),
        ),
      ),
      ...Object.entries(p.methods ?? {}).flatMap(([row, option]) => {
        const r = methodRows.find((x) => x.id === row)!;
        return r.options.some((o) => o.id === option)
          ? []
          : [
              {
                path: `methods.${row}`,
                text: `expected ${r.options.map((o) => `"${o.id}"`).join(' or ')}, got ${JSON.stringify(option)}`,
              },
            ];
      }),
      ...Object.entries(p.force).flatMap(([fact, way]) => {
        const [slot, pose] = fact.split('@');
        return model.slots.find((x) => x.id === slot)?.ways.some((w) => w.to === pose && w.id === way)
          ? []
          : [{ path: `force.${fact}`, text: `there is no way ${way}` }];
      }),
    ];
  },
  run: (p, { stop }) => {
    const variant = p.variant ?? p.model.variants[0]!.id;
    const routeResult = planRoute(
      indexModel(ofVariant(p.model, variant)),
      contentHash(p.model),
      {
        model: p.model.id,
        variant,
        methods: methodsOf(p.methods),
        conditions: p.conditions,
        tasks: p.tasks,
        standing: { ...asItCame, ...p.state },
        hourlyRateMinor: p.hourlyRate,
        stations: p.stations ?? allStations,
        force: p.force,
        remedies: {},
      },
      { budget: 1_000_000, stop },
    );
    return 'infeasible' in routeResult
      ? { infeasible: true, because: routeResult.because }
      : { answer: routeResult };
  },
});
