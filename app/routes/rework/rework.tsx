import { useState } from 'react';
import type { Chip } from '../../../core/model/schema';
import type { ReworkStepId } from '../../../core/rework/work-plan';
import { reworkPage } from '../../../server/use-cases/rework-page';
import * as wording from '../../../words/screens/rework';
import { fromServerOr } from '../../job/offline-page';
import { useKeys } from '../../ui/keys';
import { Note } from '../../ui/note';
import { loadJob } from '../job-loader';
import type { Route } from './+types/rework';
import { BallsCard } from './balls-card';
import { BeginCard } from './begin-card';
import { Microscope } from './microscope';
import { PadsCard } from './pads-card';
import { ProfileCard } from './profile-card';
import { StepCard } from './step-card';
import { StepsList } from './steps-list';
import { TinningCard } from './tinning-card';
import { type Rework as ReworkState, useRework } from './use-rework';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who } = await loadJob(request, context, params.job);
  return reworkPage(who);
}
/** Without the server it goes on from the job alone, without the list of stencils and what was seen before. */
export const clientLoader = ({ serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOr(serverLoader, () => ({ stencils: [], past: [] }));

/** Work under the microscope, step by step: settings, dwell, what ends it and what to look at; pads, balls and heat beside it. */
export default function Rework({ loaderData }: Route.ComponentProps) {
  const rework = useRework(loaderData);
  const [scope, setScope] = useState(false);
  useKeys({ next: rework.next });
  const { slot, work, chip, step } = rework;
  if (!slot)
    return (
      <main className="page">
        <h1>{wording.bench}</h1>
        <Note>{wording.notHere}</Note>
      </main>
    );
  if (scope && step) return <Microscope rework={rework} onLeave={() => setScope(false)} />;
  return (
    <main className="page stack">
      <div className="cols near-even high">
        <div className="stack">
          {work && !work.outcome ? (
            <StepCard rework={rework} onScope={() => setScope(true)} />
          ) : (
            <BeginCard key={slot.id} rework={rework} />
          )}
          {work && <StepsList rework={rework} />}
        </div>
        <div className="stack">
          {chip ? <Beside rework={rework} chip={chip} /> : <Note>{wording.chipUnknown}</Note>}
        </div>
      </div>
    </main>
  );
}

/** What a step is about stands first. */
const firstAt: Partial<Record<ReworkStepId, 'pads' | 'balls' | 'tinning'>> = {
  'look at pads': 'pads',
  'look at pads new': 'pads',
  'look at balls': 'pads',
  stencil: 'balls',
  'loose balls': 'balls',
  tin: 'tinning',
  wick: 'tinning',
  'tin new': 'tinning',
  'wick new': 'tinning',
};
/** Heat, pads, balls and tinning of a chip. */
function Beside({ rework, chip }: { rework: ReworkState; chip: Chip }) {
  const slot = rework.slot!.id;
  const first = (rework.step && firstAt[rework.step.id]) ?? 'heat';
  const cards = {
    // when nothing more is warmed there is no heat to ask about
    heat: (rework.heat.of || !rework.step) && <ProfileCard key={`heat ${slot}`} rework={rework} />,
    pads: <PadsCard key={`pads ${slot}`} rework={rework} chip={chip} />,
    balls: <BallsCard key={`balls ${slot}`} rework={rework} chip={chip} />,
    tinning: <TinningCard key="tinning" />,
  };
  const { [first]: now, ...others } = cards;
  return <>{[now, ...Object.values(others)]}</>;
}
