import type { Bond } from '../model/schema';
import type { IndexedModel } from '../model/index-model';
import type { Setting } from './setting';
import { type Draft, holdStep, plainStep } from './draft';
import type { Release } from './release';
import { around, handsS, times } from './times';

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
const passShare = { 1: 0.6, 2: 0.4 } as const;
/** Shares of the work by hand: breaking the glass off, lifting what lies over the coil, and brushing (from memory). */
const handShare = { broken: 0.5, lifted: 0.3, brushed: 0.2 } as const;
/** How much of the work by hand is lifting, when the laser has cut the rest. */
export const liftedByHand = handShare.lifted;

/** One pass of the laser at a back's glue, none where it has been done. */
function pass({ standing }: Setting, bond: Bond, n: 1 | 2, release: Release, base: Partial<Draft>): Draft[] {
  if (standing.acted.includes(`laser ${bond.id}:${n}:end`)) return [];
  return [
    holdStep('laser', `${bond.id}:${n}`, Math.round(release.waitS * passShare[n]), handsS.act, {
      ...base,
      station: release.station ?? 'glass-laser',
      cautions: ['laser-enclosed', 'laser-zones'],
    }),
  ];
}
/**
 * A back by laser: lines set to the part with coil and flash left out, a pass, the glass broken; what is glued over the
 * coil is warmed there and lifted slowly; a second pass at what is left, brushed (common practice).
 */
export function laserSteps(
  setting: Setting,
  bond: Bond,
  base: Partial<Draft>,
  work: Draft,
  /** The soak over the coil, where one can be had. */
  soak: Draft[],
): Draft[] {
  const release = byLaser(bond)!;
  const once = (draft: Draft): Draft[] =>
    setting.standing.acted.includes(`${draft.action} ${bond.id}`) ? [] : [draft];
  const station = release.station ?? 'glass-laser';
  return [
    ...once(plainStep('align', [bond.id], handsS.prepare, { ...base, station, cautions: ['laser-zones'] })),
    ...pass(setting, bond, 1, release, base),
    ...once(
      plainStep('break glass', [bond.id], times(work.handsS, handShare.broken), {
        ...base,
        tools: [...new Set([...work.tools, 'glasses'])],
        cautions: ['glass-flies', 'warm-over-coil'],
      }),
    ),
    ...soak,
    { ...work, handsS: times(work.handsS, handShare.lifted), cautions: [...work.cautions, 'warm-over-coil'] },
    ...residueSteps(setting, bond, base),
  ];
}
/** The second pass at the glue that is left when the glass is off, and the brush. */
function residueSteps(setting: Setting, bond: Bond, base: Partial<Draft>): Draft[] {
  const release = byLaser(bond)!;
  const brush = plainStep('brush', [bond.id], times(around(release.handsS), handShare.brushed), {
    ...base,
    tools: ['brush', 'glasses'],
    cautions: ['bristles'],
  });
  return [
    ...pass(setting, bond, 2, release, base),
    ...(setting.standing.acted.includes(`brush ${bond.id}`) ? [] : [brush]),
  ];
}
/** The same where it was left: planned again when the glass is off. */
export const residueLeft = (setting: Setting, bond: Bond, base: Partial<Draft>): Draft[] =>
  setting.standing.bondsOpen.includes(bond.id) && setting.standing.acted.includes(`laser ${bond.id}:1:end`)
    ? residueSteps(setting, bond, base)
    : [];
const byLaser = (bond: Bond) => bond.release.find((r) => r.by === 'laser');
/** Crumbs that are left press into the cell for months: looked for before anything is glued (common practice). */
export const crumbsStep = ({ standing }: Setting, bond: Bond, base: Partial<Draft>): Draft[] =>
  standing.acted.includes(`crumbs ${bond.id}`)
    ? []
    : [plainStep('crumbs', [bond.id], times(handsS.look, 3), { ...base, cautions: ['crumbs'] })];
