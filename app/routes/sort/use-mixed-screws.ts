import * as wording from '../../../words/screens/sort';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Body } from '../../../core/log/events';
import type { Drive } from '../../../core/vocabulary/trade';
import type { LooseScrew } from '../../../core/screws/sort-screws';
import { type JobFrame, useJobFrame } from '../../ui/job-frame';
import { holesOfMixed, type MixedScrews, sortMixed } from './mixed-screws';
import { type Measured, useMeasuredScrews } from './use-measured-screws';

/** The mixed screws of a job: what has been measured, and which hole each is most likely from. */
export function useMixedScrews() {
  const frame = useJobFrame();
  const { page, index, state, report } = frame;
  const go = useNavigate();
  const holes = useMemo(() => holesOfMixed(index, state), [index, state]);
  const [screws, setScrews] = useMeasuredScrews(page.id);
  const [drive, setDrive] = useState<Drive>();
  const [heads, setHeads] = useState(false);
  /** The screw whose head the next number is. */
  const [headOf, setHeadOf] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const kinds = [...new Set(holes.map((h) => h.drive as Drive))];
  const chosen = drive && kinds.includes(drive) ? drive : undefined;
  const mixed = useMemo(
    () => (holes.length ? sortMixed(holes, screws as readonly LooseScrew[]) : undefined),
    [holes, screws],
  );
  const ofHole = useMemo(() => new Map(holes.map((h) => [h.id, h])), [holes]);
  const holeOf = new Map(mixed?.sorted.assignments.map((a) => [a.screw, a.hole]));
  /** Takes a number as it was typed: the length of one more screw, or the head of the one in hand. */
  const take = (text: string) => {
    const mm = Number(text.replace(',', '.').replace(/ ?mm$/i, ''));
    if (!(mm > 0 && mm < 50)) {
      setWrong(wording.isNoLengthInMm(text.slice(0, 20)));
      return;
    }
    setWrong(undefined);
    if (headOf) {
      setScrews(screws.map((s) => (s.id === headOf ? { ...s, headMm: mm } : s)));
      setHeadOf(undefined);
      return;
    }
    const id = `s${1 + Math.max(0, ...screws.map((s) => Number(s.id.slice(1))))}`;
    setScrews([...screws, { id, ...(chosen ? { drive: chosen } : {}), lengthMm: mm }]);
    if (heads) setHeadOf(id);
  };
  const done = async () => {
    if (!mixed || !(await report(...entriesOf(mixed, screws, holeOf, ofHole, frame)))) return;
    setScrews([]);
    void go(`/jobs/${page.id}/work`);
  };
  return {
    ...frame,
    holes,
    screws,
    setScrews,
    kinds,
    chosen,
    setDrive,
    heads,
    setHeads,
    headOf,
    setHeadOf,
    wrong,
    take,
    mixed,
    ofHole,
    holeOf,
    done,
  };
}
export type MixedState = ReturnType<typeof useMixedScrews>;

/** What goes into the log: those that lie on the mat, those that are missing, those of no hole of this device. */
function entriesOf(
  mixed: MixedScrews,
  screws: readonly Measured[],
  holeOf: ReadonlyMap<string, string>,
  ofHole: MixedState['ofHole'],
  { state }: JobFrame,
): Body[] {
  const placed = screws.filter((s) => holeOf.has(s.id));
  const pieceOf = (hole: string) => ofHole.get(hole)!.piece;
  const sorted: Body[] = placed.length
    ? [
        {
          type: 'sorted',
          screws: placed.map((s) => ({
            piece: pieceOf(holeOf.get(s.id)!),
            lengthMm: s.lengthMm,
            ...(s.headMm === undefined ? {} : { headMm: s.headMm }),
          })),
        },
      ]
    : [];
  const lost = mixed.sorted.missing.map((h): Body => ({ type: 'lost', piece: pieceOf(h) }));
  const strays = Object.keys(state.stray).length;
  const foreign = mixed.sorted.strays.flatMap((s, k): Body[] => {
    const stray = `stray ${strays + k + 1}`;
    const note = wording.amongTheMixedScrewsMm(screws.find((x) => x.id === s)!.lengthMm);
    return [
      { type: 'strayFound', stray, note },
      { type: 'strayRemoved', stray, note },
    ];
  });
  return [...sorted, ...lost, ...foreign];
}
