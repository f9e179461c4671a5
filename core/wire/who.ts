import type { KeptPin } from '../day/what-if';
import type { Skill } from '../day/people';
import type { Absence, WorkHours } from '../day/hours';
import type { Glues } from '../seal/glue';
import type { Range } from '../thermal/materials';
import type { PressSettings } from '../seal/press';
import type { HeatOfStations } from '../heat/planned-soak';
import type { Instrument } from './instruments';
import type { LeakSettings } from './leak-test';
import type { SelfTest } from '../leak/self-test';
import type { Methods } from '../methods/methods';
import type { Waits } from '../rules/interlock';
import type { Tax } from '../quote/tax';
import type { Role } from '../vocabulary/roles';

export interface ShopSettings {
  hourlyRateMinor: number;
  /** ISO 4217. */
  currency: string;
  /** ISO 3166-1, two letters: how times and figures are written. */
  country?: string;
  /** IANA; absent: each machine's own. */
  timeZone?: string;
  tax?: Tax;
  /** Offers are rounded to multiples of this, minor units. */
  roundMinor?: number;
  waits: Waits;
  /** What the workshop has chosen; what is missing stands at its default. */
  methods: Partial<Methods>;
  /** Months for which the workshop answers for its work; absent while it has said nothing. */
  warrantyMonths?: number;
  /** The invented models that ship with the app are offered, to learn with. */
  practiceModels?: boolean;
  /** Backups made by themselves: at which hour of the workshop's clock, and for how many days they are kept. */
  backups?: { daily: boolean; hour: number; keepDays: number };
  /** What is known of owners is erased so many months after a job was closed; who said so. */
  erasing?: { afterMonths: number; by: string };
  /** Changing hands at a bench: a number of one's own after the badge, and minutes without a touch until it locks (0: never). */
  hands?: { pin: boolean; lockMinutes: number };
  /** When it is open; left out, nobody has said so and every hour counts. */
  hours?: WorkHours;
  /** Who is away when. */
  absences?: Absence[];
  /** Hours of one's own, by person. */
  personHours?: Record<string, WorkHours['week']>;
  /** What a person does of what not everybody does, by person. */
  skills?: Record<string, Skill[]>;
  /** Blocks of the day that somebody wants just then. */
  pins?: (KeptPin & { by: string })[];
  /** How long a station warms up, minutes. */
  warmMinutes?: Record<string, number>;
  /** How many devices a station holds at a time, where it is more than one. */
  holds?: Record<string, number>;
  /** The name under which the bench is reached in the workshop's network; left out, as it was asked for. */
  benchName?: string;
  /** Ids of the stations it owns. */
  stations: string[];
  /** How its heat sources are set, and what readings at the glass made of them. */
  heat?: HeatOfStations;
  /** What its hot-air station was measured to do, at the middle of its dial and 10 mm, W/(m2 K). */
  hotAir?: { filmWm2K: Range; readings: number; fittedAt: number };
  /** How its seal press is set; left out, as is usual. */
  press?: PressSettings;
  /** The sheets of its glues, and how warm its room is. */
  glues?: Glues;
  /** Where its instruments listen, as host:port. A workshop of one's own has none before that is said. */
  instruments?: Partial<Record<Instrument, string>>;
  /** How its leak tester is set; nothing is tested by it before that is said. */
  leakTester?: LeakSettings;
  /** What it made of its reference leak when it was last tried. */
  leakSelfTest?: SelfTest;
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
