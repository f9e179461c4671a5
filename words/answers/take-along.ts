export const isIn = (jobs: string, entries: string): string =>
  `Taken in: ${jobs}, ${entries}. Give each person a link: passwords do not travel.`;
export const onlyOwner = 'Only an owner takes everything along, or in.';
export const nothingSent = 'Nothing was sent.';
export const atMostMegabytes = (megabytes: number): string => `At most ${megabytes} MB.`;
export const notWhole = 'It did not come whole.';
export const anotherIsTakenIn = 'Another file is being taken in.';
