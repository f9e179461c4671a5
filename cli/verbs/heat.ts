import { z } from 'zod';
import { soak, soakSection, windowOf } from '../../core/thermal/soak';
import { dangling, doubled, id, type Problem, verb } from '../verb';

const celsius = z.number().min(-273.15);
const positive = z.number().positive();
const resistance = z.number().min(0);
const plate = z.strictObject({ plateC: celsius, contactM2KW: resistance.optional() });
// 0 is no exchange: an insulated face
const air = z.strictObject({ airC: celsius, hWm2K: z.number().min(0) });
const bottom = z.union([plate, air, z.strictObject({ fluxWm2: z.number() })], {
  error: 'expected {plateC, contactM2KW?}, {airC, hWm2K} or {fluxWm2}',
});
const top = z.union([air, z.strictObject({ plateC: celsius })], {
  error: 'expected {airC, hWm2K} or {plateC}',
});
const layer = z.strictObject({
  name: id,
  thicknessMm: positive,
  kWmK: positive,
  kAlongWmK: positive.optional(),
  densityKgM3: positive,
  cpJkgK: positive,
  contactBelowM2KW: resistance.optional(),
});
const layers = z.array(layer).min(1).max(60);
const probe = z.strictObject({ name: id, layer: id, at: z.number().min(0).max(1) });
const asked = {
  startC: celsius,
  seconds: positive.max(86_400),
  window: z.strictObject({ bond: id, softC: celsius, cell: id, limitC: celsius }).optional(),
};
const column = z.strictObject({
  ...asked,
  layers,
  bottom,
  top,
  phases: z.array(z.strictObject({ fromS: z.number().min(0), bottom, top })).optional(),
  probes: z.array(probe),
});
// a cross-section: regions side by side from the edge inwards, `left` the edge, `right` the middle of the device
const side = z.union([bottom, top], { error: 'expected {plateC}, {airC, hWm2K} or {fluxWm2}' });
const faces = {
  bottom: z.union([side, z.array(side)]),
  top: z.union([side, z.array(side)]),
  left: side.optional(),
  right: side.optional(),
};
const section = z.strictObject({
  ...asked,
  regions: z
    .array(z.strictObject({ name: id, widthMm: positive, layers }))
    .min(1)
    .max(12),
  ...faces,
  phases: z.array(z.strictObject({ fromS: z.number().min(0), ...faces })).optional(),
  probes: z.array(probe.extend({ region: id, across: z.number().min(0).max(1) })),
});
type Column = z.output<typeof column>;
type Section = z.output<typeof section>;
const schema = z.union([column, section]);

/** Names that are there twice or not at all, phases out of order, and faces that are not one for each region. */
function faults(p: Column | Section): Problem[] {
  const probes = p.probes.map((own, i) => ({ id: own.name, path: `probes[${i}].name` }));
  const out: Problem[] = [...('regions' in p ? inRegions(p) : inLayers(p)), ...doubled(probes)];
  if (p.window)
    out.push(
      ...dangling(new Set(probes.map((own) => own.id)), 'probe', [
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
}
const namesOf = (own: Column['layers']): Set<string> => new Set(own.map((l) => l.name));
function inLayers(p: Column): Problem[] {
  return [
    ...doubled(p.layers.map((l, i) => ({ id: l.name, path: `layers[${i}].name` }))),
    ...dangling(
      namesOf(p.layers),
      'layer',
      p.probes.map((own, i) => ({ id: own.layer, path: `probes[${i}].layer` })),
    ),
  ];
}
function inRegions(p: Section): Problem[] {
  const thick = (r: Section['regions'][number]) => r.layers.reduce((mm, l) => mm + l.thicknessMm, 0);
  const whole = thick(p.regions[0]!);
  return [
    ...doubled(p.regions.map((r, i) => ({ id: r.name, path: `regions[${i}].name` }))),
    ...p.regions.flatMap((r, i) =>
      Math.abs(thick(r) - whole) > 1e-6
        ? [{ path: `regions[${i}].layers`, text: `expected ${whole} mm together, got ${thick(r)}` }]
        : [],
    ),
    ...dangling(
      new Set(p.regions.map((r) => r.name)),
      'region',
      p.probes.map((own, i) => ({ id: own.region, path: `probes[${i}].region` })),
    ),
    ...p.probes.flatMap((own, i) => {
      const region = p.regions.find((r) => r.name === own.region);
      return region
        ? dangling(namesOf(region.layers), 'layer', [{ id: own.layer, path: `probes[${i}].layer` }])
        : [];
    }),
    ...[p, ...(p.phases ?? [])].flatMap((phase, i) =>
      (['bottom', 'top'] as const).flatMap((face) => {
        const own = phase[face];
        return Array.isArray(own) && own.length !== p.regions.length
          ? [
              {
                path: i ? `phases[${i - 1}].${face}` : face,
                text: `expected one for each of ${p.regions.length} regions`,
              },
            ]
          : [];
      }),
    ),
  ];
}

export const heat = verb({
  says: 'how warm the layers of a device become on a heat source, and when its bond is soft and its cell not too hot',
  schema,
  check: faults,
  run: (p) => {
    const { times, probes, fine } =
      'regions' in p ? soakSection({ ...p, phases: phasesOf(p) }) : soak({ ...p, phases: phasesOf(p) });
    const { window: asked } = p;
    const found =
      asked &&
      windowOf(fine.times, fine.probes[asked.bond]!, asked.softC, fine.probes[asked.cell]!, asked.limitC);
    return { answer: { times, probes, window: found ?? null } };
  },
});
/** What is said beside the phases holds until the first of them. */
function phasesOf<P extends { fromS: number }>(p: Omit<P, 'fromS'> & { phases?: P[] | undefined }): P[] {
  const later = p.phases ?? [];
  return later[0]?.fromS === 0 ? later : [{ ...p, fromS: 0 } as unknown as P, ...later];
}
