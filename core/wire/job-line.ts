/** What the bench list shows of a job without folding its log. */
export interface JobSummary {
  /** Maker and name. */
  model: string;
  /** The name alone; lines that an earlier version kept have none. */
  name?: string;
  variant: string;
  tasks: string[];
  waits: string;
  running: {
    what: 'take it off' | 'heat' | 'open by' | 'solvent' | 'press' | 'cure' | 'leak test';
    until: number;
    /** On a heat source: when its cell may be at its limit. */
    offBy?: number;
  } | null;
  done: number;
  total: number;
  conditions: string[];
  promisedAs: string;
  by: string;
  /** Who has taken it over last, at which bench. */
  worker?: { by: string; bench: string; at: number } | null;
  /** Seconds of hands that its route still takes; what a promise for another device waits behind. */
  handsLeftS?: number;
}
/** What a list says of a job. */
export interface JobLine {
  id: string;
  number: number;
  tag: string;
  stage: string;
  seq: number;
  summary: JobSummary;
  promisedAt: number | null;
  ending: string | null;
  openedAt: number;
  updatedAt: number;
  owner: string | null;
  /** Who works on it, by name. */
  worker: string | null;
}
export interface DraftLine {
  id: string;
  tag: string;
  updatedAt: number;
}
