export const notCsvFile = (message: string): string => `Not a CSV file: ${message}`;
export const columns = (names: readonly string[]): string => `Columns: ${names.join(', ')}.`;
export const noLine = (known: string): string => `There is no line below the names of the columns. ${known}`;
export const mostLines = (mostLines: number): string => `At most ${mostLines} lines at a time.`;
export const nothingTakenIn = (wrong: readonly string[]): string =>
  `Nothing was taken in. ${wrong.slice(0, 8).join(' ')}${wrong.length > 8 ? ` And ${wrong.length - 8} more.` : ''}`;
