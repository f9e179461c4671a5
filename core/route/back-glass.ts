import type { Bond } from '../model/schema';
import type { IndexedModel } from '../model/index-model';
import type { Setting } from './setting';
import { type Draft, holdStep, plainStep } from './draft';
import type { ReleasePlan } from './release';
import { handsS, times } from './times';

/** The thick ring of glass round the cameras, where a back carries one. */
const hasRing = (index: IndexedModel, bond: Bond): boolean =>
  index.model.slots.some(
    (s) => s.kind === 'panel' && s.carrier !== undefined && bond.holds.includes(s.carrier),
  );

/** A thick ring is crazed by a punch that breaks only the surface, before anything is pried there (common practice). */
export function crazeStep({ index, standing }: Setting, bond: Bond, base: Partial<Draft>): Draft[] {
  if (!hasRing(index, bond) || standing.acted.includes(`craze ${bond.id}`)) return [];
  return [
    plainStep('craze', [bond.id], handsS.gap, {
      ...base,
      tools: ['spring-punch', 'glasses'],
      cautions: ['glass-flies'],
    }),
  ];
}
/** Shares of the laser's time: what the first pass cuts, and the second at the glue that is left (from memory). */
const firstPass = 0.6;
/** The share of the work by hand that is left after both passes: what lies over the coil (from memory). */
export const laserLift = 0.3;
/**
 * A back by laser: lines set to the part with coil and flash left out, a pass, the glass broken and lifted, a second pass
 * at what is left, brushed. What is glued over the coil is warmed there and lifted slowly (common practice).
 */
export function laserSteps(
  setting: Setting,
  bond: Bond,
  base: Partial<Draft>,
  plan: ReleasePlan,
  work: Draft,
  /** The soak over the coil, where one can be had. */
  soak: Draft[],
): Draft[] {
  const isDone = (act: string) => setting.standing.acted.includes(act);
  const station = plan.station!;
  const at = { ...base, station };
  const pass = (n: 1 | 2, share: number): Draft[] =>
    isDone(`laser ${bond.id}:${n}:end`)
      ? []
      : [
          holdStep('laser', `${bond.id}:${n}`, Math.round(plan.waitS * share), handsS.act, {
            ...at,
            cautions: ['laser-enclosed', 'laser-zones'],
          }),
        ];
  const once = (draft: Draft): Draft[] => (isDone(`${draft.action} ${bond.id}`) ? [] : [draft]);
  return [
    ...once(plainStep('align', [bond.id], handsS.prepare, { ...at, cautions: ['laser-zones'] })),
    ...pass(1, firstPass),
    ...once(
      plainStep('break glass', [bond.id], times(work.handsS, 0.5), {
        ...base,
        tools: [...new Set([...work.tools, 'glasses'])],
        cautions: ['glass-flies', 'warm-over-coil'],
      }),
    ),
    ...pass(2, 1 - firstPass),
    ...once(
      plainStep('brush', [bond.id], times(work.handsS, 0.2), {
        ...base,
        tools: ['brush', 'glasses'],
        cautions: ['bristles'],
      }),
    ),
    ...soak,
    { ...work, handsS: times(work.handsS, laserLift), cautions: [...work.cautions, 'warm-over-coil'] },
  ];
}
/** Crumbs that are left press into the cell for months: looked for before anything is glued (common practice). */
export const crumbsStep = ({ standing }: Setting, bond: Bond, base: Partial<Draft>): Draft[] =>
  standing.acted.includes(`crumbs ${bond.id}`)
    ? []
    : [plainStep('crumbs', [bond.id], times(handsS.look, 3), { ...base, cautions: ['crumbs'] })];
