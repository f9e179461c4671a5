export const importIt = 'Import';
export const csvFile = 'CSV file';
export const theFileHasKbAt = (round: number): string =>
  `The file has ${round} kB; at most 900 kB at a time.`;
export const chooseAFile = 'Choose a file';
