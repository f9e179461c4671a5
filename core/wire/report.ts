import type { Measured } from '../log/measured';
import type { Round } from '../log/events';
import type { ShopSettings } from './who';
import type { BodyOf, Ending, JobEvent } from '../log/events';
import type { PartEntry } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import type { Effect } from '../pairing/effects';
import type { SealClaim } from '../rules/seal-claim';
import type { Water } from '../rules/water';
import type { JobPage } from './job-page';

export interface ReportData {
  shop: string;
  page: JobPage;
  index: IndexedModel;
  events: JobEvent[];
  tag: string;
  complaint: string;
  ending: Ending | undefined;
  openedAt: number;
  closedAt: number | undefined;
  closingNote: string;
  marks: { kind: string; side: string; note?: string }[];
  conditions: JobEvent[];
  done: { old: string | undefined; slot: string; part?: PartEntry }[];
  /** What the fault was found to be, and the tests that led there. */
  fault: { cause: string; because: string } | undefined;
  tests: { test: string; outcome: string }[];
  photos: string[];
  renewed: string[];
  checks: {
    function: string;
    note?: string;
    before?: string;
    mid?: string;
    after?: string;
    changed: boolean;
    /** What the device itself measured in a round. */
    measured: Partial<Record<Round, Measured>>;
  }[];
  effects: (Effect & { agreed: string | undefined })[];
  overrides: { rule: string; reason: string; by: string; confirmedBy: string | undefined; at: number }[];
  notes: { text: string; by: string; at: number }[];
  water: Water;
  /** What was done to keep water out, and by whom, by name. */
  seal: SealClaim | undefined;
  /** What presses did by their gauge. */
  presses: BodyOf<'pressRead'>[];
  /** What the leak tester read, where it was recorded for the device as it is closed now. */
  leak: Omit<BodyOf<'leakTested'>, 'type'> | undefined;
  /** Who worked on it, in the order in which they came to it. */
  technicians: string[];
  /** First and last entry at the bench, ms. */
  worked: { from: number; to: number } | undefined;
  /** What was agreed about the price: the range that was quoted, minor units, and who said yes. */
  price:
    | { low: number; high: number; tax?: { percent: number; name: string }; agreed: string | undefined }
    | undefined;
  /** How the workshop writes times and money. */
  places: Pick<ShopSettings, 'currency' | 'country' | 'timeZone'>;
  /** Identity data and what became of them, by slot. */
  data: { slot: string; what: string; simulated: boolean }[];
  /** Names of those who signed. */
  signed: string[];
  warrantyMonths: number | undefined;
  adrift: string[];
  figures: { screws: number; connectors: number };
}
