import type { Mark } from '../log/events';

/** What this workshop knows of a device that has been here before, newest first. */
export interface EarlierJob {
  id: string;
  number: number;
  modelHash: string;
  variant: string;
  stage: string;
  ending: string | null;
  openedAt: number;
  tasks: string[];
  complaint: string;
  cause: string | null;
  owner: string | null;
  marks: Mark[];
  before: Record<string, string>;
  /** Slots and connectors that moved, and when it was last worked on, ms. */
  touched: string[];
  lastAt: number;
  /** Another back went in. */
  backReplaced: boolean;
}
