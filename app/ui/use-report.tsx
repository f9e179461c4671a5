import * as wording from '../../words/screens/parts';
import { type ReactNode, useCallback, useState } from 'react';
import type { Context } from '../../core/rules/decide';
import type { Body } from '../../core/log/events';
import { type Finding, findings } from '../../core/rules/interlocks';
import type { JobState } from '../../core/log/state';
import type { Who } from '../../core/wire/who';
import { benchTime } from '../job/clock';
import type { Replica } from '../job/replica';
import { refusalText } from '../../words/findings';
import { later } from './later';
import type { OverrideGiven } from './stop-sheet';

const StopSheet = later(() => import('./stop-sheet').then((m) => m.StopSheet));

/** What the interlocks say against a screw that is longer than its hole bears: it is stopped before it is in. */
const tooLong = (context: Context, state: JobState, body: Body): Finding[] =>
  body.type === 'screwIn'
    ? findings(
        { index: context.index, state, waits: context.waits, role: context.role, now: benchTime() },
        body,
      ).filter((f) => f.rule === 'screw too long')
    : [];

interface Shut {
  findings: Finding[];
  bodies: readonly Body[];
  passLabel?: string | undefined;
}
/**
 * Reports things of one job, one after another. A gate that is shut shows its stop, and whoever passes it with a reason
 * goes on with the rest; any other refusal is said in words.
 */
export function useReport(
  replica: Replica,
  who: Who,
  say: (text: string | undefined) => void,
): {
  report: (...bodies: Body[]) => Promise<boolean>;
  stopAt: (findings: Finding[], bodies: readonly Body[], passLabel?: string) => void;
  stop: ReactNode;
} {
  const [shut, setShut] = useState<Shut>();
  const { index } = replica.view.context;
  const run = useCallback(
    async (bodies: readonly Body[], override?: OverrideGiven, passLabel?: string): Promise<boolean> => {
      const stopAt = (found: Finding[], i: number) => {
        setShut({ findings: found, bodies: bodies.slice(i), passLabel });
        return false;
      };
      for (const [i, body] of bodies.entries()) {
        const given = override && i === 0 ? override : undefined;
        const hurts = given ? [] : tooLong(replica.view.context, replica.view.state, body);
        if (hurts.length) return stopAt(hurts, i);
        const decision = await replica.report(body, given ? { override: given } : {});
        if (decision.refused?.code === 'interlock') return stopAt(decision.refused.findings, i);
        if (decision.refused) {
          say(refusalText(index, decision.refused));
          return false;
        }
      }
      return true;
    },
    [replica, index, say],
  );
  const stop = shut && (
    <StopSheet
      index={index}
      findings={shut.findings}
      who={who}
      onBack={() => setShut(undefined)}
      passLabel={shut.passLabel ?? wording.doItAllTheSame}
      onPass={(overrideGiven) => {
        setShut(undefined);
        void run(shut.bodies, overrideGiven, shut.passLabel);
      }}
    />
  );
  const report = useCallback((...bodies: Body[]) => run(bodies), [run]);
  const stopAt = useCallback(
    (found: Finding[], bodies: readonly Body[], passLabel?: string) =>
      setShut({ findings: found, bodies, passLabel }),
    [],
  );
  return { report, stopAt, stop };
}
