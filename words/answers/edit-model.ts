export const nameCopy = 'Name the copy.';
export const cannotBeKept = 'It cannot be kept so: what is wrong stands below. Nothing you changed is lost.';
export const asItWas = 'Nothing has been changed: it is as it was.';
export const somebody = 'Somebody';
export const newerThere = (by: string): string =>
  `${by} has made a version of the same one meanwhile. Put your changes on it, or keep yours beside it.`;
export const keptUnwhole = (problems: string): string =>
  `Kept. Devices are not received of it yet: ${problems}.`;
export const keptAndOffered = (name: string): string =>
  `Kept: devices are received of this ${name} from now on.`;
export const kept = (name: string): string => `Kept as a version of ${name}; devices are not received of it.`;
