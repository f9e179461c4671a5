import { useEffect, useRef, useState } from 'react';
import type { Met } from '../../../../core/log/met-schema';
import { type PlugKind, plugKinds } from '../../../../core/record/plugs';
import {
  nextId,
  type Outline,
  outlineBetween,
  type Place,
  proposedOutline,
  screwAt,
  unclaimed,
} from '../../../../core/record/proposals';
import { decide } from '../../../../core/rules/decide';
import { type Drive, drives, type Face } from '../../../../core/vocabulary/trade';
import * as wording from '../../../../words/screens/record';
import { benchTime } from '../../../job/clock';
import type { WorkState } from '../use-work';
import { dialogIsOpen } from '../../../ui/keys';
import { TypedLength } from './typed-length';

export type Tool = Met['kind'];
type Screw = Extract<Met, { kind: 'fastener' }>;

const tenth = (mm: number) => Math.round(mm * 10) / 10;

/** Recording at one bench: what comes off, where the cross stands, what is typed, and what of the last one is kept. */
export function useRecord(work: WorkState) {
  const { page, index, state, context, act, say, stopAt } = work;
  const { outline } = index.model;
  const [tool, setTool] = useState<Tool>('fastener');
  const [face, setFace] = useState<Face>('front');
  const [at, setAt] = useState<Place>();
  const [corner, setCorner] = useState<Place>();
  const [drawn, setDrawn] = useState<Outline>();
  const [typed, setTyped] = useState('');
  const [kept, setKept] = useState<Pick<Screw, 'drive' | 'headMm' | 'thread'> & { lengthMm?: number }>({
    drive: 'P2',
    headMm: 1.8,
    thread: 'M1.2',
  });
  const length = useRef(new TypedLength());
  const presses = useRef({ now: 0, all: 0, screws: 0 });
  const loose = unclaimed(state);
  const proposed = proposedOutline(loose, face, index.model);

  const forget = () => {
    length.current.clear();
    setTyped('');
    setCorner(undefined);
    setDrawn(undefined);
  };
  const take = (next: Tool) => {
    setTool(next);
    forget();
  };
  /** Says that a thing is off, unless a rule stands against it: then the stop comes first. */
  const isOff = (thing: Met, again = false): void => {
    const body = { type: 'met' as const, thing, off: true, ...(again ? { again: true as const } : {}) };
    const asked = { id: body.type, job: page.id, body, ...benchTime() };
    const against = decide(context, state, asked).findings.filter((f) => f.severity !== 'warn');
    if (against.length) stopAt(against, [body]);
    else act(body);
  };
  const point = (place: Place): void => {
    const x = face === 'back' ? outline.widthMm - place.x : place.x;
    const inside = { x: clip(x, outline.widthMm), y: clip(place.y, outline.heightMm) };
    presses.current.now++;
    setAt(inside);
    if (tool !== 'part' && tool !== 'bond') return;
    if (corner) {
      setDrawn(outlineBetween(corner, inside));
      setCorner(undefined);
    } else setCorner(inside);
  };
  const move = (dx: number, dy: number): void => {
    const from = at ?? { x: outline.widthMm / 2, y: outline.heightMm / 2 };
    presses.current.now++;
    setAt({
      x: clip(tenth(from.x + (face === 'back' ? -dx : dx)), outline.widthMm),
      y: clip(tenth(from.y + dy), outline.heightMm),
    });
  };
  const screw = (lengthMm: number | undefined): void => {
    if (!at) {
      say(wording.tapTheHole);
      return;
    }
    if (lengthMm === undefined) {
      say(wording.noLength);
      return;
    }
    const there = screwAt(index, at, face);
    if (there) {
      say(wording.taken(there));
      return;
    }
    const id = nextId(index, 'fastener');
    const { drive, headMm, thread } = kept;
    const place = { x: tenth(at.x), y: tenth(at.y) };
    isOff({ kind: 'fastener', id, name: id, face, at: place, drive, lengthMm, headMm, thread });
    setKept({ ...kept, lengthMm });
    presses.current.all += presses.current.now;
    presses.current.screws++;
    presses.current.now = 0;
    length.current.clear();
    setTyped('');
  };
  const plug = (kind: PlugKind): void => {
    if (!at) {
      say(wording.tapThePlug);
      return;
    }
    const { carries, functions } = plugKinds[kind];
    const known = Object.values(state.met).some(
      (m) => m.kind === 'connector' && m.name === wording.plugs[kind],
    );
    const id = nextId(index, 'connector');
    isOff({
      kind: 'connector',
      id,
      name: known ? `${wording.plugs[kind]} ${id}` : wording.plugs[kind],
      face,
      at: { x: tenth(at.x), y: tenth(at.y) },
      widthMm: 5,
      carries,
      functions: [...functions],
    });
  };
  return {
    ...work,
    ...{
      tool,
      take,
      face,
      at,
      corner,
      drawn,
      proposed,
      typed,
      kept,
      loose,
      forget,
      isOff,
      point,
      move,
      screw,
      plug,
    },
    turn: () => setFace((f) => (f === 'front' ? 'back' : 'front')),
    outlineNow: drawn ?? proposed,
    setKept,
    newId: (kind: Tool) => nextId(index, kind),
    /** Takes the next drive. */
    nextDrive: () =>
      setKept((l) => ({ ...l, drive: drives[(drives.indexOf(l.drive as Drive) + 1) % drives.length]! })),
    /** Takes a key of a length. @returns whether it was one */
    typeLength: (key: string): boolean => {
      const taken = key === 'Backspace' ? length.current.back() : length.current.feed(key);
      if (taken) setTyped(length.current.text);
      if (taken) presses.current.now++;
      return taken;
    },
    lengthTyped: length.current,
    /** Enter: the length that is typed, or that of the last one. */
    enter: () => {
      presses.current.now++;
      screw(length.current.text ? length.current.mm : kept.lengthMm);
    },
    keysAScrew: () => (presses.current.screws ? presses.current.all / presses.current.screws : undefined),
  };
}
export type RecordState = ReturnType<typeof useRecord>;

const asks: Record<Tool, string> = {
  fastener: wording.tapTheHole,
  connector: wording.tapThePlug,
  bond: wording.tapTheBond,
  catch: wording.tapTheCatch,
  part: wording.tapThePart,
};
/** What is asked for now, or what the next press says. */
export function titleOf({ tool, at, typed, lengthTyped, kept, outlineNow }: RecordState): string {
  if (tool === 'part' && outlineNow) return wording.partComesOff;
  const mm = typed ? (lengthTyped.mm ?? typed) : kept.lengthMm;
  return tool === 'fastener' && at && mm !== undefined ? wording.screwHere(String(mm)) : asks[tool];
}
const clip = (mm: number, most: number) => Math.min(most, Math.max(0, mm));

/** Two digits are a length once nothing follows them as fast as a calliper types, ms. */
const wholeAfterMs = 160;
const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const tools: Record<string, Tool> = { s: 'fastener', k: 'connector', b: 'bond', c: 'catch', p: 'part' };

/**
 * The recorder's keys, before the bench's: digits are lengths here and no devices, arrows move the cross. What is none of
 * them goes on to the bench.
 */
export function useRecordKeys(record: RecordState, blocked: boolean): void {
  const current = useRef({ record, blocked });
  useEffect(() => {
    current.current = { record, blocked };
  });
  useEffect(() => {
    let whole: ReturnType<typeof setTimeout> | undefined;
    const down = (event: KeyboardEvent) => {
      const { record: r, blocked: shut } = current.current;
      if (shut || event.ctrlKey || event.metaKey || event.altKey || isTyping()) return;
      if (!keyTaken(r, event)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      clearTimeout(whole);
      if (r.lengthTyped.whole && event.key !== 'Enter')
        whole = setTimeout(() => current.current.record.screw(r.lengthTyped.mm), wholeAfterMs);
    };
    window.addEventListener('keydown', down, { capture: true });
    return () => {
      clearTimeout(whole);
      window.removeEventListener('keydown', down, { capture: true });
    };
  }, []);
}
/** A choice that was clicked has the focus, and takes no keys; one that was gone to by Tab does. */
const isTyping = () => {
  const on = document.activeElement;
  const chosen = on instanceof HTMLInputElement && on.type === 'radio' && !on.matches(':focus-visible');
  return (
    dialogIsOpen() || (on instanceof HTMLElement && !chosen && /^(INPUT|TEXTAREA|SELECT)$/.test(on.tagName))
  );
};
function keyTaken(r: RecordState, event: KeyboardEvent): boolean {
  const step = steps[event.key];
  if (step) {
    const mm = event.shiftKey ? 0.1 : 1;
    r.move(step[0] * mm, step[1] * mm);
    return true;
  }
  const tool = tools[event.key];
  if (tool) {
    r.take(tool);
    return true;
  }
  if (event.key === 'd') {
    r.nextDrive();
    return true;
  }
  if (event.key === 'Escape') {
    r.forget();
    return true;
  }
  if (event.repeat) return false;
  // a button that has the focus is pressed by Enter, as everywhere
  if (event.key === 'Enter' && document.activeElement?.tagName === 'BUTTON') return false;
  if (r.tool === 'fastener') {
    if (r.typeLength(event.key)) return true;
    // behind a length it is the end of it, however fast it came; alone it is the pedal's
    if (event.key === 'Enter' && r.lengthTyped.text) {
      r.enter();
      return true;
    }
  }
  return false;
}
