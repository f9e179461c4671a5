export const strangeName = (name: string): string => `It holds ${name}, which no archive has.`;
export const nameTwice = (name: string): string => `${name} is in it twice.`;
export const tooManyFiles = 'It holds too many files.';
export const damaged = (name: string): string => `${name} in it is damaged.`;
export const tooLarge = (megabytes: number): string => `It unpacks to more than ${megabytes} MB.`;
export const noZip = 'It is no ZIP file, or is cut short.';
export const noArchive = 'It is no archive of a workshop: workshop.json is not in it.';
export const cutShort = 'It is cut short.';
