export const notEmpty =
  'This workshop has jobs or parts already: a file of another is taken in where nothing is yet.';
export const countsDiffer = (jobs: number, events: number, readJobs: number, readEvents: number): string =>
  `It says that it has ${jobs} jobs and ${events} entries, and has ${readJobs} and ${readEvents}.`;
export const cannotRead = (name: string): string => `${name} cannot be read.`;
export const noJson = (at: string): string => `${at}: that is no JSON.`;
export const outOfOrder = (at: string, seq: number, expected: number): string =>
  `${at}: entry ${seq} of its job comes where ${expected} should.`;
export const contentDiffers = (name: string): string => `${name}: its content is another than its name says.`;
export const belongsToAnother = (name: string): string =>
  `${name} belongs to another workshop of this installation.`;
export const noEntries = (at: string): string => `${at}: events.jsonl has no entry of this job.`;
export const noModel = (at: string): string => `${at}: its model is not in models.`;
