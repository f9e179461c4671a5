import * as wording from '../../../words/screens/fault';
import type { InputRef } from 'antd';
import { useRef } from 'react';
import { noExperience } from '../../../core/diagnose/fault';
import { flag } from '../../../core/log/state';
import { faultPage } from '../../../server/use-cases/fault-page';
import { fromServerOr } from '../../job/offline-page';
import { useKeys } from '../../ui/keys';
import { Note } from '../../ui/note';
import { thingName } from '../../../words/things';
import { loadJob } from '../job-loader';
import type { Route } from './+types/fault';
import { Causes } from './causes-card';
import { FaultCard } from './fault-card';
import { Symptoms } from './symptoms-card';
import { Tests } from './tests-card';
import { useFault } from './use-fault';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who, page } = await loadJob(request, context, params.job);
  return faultPage(who, page);
}
/** Without the server it goes on from the model alone, without what this workshop has seen before. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOr(serverLoader, () => ({ experience: noExperience, earlier: [] }));

/** From what the owner says to the cause: the next best test, the chances, the ladder of the others. */
export default function Fault({ loaderData }: Route.ComponentProps) {
  const { experience, earlier } = loaderData;
  const fault = useFault(experience, earlier);
  const { index, state, ended, found, seen, report } = fault;
  const search = useRef<InputRef>(null);
  useKeys({ search: () => search.current?.focus() });
  return (
    <main className="page stack">
      {state.condition.swollen && earlier.some((j) => j.backReplaced) && (
        <Note>{wording.aBackWasReplacedHere}</Note>
      )}
      <div className="cols main-side high">
        <div className="stack">
          <FaultCard state={fault} />
          {fault.fault && seen && (
            <Causes
              fault={fault.fault}
              seen={seen}
              name={(id) => thingName(index, id)}
              onState={ended || found ? undefined : (cause, because) => void fault.stateFault(cause, because)}
            />
          )}
        </div>
        <div className="stack">
          <Symptoms
            complaint={flag(state, 'complaint') ?? ''}
            state={state}
            suggested={fault.suggested}
            earlier={earlier}
            disabled={ended}
            onSet={(symptom, on) => void report({ type: 'symptomSet', symptom, on })}
          />
          {seen && (
            <Tests
              seen={seen}
              state={state}
              current={fault.current}
              search={search}
              onChoose={fault.setChosen}
            />
          )}
        </div>
      </div>
    </main>
  );
}
