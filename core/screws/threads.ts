/** ISO metric coarse threads of phones: pitch in mm by nominal diameter (ISO 261 and ISO 68-1; from memory). */
const coarse: Record<string, number> = {
  'M0.8': 0.2,
  M1: 0.25,
  'M1.2': 0.25,
  'M1.4': 0.3,
  'M1.6': 0.35,
  M2: 0.4,
};

/** Pitch of a metric thread such as `M1.2` or `M1.2x0.2`, mm; undefined for one that is not in the table. */
export function pitchMm(thread: string): number | undefined {
  const [size, fine] = thread.split('x');
  return fine === undefined ? coarse[size!] : Number(fine);
}
