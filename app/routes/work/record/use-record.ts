import { useState } from 'react';
import type { Met } from '../../../../core/log/met-schema';
import { type PlugKind, plugKinds } from '../../../../core/record/plugs';
import { nextId, proposedOutline, unclaimed } from '../../../../core/record/proposals';
import { decide } from '../../../../core/rules/decide';
import * as wording from '../../../../words/screens/record';
import { benchTime } from '../../../job/clock';
import type { WorkState } from '../use-work';
import { useCross } from './use-cross';
import { useScrews } from './use-screws';

export type Tool = Met['kind'];

/** Recording at one bench: what comes off, where the cross stands, what is typed, and what of the last one is kept. */
export function useRecord(work: WorkState) {
  const { page, index, state, context, act, say, stopAt } = work;
  const [tool, setTool] = useState<Tool>('fastener');
  const cross = useCross(index.model.outline, tool === 'part' || tool === 'bond');
  const { face, at, drawn } = cross;
  /** Says that a thing is off, unless a rule stands against it: then the stop comes first. */
  const isOff = (thing: Met, again = false): void => {
    const body = { type: 'met' as const, thing, off: true, ...(again ? { again: true as const } : {}) };
    const asked = { id: body.type, job: page.id, body, ...benchTime() };
    const against = decide(context, state, asked).findings.filter((f) => f.severity !== 'warn');
    if (against.length) stopAt(against, [body]);
    else act(body);
  };
  const screws = useScrews({ index, say, at, face, presses: cross.presses, isOff });
  const loose = unclaimed(state);
  const forget = () => {
    screws.forgetLength();
    cross.forgetCorners();
  };
  const plug = (kind: PlugKind): void => {
    if (!at) {
      say(wording.tapThePlug);
      return;
    }
    const { carries, functions } = plugKinds[kind];
    const name = wording.plugs[kind];
    const known = Object.values(state.met).some((m) => m.kind === 'connector' && m.name === name);
    const id = nextId(index, 'connector');
    isOff({
      ...{ kind: 'connector', id, face, at, widthMm: 5, carries },
      name: known ? `${name} ${id}` : name,
      functions: [...functions],
    });
  };
  return {
    ...work,
    ...cross,
    ...screws,
    ...{ tool, loose, forget, isOff, plug },
    outlineNow: drawn ?? proposedOutline(loose, face, index.model),
    take: (next: Tool) => {
      setTool(next);
      // what was pressed for other things counts for no screw
      cross.presses.current = 0;
      forget();
    },
    newId: (kind: Tool) => nextId(index, kind),
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
