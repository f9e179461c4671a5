import { type ReactNode, useEffect, useRef } from 'react';
import { Link } from 'react-router';
import * as wording from '../../../words/screens/work';
import { later } from '../../ui/later';
import { Ledger } from '../../ui/ledger';
import { OpenQuestion } from './open-question';
import type { WorkState } from './use-work';
import { noFocus } from './work-keys';
import { WorkerBar } from './worker-bar';

const WorkSheets = later(() => import('./work-sheets').then((m) => m.WorkSheets));

/** What stands round the work at one device: who works on it, its ledger with the keys, its questions and dialogs. */
export function AtTheBench({
  work,
  keys,
  children,
}: {
  work: WorkState;
  keys: ReactNode;
  children: ReactNode;
}) {
  const { page, index, state, who, send, report } = work;
  // arriving at a device, the keys are the bench's: nothing that was clicked to get here keeps the focus
  const main = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: for each device anew
  useEffect(() => main.current?.focus({ preventScroll: true }), [page.id]);
  return (
    <>
      <WorkerBar
        state={state}
        who={who}
        page={page}
        onTake={() => void report({ type: 'takenOver', bench: who.bench })}
      />
      {/* a click or a touch leaves the focus where it is, so that the next Space is the pedal's and not the button's */}
      <main className="work no-outline" ref={main} tabIndex={-1} onMouseDown={noFocus}>
        {children}
      </main>
      <Ledger index={index} state={state} send={send}>
        {keys}
      </Ledger>
      <OpenQuestion work={work} />
      {work.sheet && <WorkSheets work={work} />}
      <p className="sr">
        <Link to="/">{wording.bench}</Link>
      </p>
    </>
  );
}
