export const entriesButRowSays = (entries: number, said: number): string =>
  `${entries} entries, its row says ${said}`;
