import { type ReactNode, useState } from 'react';
import type { Body } from '../../core/job/events';
import type { Finding } from '../../core/job/interlocks';
import type { IndexedModel } from '../../core/model/index-model';
import type { Who } from '../../server/types';
import type { Replica } from '../job/replica';
import { refusalText } from '../words/findings';
import { type OverrideGiven, StopSheet } from './stop-sheet';

/**
 * Reports things of one job, one after another. A gate that is shut shows its stop, and whoever passes it with a reason
 * goes on with the rest; any other refusal is said in words.
 */
export function useReport(
  replica: Replica,
  index: IndexedModel,
  who: Who,
): {
  report: (...bodies: Body[]) => Promise<boolean>;
  said: string | undefined;
  say: (text: string | undefined) => void;
  stop: ReactNode;
} {
  const [said, say] = useState<string>();
  const [shut, setShut] = useState<{ findings: Finding[]; bodies: Body[] }>();
  const run = async (bodies: Body[], override?: OverrideGiven): Promise<boolean> => {
    for (const [i, body] of bodies.entries()) {
      const d = await replica.report(body, override && i === 0 ? { override } : {});
      if (d.refused?.code === 'interlock') {
        setShut({ findings: d.refused.findings, bodies: bodies.slice(i) });
        return false;
      }
      say(d.refused ? refusalText(index, d.refused) : undefined);
      if (d.refused) return false;
    }
    return true;
  };
  const stop = shut && (
    <StopSheet
      index={index}
      findings={shut.findings}
      who={who}
      onBack={() => setShut(undefined)}
      passLabel="All the same"
      onPass={(o) => {
        setShut(undefined);
        void run(shut.bodies, o);
      }}
    />
  );
  return { report: (...bodies) => run(bodies), said, say, stop };
}
