/**
 * The screens of one job, in the order of its course: the one list that the routes, the tabs, the service worker and the
 * store of kept pages are made from.
 */
export interface JobScreen {
  /** The end of its address, and of its file: `routes/PATH/PATH.tsx`. */
  path: string;
  /** What its tab is called; left out, it has none. */
  tab?: string;
  /** It can be worked on without the server: its page is kept, and starts without a network. */
  alone?: true;
}
export const jobScreens = [
  { path: 'fault', tab: 'Fault' },
  { path: 'offer', tab: 'Offer' },
  { path: 'route', tab: 'Route' },
  { path: 'work', tab: 'Work', alone: true },
  { path: 'checks', tab: 'Checks', alone: true },
  { path: 'hand-over', tab: 'Hand over' },
  { path: 'sort', alone: true },
  { path: 'log', tab: 'Log', alone: true },
] as const satisfies readonly JobScreen[];
export type JobScreenPath = (typeof jobScreens)[number]['path'];

/** Sheets of a job that are kept like its screens; they stand outside the frame, to be printed. */
const sheets = ['mat'];
/** Ends of the addresses of a job that start without a network. */
export const aloneOfJob: readonly string[] = [
  ...jobScreens.filter((s) => 'alone' in s).map((s) => s.path),
  ...sheets,
];
/** Addresses that start without a network: the bench, and of each job the screens that work alone. */
export const worksAlone = new RegExp(`^/(jobs/[0-9a-f-]{36}/(${aloneOfJob.join('|')}))?$`);
