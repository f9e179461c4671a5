import { z } from 'zod';
import { soak, windowOf } from '../../core/thermal/soak';
import { dangling, doubled, id, type Problem, verb } from '../verb';

const celsius = z.number().min(-273.15);
const positive = z.number().positive();
const resistance = z.number().min(0);
const plate = z.strictObject({ plateC: celsius, contactM2KW: resistance.optional() });
const air = z.strictObject({ airC: celsius, hWm2K: positive });
const bottom = z.union([plate, air, z.strictObject({ fluxWm2: z.number() })], {
  error: 'expected {plateC, contactM2KW?}, {airC, hWm2K} or {fluxWm2}',
});
const top = z.union([air, z.strictObject({ plateC: celsius })], {
  error: 'expected {airC, hWm2K} or {plateC}',
});
const schema = z.strictObject({
  layers: z
    .array(
      z.strictObject({
        name: id,
        thicknessMm: positive,
        kWmK: positive,
        densityKgM3: positive,
        cpJkgK: positive,
        contactBelowM2KW: resistance.optional(),
      }),
    )
    .min(1)
    .max(60),
  bottom,
  top,
  phases: z.array(z.strictObject({ fromS: z.number().min(0), bottom, top })).optional(),
  startC: celsius,
  seconds: positive.max(86_400),
  probes: z.array(z.strictObject({ name: id, layer: id, at: z.number().min(0).max(1) })),
  window: z.strictObject({ bond: id, softC: celsius, cell: id, limitC: celsius }).optional(),
});

export const heat = verb({
  says: 'how warm the layers of a device become on a heat source, and when its bond is soft and its cell not too hot',
  schema,
  check: (p) => {
    const layers = p.layers.map((l, i) => ({ id: l.name, path: `layers[${i}].name` }));
    const probes = p.probes.map((probe, i) => ({ id: probe.name, path: `probes[${i}].name` }));
    const out: Problem[] = [
      ...doubled(layers),
      ...doubled(probes),
      ...dangling(
        new Set(layers.map((l) => l.id)),
        'layer',
        p.probes.map((probe, i) => ({ id: probe.layer, path: `probes[${i}].layer` })),
      ),
    ];
    const named = new Set(probes.map((probe) => probe.id));
    if (p.window)
      out.push(
        ...dangling(named, 'probe', [
          { id: p.window.bond, path: 'window.bond' },
          { id: p.window.cell, path: 'window.cell' },
        ]),
      );
    for (const [i, phase] of (p.phases ?? []).entries()) {
      const before = p.phases![i - 1]?.fromS ?? 0;
      if (i > 0 && phase.fromS <= before)
        out.push({ path: `phases[${i}].fromS`, text: `expected a number > ${before}, got ${phase.fromS}` });
    }
    return out;
  },
  run: (p) => {
    // what is said beside the phases holds until the first of them
    const later = p.phases ?? [];
    const phases = later[0]?.fromS === 0 ? later : [{ fromS: 0, bottom: p.bottom, top: p.top }, ...later];
    const { times, probes, fine } = soak({ ...p, phases });
    const { window: asked } = p;
    const found =
      asked &&
      windowOf(fine.times, fine.probes[asked.bond]!, asked.softC, fine.probes[asked.cell]!, asked.limitC);
    return { answer: { times, probes, window: found ?? null } };
  },
});
