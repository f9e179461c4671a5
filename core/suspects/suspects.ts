import { checksDue, type DueCheck } from '../checks/due';
import { failedChecks } from '../checks/failed';
import { plugsOf } from '../checks/reseat';
import { diagnose } from '../diagnose/diagnose';
import type { Cause, Problem, Seen, Test } from '../diagnose/problem';
import type { Figures, WhyNot } from '../log/measured';
import type { JobState } from '../log/state';
import { filmsDue, pieceInHole, pieceInSlot, replacedSlots, screwSpec } from '../log/view';
import { often, type SuspectKind } from './kinds';
import { type Lessons, learnt } from './lessons';
import type { IndexedModel } from '../model/index-model';
import type { FunctionId } from '../vocabulary/trade';
import { originalPiece } from '../vocabulary/pieces';

export interface Suspect {
  id: string;
  kind: SuspectKind;
  /** The plug, the slot, or the hole of a screw; empty for what was not touched. */
  thing: string;
  /** The piece that it leads to. */
  slot: string | undefined;
  /** Chance, 0 to 1. */
  p: number;
}
/** What tells them apart: pressing a plug home, the old part in again, a look for a film, a screw or a bracket. */
export interface Try {
  id: string;
  kind: 'reseat' | 'old part' | 'look' | 'screw' | 'bracket' | 'fit';
  thing: string;
  slot: string | undefined;
}
export interface Suspicion {
  suspects: Suspect[];
  /** The next best try; undefined where no try is worth its time any more. */
  next: Try | undefined;
  tries: Try[];
}

/** A screw that is known to be longer than its hole takes is suspected so much more. */
const surelyLong = 15;
/** What a bracket's contact to earth is in the way of: aerials, and a panel that feels its own noise (common practice). */
const earthed: ReadonlySet<string> = new Set<FunctionId>(['radios', 'wireless', 'touch', 'charging']);
/** A screw comes through to what lies so near, mm. */
const nearMm = 12;
/** What a film that stayed on is in the way of: a panel is felt through it. */
const behindFilm: ReadonlySet<string> = new Set<FunctionId>([
  'ambient',
  'proximity',
  'face',
  'finger',
  'cameras',
  'front-camera',
  'loudspeaker',
  'ear-speaker',
  'microphones',
]);
/** A part that was only moved is seldom what fails. */
const onlyMoved = 0.3;
/** The plug that moved last is suspected more than those before it, by so much each. */
const lately = 0.7;
/** A cause that explains only some of what fails counts so much for each that it does not. */
const unexplained = 0.15;
/** The old part shows the same: the new one is innocent, but for its plug. */
const innocent = 0.05;

/** Minutes that a try and a repair take, about; wrong ones are paid, too. From memory. */
const minutes = { reseat: 6, 'old part': 15, look: 3, screw: 5, bracket: 6, fit: 8 } as const;
const repairMinutes: Record<SuspectKind, number> = {
  ...{ contact: 6, flex: 30, part: 25, missing: 8, film: 4, screw: 20, earth: 6, else: 45 },
};
const wrongRepair = 30;
/** How likely a try makes it work, by what the cause is. */
const worksAfter: Record<Try['kind'], Record<SuspectKind, number>> = {
  reseat: {
    contact: 0.9,
    flex: 0.15,
    part: 0.05,
    missing: 0.02,
    film: 0.02,
    screw: 0.1,
    earth: 0.2,
    else: 0.03,
  },
  'old part': {
    ...{ contact: 0.6, flex: 0.8, part: 0.95, missing: 0.3, film: 0.7, screw: 0.1, earth: 0.2, else: 0.03 },
  },
  look: {
    contact: 0.01,
    flex: 0.01,
    part: 0.01,
    missing: 0.3,
    film: 0.95,
    screw: 0.01,
    earth: 0.01,
    else: 0.01,
  },
  // what a screw came through may be torn for good
  screw: {
    contact: 0.1,
    flex: 0.05,
    part: 0.01,
    missing: 0.01,
    film: 0.01,
    screw: 0.6,
    earth: 0.1,
    else: 0.01,
  },
  bracket: {
    contact: 0.3,
    flex: 0.05,
    part: 0.01,
    missing: 0.01,
    film: 0.01,
    screw: 0.1,
    earth: 0.9,
    else: 0.01,
  },
  fit: {
    contact: 0.2,
    flex: 0.05,
    part: 0.05,
    missing: 0.97,
    film: 0.02,
    screw: 0.01,
    earth: 0.02,
    else: 0.01,
  },
};

/** What a measured pattern says of the kinds: a dead stripe is a torn line of a flex, a whole side or all of it a plug (common practice). */
export function patternWeight(
  kind: SuspectKind,
  because: WhyNot | undefined,
  figures: Figures,
  screenMm: { w: number; h: number },
): number {
  if (because === 'dead' && figures.deadW !== undefined && figures.deadH !== undefined) {
    const whole = figures.deadW > 0.9 * screenMm.w || figures.deadH > 0.9 * screenMm.h;
    const narrow = Math.min(figures.deadW, figures.deadH) < 12;
    if (whole && !narrow) return kind === 'contact' ? 2 : 1;
    if (narrow) return kind === 'flex' || kind === 'part' ? 2 : 1;
  }
  if (because === 'ghosts' || because === 'jumps') return kind === 'part' || kind === 'earth' ? 2 : 1;
  if (because === 'silent' || because === 'dark' || because === 'none listed' || because === 'still')
    return kind === 'contact' ? 2 : kind === 'film' ? 0.3 : 1;
  if (because === 'quieter' || because === 'blurred' || because === 'spots') return kind === 'film' ? 2 : 1;
  return 1;
}

type Open = Omit<Suspect, 'p'> & { functions: string[]; weight: number };

/**
 * Whom to suspect when functions fail after work, with chances, and the next best try; by the same engine as the fault.
 * @param lessons how often each kind was why, in this workshop's own jobs
 */
export function suspicionOf(
  index: IndexedModel,
  state: JobState,
  lessons: Lessons = {},
): Suspicion | undefined {
  const failing = failedChecks(state, index);
  if (!failing.length) return undefined;
  const due = checksDue(state, index, 'after');
  const failed = failing.flatMap(({ round, function: fn }) => {
    const check = due.find((c) => c.function === fn);
    return check ? [{ round, fn, check }] : [];
  });
  const open = openSuspects(index, state, failed);
  const screenMm = { w: index.model.outline.widthMm - 6, h: index.model.outline.heightMm - 6 };
  const causes: Cause[] = open.map((s) => {
    const pattern = failed.reduce((w, { round, fn }) => {
      const measured = state.measured[`${round} ${fn}`];
      return measured ? w * patternWeight(s.kind, measured.because, measured.figures, screenMm) : w;
    }, 1);
    const missing = failed.filter(({ fn }) => s.functions.length > 0 && !s.functions.includes(fn)).length;
    return {
      id: s.id,
      prior: s.weight * learnt(s.kind, lessons) * pattern * unexplained ** missing,
      repairCost: repairMinutes[s.kind],
    };
  });
  const tries = triesOf(state, open);
  const problem: Problem = {
    causes,
    wrongRepairPenalty: wrongRepair,
    tests: tries.map((t) => testOf(t, open)),
    seen: seenOf(state, tries, failing),
  };
  const found = diagnose(problem);
  if (!found) return undefined;
  const repair =
    'repair' in found.next ? open.find((s) => s.id === (found.next as { repair: string }).repair) : undefined;
  const left = tries.filter((t) => !problem.seen.some((s) => s.test === t.id));
  return {
    suspects: open
      .map(({ functions: _f, weight: _w, ...s }) => ({ ...s, p: found.posterior[s.id]! }))
      .sort((a, b) => b.p - a.p),
    // putting a plug home, or a film off, is its repair and its test in one
    next:
      'test' in found.next
        ? left.find((t) => t.id === (found.next as { test: string }).test)
        : left.find((t) => t.thing === repair?.thing),
    tries: left,
  };
}

/** Everything that was touched and that a failing function depends on, and something else. */
function openSuspects(
  index: IndexedModel,
  state: JobState,
  failed: readonly { fn: string; check: DueCheck }[],
): Open[] {
  const out = new Map<string, Open>();
  const add = (kind: SuspectKind, thing: string, slot: string | undefined, fn: string, weight: number) => {
    const id = `${kind} ${thing}`.trim();
    const known = out.get(id);
    if (known) known.functions.push(fn);
    else out.set(id, { id, kind, thing, slot, functions: [fn], weight: often[kind] * weight });
  };
  const replaced = new Set(replacedSlots(state));
  const films = filmsDue(state, index).filter((f) => !f.off);
  const moved = (id: string) => state.touched[id] ?? 0;
  for (const { fn, check } of failed) {
    // where the model names no plug for a function, those of the pieces that serve it
    const carries = check.because.filter((id) => index.connectors.has(id));
    const own = check.because.filter((id) => index.slots.has(id)).flatMap((slot) => plugsOf(index, slot));
    const plugs = (carries.length ? carries : [...new Set(own)])
      .filter((id) => moved(id) > 0)
      .sort((a, b) => moved(b) - moved(a));
    plugs.forEach((plug, k) => {
      const slot = index.connectors.get(plug)!.joins.find((s) => index.slots.get(s)?.kind !== 'board');
      add('contact', plug, slot, fn, lately ** k);
      add('flex', plug, slot, fn, lately ** k);
    });
    for (const slot of check.because.filter((id) => index.slots.has(id))) {
      const kind = index.slots.get(slot)!.kind;
      if (kind === 'bracket' || kind === 'board') continue;
      if (pieceInSlot(state, slot) === undefined) {
        add('missing', slot, slot, fn, 1);
        continue;
      }
      // what came out is in again: it shows the same, and the new one was innocent
      const old = pieceInSlot(state, slot) === originalPiece(slot);
      add('part', slot, slot, fn, replaced.has(slot) ? 1 : old ? onlyMoved : innocent);
      if (behindFilm.has(fn) && films.some((f) => f.slot === slot)) add('film', slot, slot, fn, 1);
    }
  }
  for (const { fn, check } of failed) {
    for (const { hole, slot, isLong } of screwsNear(index, state, check.because))
      add('screw', hole, slot, fn, isLong ? surelyLong : 1);
    if (earthed.has(fn))
      for (const slot of index.model.slots)
        if (slot.kind === 'bracket' && moved(slot.id) > 0) add('earth', slot.id, slot.id, fn, 1);
  }
  out.set('else', {
    id: 'else',
    kind: 'else',
    thing: '',
    slot: undefined,
    functions: [],
    weight: often.else,
  });
  return [...out.values()];
}
/**
 * Of the holes near what was touched, the one that a longer screw of the same thread does most harm in: whose screw is longer
 * than its hole takes, or that another one that was out would be too long for.
 */
function screwsNear(
  index: IndexedModel,
  state: JobState,
  because: readonly string[],
): { hole: string; slot: string; isLong: boolean }[] {
  const places = because.flatMap((id) => index.connectors.get(id) ?? []);
  const moved = index.model.fasteners.filter(
    (f) => f.kind === 'screw' && f.holds.some((slot) => (state.touched[slot] ?? 0) > 0),
  );
  const near = moved.filter((f) =>
    places.some((c) => c.face === f.face && Math.hypot(c.at.x - f.at.x, c.at.y - f.at.y) <= nearMm),
  );
  const most = (f: (typeof near)[number]) => f.maxLengthMm ?? f.lengthMm;
  const sits = (f: (typeof near)[number]) => {
    const piece = pieceInHole(state, f.id);
    return piece === undefined ? undefined : screwSpec(state, index, piece)?.lengthMm;
  };
  const mayBeLong = near.filter((f) =>
    moved.some((other) => other.thread === f.thread && other.lengthMm > most(f)),
  );
  const long = near.filter((f) => (sits(f) ?? 0) > most(f));
  return (long.length ? long : mayBeLong.toSorted((a, b) => a.lengthMm - b.lengthMm).slice(0, 1)).map(
    (f) => ({
      ...{ hole: f.id, slot: f.holds[0]!, isLong: long.length > 0 },
    }),
  );
}
function triesOf(state: JobState, open: readonly Open[]): Try[] {
  const replaced = new Set(replacedSlots(state));
  return open.flatMap(({ kind, thing, slot }): Try[] => {
    if (kind === 'contact') return [{ id: `reseat ${thing}`, kind: 'reseat', thing, slot }];
    if (kind === 'film') return [{ id: `look ${thing}`, kind: 'look', thing, slot }];
    if (kind === 'screw') return [{ id: `screw ${thing}`, kind: 'screw', thing, slot }];
    if (kind === 'earth') return [{ id: `bracket ${thing}`, kind: 'bracket', thing, slot }];
    if (kind === 'missing') return [{ id: `fit ${thing}`, kind: 'fit', thing, slot }];
    if (kind === 'part' && replaced.has(thing) && isAside(state, thing))
      return [{ id: `old part ${thing}`, kind: 'old part', thing, slot }];
    return [];
  });
}
/** The part that came with the device is still there to be tried. */
const isAside = (state: JobState, slot: string): boolean => {
  const place = state.place[originalPiece(slot)];
  return place !== undefined && !place.startsWith('slot/');
};
/** A screw or a bracket that is looked at says nothing of what else lies there. */
const aside: ReadonlySet<Try['kind']> = new Set(['screw', 'bracket']);
/** What a try tells of each suspect: only what it is about is put right by it. */
function testOf(t: Try, open: readonly Open[]): Test {
  const likelihood = Object.fromEntries(
    open.map((s) => {
      const about = s.thing === t.thing || (s.slot === t.slot && !aside.has(t.kind));
      const works = about ? worksAfter[t.kind][s.kind] : 0.02;
      return [s.id, [works, 1 - works]];
    }),
  );
  return { id: t.id, cost: minutes[t.kind], outcomes: ['works', 'fails'], likelihood };
}
/** What has been tried already and did not help: a plug that was pressed home before the function was tested and failed. */
function seenOf(state: JobState, tries: readonly Try[], failing: readonly { seq: number }[]): Seen[] {
  const tested = Math.max(...failing.map((f) => f.seq));
  return tries.flatMap((t) => {
    const at = t.kind === 'reseat' ? state.acted[`reseat ${t.thing}`] : undefined;
    return at !== undefined && at < tested ? [{ test: t.id, outcome: 'fails' }] : [];
  });
}
