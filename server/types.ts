import type { Decision, Refusal } from '../core/rules/decide';
import type { JobEvent } from '../core/log/events';
import type { Finding, Waits } from '../core/rules/interlocks';
import type { Role } from '../core/vocabulary/roles';
import type { Methods } from '../core/methods/methods';

export interface ShopSettings {
  hourlyRateMinor: number;
  currency: string;
  waits: Waits;
  /** What the workshop has chosen; what is missing stands at its default. */
  methods: Partial<Methods>;
  /** Months for which the workshop answers for its work; absent while it has said nothing. */
  warrantyMonths?: number;
  /** Ids of the stations it owns. */
  stations: string[];
}
/** Who asks: resolved from the session for each request, never from anything the client says. */
export interface Who {
  shopId: string;
  personId: string;
  name: string;
  login: string;
  role: Role;
  bench: string;
  shopName: string;
  settings: ShopSettings;
  demo: boolean;
}
/** What the bench list shows of a job without folding its log. */
export interface JobSummary {
  model: string;
  variant: string;
  tasks: string[];
  waits: string;
  running: {
    what: 'take it off' | 'heat' | 'open by' | 'solvent' | 'press' | 'cure' | 'leak test';
    until: number;
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
/** What became of one command; the same answer is given when it is sent again. */
export type Outcome =
  | { status: 'recorded' | 'already'; seq: number; events: JobEvent[]; findings: Finding[] }
  | {
      status: 'refused';
      seq: number;
      refused:
        | Refusal
        | { code: 'no such job' }
        | { code: 'another person' }
        | { code: 'used before' }
        | { code: 'no such part' }
        | { code: 'part taken' }
        | { code: 'not understood'; problems: { path: string; text: string }[] };
      findings: Finding[];
    };
export type { Decision };
