/** A solder, by mass; the rest of it is tin. Temperatures in C. */
export interface Alloy {
  id: AlloyId;
  name: string;
  solidusC: number;
  liquidusC: number;
  densityGcm3: number;
  bismuth: number;
  lead: number;
  /** Where the figures are from. */
  from: string;
}
export type AlloyId = 'low-melt' | 'tin-lead' | 'lead-free';
/** The solders of a bench. Melting points as the trade tells them; densities are near handbook values, from memory. */
export const alloys: readonly Alloy[] = [
  {
    ...{ id: 'low-melt', name: 'low-melt tin-bismuth (Sn42 Bi58)', solidusC: 138, liquidusC: 138 },
    ...{ densityGcm3: 8.56, bismuth: 0.58, lead: 0 },
    from: 'published eutectic of tin and bismuth, 138 to 139 C',
  },
  {
    ...{ id: 'tin-lead', name: 'tin-lead (Sn63 Pb37)', solidusC: 183, liquidusC: 183 },
    ...{ densityGcm3: 8.4, bismuth: 0, lead: 0.37 },
    from: 'published eutectic of tin and lead, 183 C',
  },
  {
    ...{ id: 'lead-free', name: 'factory lead-free (Sn96.5 Ag3 Cu0.5)', solidusC: 217, liquidusC: 220 },
    ...{ densityGcm3: 7.38, bismuth: 0, lead: 0 },
    from: 'published range of the usual lead-free solder, 217 to 220 C',
  },
];
export const alloyOf = (id: AlloyId): Alloy => alloys.find((alloy) => alloy.id === id)!;

/** The eutectic of tin and bismuth, and what solid tin takes up of bismuth there; shares by mass (published phase diagram). */
const eutectic = { bismuth: 0.58, celsius: 138, inSolidTin: 0.21 } as const;
const bismuthMeltsC = 271;
/** Lead and bismuth in one joint: part of it melts at the ternary eutectic, C (from memory). */
export const leadBismuthMeltsC = 96;

/** What a joint melts at. */
export interface Melt {
  bismuth: number;
  lead: number;
  /** Where the first of it becomes liquid, C. */
  solidusC: number;
  /** Where the last of it does, C: a chip comes off without force. */
  liquidusC: number;
}
/**
 * What becomes of solders that melt into one another, by volume in mm3. The liquidus of tin with bismuth is taken as a
 * straight line from what the joint melts at without bismuth to the eutectic, and from there to bismuth; the true line lies
 * a few kelvin above it between 10 and 40 % of bismuth.
 * @throws RangeError where there is nothing of any
 */
export function melted(parts: readonly { alloy: AlloyId; mm3: number }[]): Melt {
  const grams = parts.map(({ alloy, mm3 }) => ({ of: alloyOf(alloy), g: alloyOf(alloy).densityGcm3 * mm3 }));
  const all = grams.reduce((sum, { g }) => sum + g, 0);
  if (!(all > 0)) throw new RangeError('a joint of no solder');
  const share = (figure: (alloy: Alloy) => number) =>
    grams.reduce((sum, { of, g }) => sum + figure(of) * g, 0) / all;
  const bismuth = share((alloy) => alloy.bismuth);
  const lead = share((alloy) => alloy.lead);
  const rest = grams.filter(({ of, g }) => of.bismuth === 0 && g > 0);
  const restG = rest.reduce((sum, { g }) => sum + g, 0);
  const plainC = restG
    ? rest.reduce((sum, { of, g }) => sum + of.liquidusC * g, 0) / restG
    : eutectic.celsius;
  const plainSolidC = restG ? Math.min(...rest.map(({ of }) => of.solidusC)) : eutectic.celsius;
  const liquidusC =
    bismuth <= eutectic.bismuth
      ? plainC + ((eutectic.celsius - plainC) * bismuth) / eutectic.bismuth
      : eutectic.celsius +
        ((bismuthMeltsC - eutectic.celsius) * (bismuth - eutectic.bismuth)) / (1 - eutectic.bismuth);
  const solidusC =
    bismuth > 0 && lead > 0
      ? leadBismuthMeltsC
      : bismuth > eutectic.inSolidTin
        ? eutectic.celsius
        : bismuth > 0
          ? plainSolidC + ((eutectic.celsius - plainSolidC) * bismuth) / eutectic.inSolidTin
          : plainSolidC;
  return { bismuth, lead, solidusC: Math.min(solidusC, liquidusC), liquidusC };
}
/**
 * The share of a tin-bismuth joint that is liquid just above the eutectic, by mass: the lever rule.
 * @param bismuth its share of bismuth, from what solid tin takes up to the eutectic
 */
export const liquidAtEutectic = (bismuth: number): number =>
  Math.min(1, Math.max(0, (bismuth - eutectic.inSolidTin) / (eutectic.bismuth - eutectic.inSolidTin)));

/** What tinning does to a pad: so much paste metal is melted into it, and the wick leaves this share of it. */
export interface Tinning {
  /** Factory solder on the pad, mm3. */
  onPadMm3: number;
  of: Exclude<AlloyId, 'low-melt'>;
  /** Metal that one tinning brings, mm3. */
  pasteMm3: number;
  /** Share that stays on the pad after wicking. */
  wickLeaves: number;
}
export interface TinningPlan {
  /** What each tinning comes to, the first one first; the last is below the wished temperature. */
  rounds: Melt[];
  /** Wished for and not reached in as many as are worth it. */
  reached: boolean;
}
/** More rounds than this cost pads (common practice). */
const mostRounds = 6;
/** How often to tin with low-melt paste and wick until a joint is liquid below a temperature. */
export function tinningFor(tinning: Tinning, belowC: number): TinningPlan {
  const rounds: Melt[] = [];
  let pad: { alloy: AlloyId; mm3: number }[] = [{ alloy: tinning.of, mm3: tinning.onPadMm3 }];
  for (let round = 0; round < mostRounds; round++) {
    pad = [
      ...pad.filter((p) => p.alloy !== 'low-melt'),
      { alloy: 'low-melt', mm3: lowMelt(pad) + tinning.pasteMm3 },
    ];
    const melt = melted(pad);
    rounds.push(melt);
    if (melt.liquidusC <= belowC) return { rounds, reached: true };
    pad = pad.map(({ alloy, mm3 }) => ({ alloy, mm3: mm3 * tinning.wickLeaves }));
  }
  return { rounds, reached: false };
}
const lowMelt = (pad: readonly { alloy: AlloyId; mm3: number }[]) =>
  pad.find((p) => p.alloy === 'low-melt')?.mm3 ?? 0;
