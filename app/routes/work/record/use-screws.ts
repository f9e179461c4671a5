import { type RefObject, useRef, useState } from 'react';
import type { Met } from '../../../../core/log/met-schema';
import { nextId, type Place, screwAt } from '../../../../core/record/proposals';
import { drives, type Face } from '../../../../core/vocabulary/trade';
import * as wording from '../../../../words/screens/record';
import type { WorkState } from '../use-work';
import { TypedLength } from './typed-length';

type Screw = Extract<Met, { kind: 'fastener' }>;
interface Asked extends Pick<WorkState, 'index' | 'say'> {
  at: Place | undefined;
  face: Face;
  presses: RefObject<number>;
  isOff: (thing: Met) => void;
}
/** Screws: the length that is typed; drive, head and thread stay from one to the next. */
export function useScrews({ index, say, at, face, presses, isOff }: Asked) {
  const [typed, setTyped] = useState('');
  const [kept, setKept] = useState<Pick<Screw, 'drive' | 'headMm' | 'thread'> & { lengthMm?: number }>({
    drive: 'P2',
    headMm: 1.8,
    thread: 'M1.2',
  });
  const length = useRef(new TypedLength());
  const counted = useRef({ keys: 0, screws: 0 });
  const forgetLength = () => {
    length.current.clear();
    setTyped('');
  };
  const refusal = (lengthMm: number | undefined): string | undefined => {
    if (!at) return wording.tapTheHole;
    if (lengthMm === undefined) return wording.noLength;
    const there = screwAt(index, at, face);
    return there && wording.taken(there);
  };
  const screw = (lengthMm: number | undefined): void => {
    const against = refusal(lengthMm);
    if (against || !at || lengthMm === undefined) {
      say(against);
      return;
    }
    const id = nextId(index, 'fastener');
    const { drive, headMm, thread } = kept;
    isOff({ kind: 'fastener', id, name: id, face, at, drive, lengthMm, headMm, thread });
    setKept({ ...kept, lengthMm });
    counted.current.keys += presses.current;
    counted.current.screws++;
    presses.current = 0;
    forgetLength();
  };
  return {
    ...{ typed, kept, setKept, screw, forgetLength },
    lengthTyped: length.current,
    nextDrive: () =>
      setKept((k) => ({ ...k, drive: drives[(drives.indexOf(k.drive) + 1) % drives.length]! })),
    /** Takes a key of a length. @returns whether it was one */
    typeLength: (key: string): boolean => {
      const taken = key === 'Backspace' ? length.current.back() : length.current.feed(key);
      if (!taken) return false;
      setTyped(length.current.text);
      presses.current++;
      return true;
    },
    /** Enter: the length that is typed, or that of the last one. */
    enter: () => {
      presses.current++;
      screw(length.current.text ? length.current.mm : kept.lengthMm);
    },
    keysAScrew: () => (counted.current.screws ? counted.current.keys / counted.current.screws : undefined),
  };
}
