import * as wording from '../../../words/screens/checks';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigation, useSubmit } from 'react-router';
import type { Task } from '../../../core/log/events';
import { reseatFor } from '../../../core/checks/reseat';
import type { Lessons } from '../../../core/suspects/lessons';
import { type Suspicion, suspicionOf, type Try } from '../../../core/suspects/suspects';
import { functionName } from '../../../words/functions';
import { suspectName, tryText } from '../../../words/suspects';
import { list, thingName } from '../../../words/things';
import { Note } from '../../ui/note';
import type { ChecksState } from './use-checks';

/** The likeliest are named; the others on demand. */
const named = 3;
const actions: Record<Try['kind'], Task['action']> = {
  reseat: 'reseat',
  look: 'inspect',
  'old part': 'reach',
  screw: 'inspect',
  bracket: 'inspect',
  fit: 'reach',
};
const percent = (p: number) => Math.round(100 * p);

/** What does not work now, whom to suspect, and the way to the next best try: back, not from the start. */
export function FailedNote({ checks, lessons }: { checks: ChecksState; lessons: Lessons }) {
  const { failed, index, state, page } = checks;
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const [all, setAll] = useState(false);
  const suspicion = suspicionOf(index, state, lessons);
  const functions = failed.map((f) => f.function);
  const plan = (tasks: Task[]) =>
    void submit(JSON.stringify({ command: crypto.randomUUID(), tasks }), {
      method: 'post',
      action: `/jobs/${page.id}/route`,
      encType: 'application/json',
    });
  const go = (t: Try) => plan([{ slot: t.slot!, action: actions[t.kind] }]);
  const next = suspicion?.next?.slot ? suspicion.next : undefined;
  const look = reseatFor(index, state, functions);
  return (
    <Note tone="stop">
      <div className="strong">
        {wording.doesNotWorkNowThe(list(functions.map((f) => functionName[f as 'touch'])))}
      </div>
      {suspicion && (
        <Likeliest
          suspicion={suspicion}
          index={index}
          jobs={Object.values(lessons).reduce((a, b) => a + b, 0)}
        />
      )}
      <div className="row top-6">
        {next && (
          <Button danger type="primary" disabled={busy} onClick={() => go(next)}>
            {tryText(index, next)}
          </Button>
        )}
        {(!next || all) && look.length > 0 && (
          <Button danger disabled={busy} onClick={() => plan(look)}>
            {wording.planTheWayToThe(list(look.map((t) => thingName(index, t.slot))))}
          </Button>
        )}
        {suspicion && (
          <Button aria-expanded={all} onClick={() => setAll(!all)}>
            {wording.otherSuspects}
          </Button>
        )}
      </div>
      {all && suspicion && (
        <ul className="top-6 suspects">
          {suspicion.suspects.map((s) => (
            <li key={s.id}>
              {wording.suspect(suspectName(index, s), percent(s.p))}{' '}
              {suspicion.tries
                .filter((t) => t.thing === s.thing && t.slot && t !== next)
                .map((t) => (
                  <Button key={t.id} size="small" disabled={busy} onClick={() => go(t)}>
                    {tryText(index, t)}
                  </Button>
                ))}
            </li>
          ))}
        </ul>
      )}
    </Note>
  );
}
function Likeliest({
  suspicion,
  index,
  jobs,
}: {
  suspicion: Suspicion;
  index: ChecksState['index'];
  jobs: number;
}) {
  return (
    <p>
      {wording.likeliest}{' '}
      {suspicion.suspects.slice(0, named).map((s, k) => (
        <span key={s.id} className={k === 0 ? 'strong' : ''}>
          {k > 0 && ', '}
          {wording.suspect(suspectName(index, s), percent(s.p))}
        </span>
      ))}
      {'. '}
      <span className="small muted">{wording.suspicionRests(jobs)}</span>
    </p>
  );
}
