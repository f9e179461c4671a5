import { expect, test } from 'vitest';
import { depth, sampled } from '../testing/depth';
import { indexed, modelHash, shippedModels, swollen } from '../testing/demo-models';
import { type Course, planAgainAlong, slotsWorthAsking } from '../testing/plan-again';
import type { DeviceModel } from '../model/schema';
import type { Condition } from '../vocabulary/trade';
import { allStations } from '../methods/catalogue';
import type { Methods } from '../methods/methods';

/** Which presses of a course are planned again: by turns, so that the courses of one device together try most of them. */
const everyNth = (model: DeviceModel, salt: number) => {
  const n = model.fasteners.length > 100 ? depth(199, 67) : depth(29, 7);
  return (press: number) => press % n === salt % n;
};
function course(
  model: DeviceModel,
  variant: string,
  slots: readonly string[],
  more: { conditions?: readonly Condition[]; methods?: Partial<Methods> } = {},
): Course {
  return {
    index: indexed(model, variant),
    hash: modelHash(model),
    tasks: slots.map((slot) => ({ slot, action: 'replace' })),
    means: { methods: more.methods ?? {}, stations: allStations, hourlyRateMinor: 6000 },
    conditions: more.conditions ?? [],
  };
}
const devices = shippedModels.flatMap((model) =>
  model.variants.map((variant) => [model, variant.id] as const),
);

test.each(devices.map(([model, variant]) => [model.name, variant, model] as const))(
  '%s, %s: from anywhere on any repair the rest is planned again and accepted to the end',
  (_name, variant, model) => {
    const asked = slotsWorthAsking(model, indexed(model, variant).slots.keys());
    // another variant of a device is the same but for a few things
    const first = variant === model.variants[0]!.id;
    sampled(asked, first ? 2 : 4, asked.length).forEach((slot, salt) => {
      expect(planAgainAlong(course(model, variant, [slot]), everyNth(model, salt)), slot).toEqual([]);
    });
  },
);

const two = shippedModels.filter((model) => model.slots.some((s) => s.kind === 'display'));
const circumstances: { conditions?: readonly Condition[]; methods?: Partial<Methods> }[] = [
  { conditions: swollen },
  { conditions: ['shattered', 'stuck on'] },
  { conditions: ['bent', 'back glass missing', 'earlier repair'] },
  { methods: { power: 'on', softening: 'heat', 'cell-between': 'once' } },
  { methods: { softening: 'solvent', 'cell-removal': 'solvent', 'part-test': 'assembled' } },
  { methods: { 'display-data': 'chip', screws: 'new', 'screw-keeping': 'trays', calibration: 'closed' } },
  {
    methods: { 'display-data': 'accept', 'seal-press': 'hand', 'leak-test': 'never', 'fixing-glue': 'wait' },
  },
  { methods: { 'deep-part': 'strip', 'cell-bond': 'tape', 'connector-tools': 'metal' } },
];
test.each(two.map((model) => [model.name, model] as const))(
  '%s: a new display and a new cell are planned again under every condition and method',
  (_name, model) => {
    const cell = model.slots.find((s) => s.kind === 'cell')!.id;
    sampled(circumstances, 2, model.slots.length).forEach((more, salt) => {
      const faults = planAgainAlong(
        course(model, 'standard', ['display', cell], more),
        everyNth(model, salt),
      );
      expect(faults, JSON.stringify(more)).toEqual([]);
    });
  },
);
