/**
 * The screens of one job, in the order of its course: the one list that the routes, the tabs, the service worker and the
 * store of kept pages are made from.
 */
export interface JobScreen {
  /** The end of its address, and of its file: `routes/PATH/PATH.tsx`. */
  path: string;
  /** What its tab is called; left out, it has none. */
  tab?: string;
  /** The screen under whose tab it stands, where it has none of its own. */
  within?: string;
  /** It ends in the job's ledger; Work and Checks have their own, with the pedal in it. */
  ledger?: true;
}
export const jobScreens = [
  { path: 'fault', tab: 'Fault' },
  { path: 'offer', tab: 'Offer' },
  { path: 'route', tab: 'Route' },
  { path: 'work', tab: 'Work' },
  { path: 'checks', tab: 'Checks' },
  { path: 'hand-over', tab: 'Hand over', ledger: true },
  { path: 'sort', within: 'work', ledger: true },
  { path: 'rework', within: 'work' },
  { path: 'log', tab: 'Log' },
] as const satisfies readonly JobScreen[];
export type JobScreenPath = (typeof jobScreens)[number]['path'];

/** Sheets of a job that are kept like its screens; they stand outside the frame, to be printed. */
const sheets = ['mat'];
/** Ends of the addresses of a job that start without a network, once the job was opened on this bench. */
export const aloneOfJob: readonly string[] = [...jobScreens.map((s) => s.path), ...sheets];
/** Addresses that start without a network: the bench, and the screens of each job. */
export const worksAlone = new RegExp(`^/(jobs/[0-9a-f-]{36}/(${aloneOfJob.join('|')}))?$`);
