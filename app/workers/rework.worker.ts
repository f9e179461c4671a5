import { type Nozzle, type ProfileAsked, reworkProfile, type ReworkProfile } from '../../core/rework/profile';

export type ProfileQuestion = ProfileAsked;
export interface ProfileTold {
  profile: ReworkProfile;
  /** Where no time is right: the nearest setting at which one is. */
  instead?: Nozzle;
}
/** Settings that are tried in turn where none is right: warmed from below, hotter, more air, and together. */
function others(nozzle: Nozzle): Nozzle[] {
  const preheatC = nozzle.preheatC ?? 110;
  const hotter = Math.min(330, nozzle.setC + 20);
  const airPercent = Math.min(100, Math.max(nozzle.airPercent + 20, 40));
  return [
    { ...nozzle, preheatC },
    { ...nozzle, preheatC, setC: hotter },
    { ...nozzle, preheatC, airPercent },
    { ...nozzle, preheatC, setC: hotter, airPercent },
  ];
}
/** The profile of a chip under hot air, beside the page. */
self.onmessage = ({ data }: MessageEvent<ProfileQuestion>) => {
  const profile = reworkProfile(data);
  const instead = profile.lift
    ? undefined
    : others(data.nozzle).find((nozzle) => reworkProfile({ ...data, nozzle, draws: 60 }).lift);
  const told: ProfileTold = { profile, ...(instead ? { instead } : {}) };
  self.postMessage(told);
};
