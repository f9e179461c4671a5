import type { JobEvent } from '../log/events';
import type { Refusal } from '../rules/decide';
import type { Finding } from '../rules/interlocks';

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
