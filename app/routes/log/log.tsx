import * as wording from '../../../words/screens/log';
import { Button } from 'antd';
import { useState } from 'react';
import type { JobEvent } from '../../../core/log/events';
import { jobEvents } from '../../../server/use-cases/job-page';
import { fromServerOrKeptPage } from '../../job/offline-page';
import { useJobFrame } from '../../ui/job-frame';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import { SearchField } from '../../ui/search-field';
import { logKinds, wayBack, wayBackText } from '../../../words/log';
import { plural } from '../../../words/things';
import { loadJob } from '../job-loader';
import type { Route } from './+types/log';
import { chainTo } from './chain';
import { EntriesTable } from './entries-table';
import { type Entries, useEntries } from './use-entries';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who } = await loadJob(request, context, params.job);
  return { events: (await jobEvents(who, params.job, 0))?.events ?? [] };
}
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOrKeptPage(request, serverLoader);

/** Everything that happened to a job, with time and person; back to any point that can be gone back to. */
export default function Log({ loaderData }: Route.ComponentProps) {
  const { state, say } = useJobFrame();
  const entries = useEntries(loaderData.events);
  const [asked, setAsked] = useState<JobEvent>();
  return (
    <main className="page stack">
      <section className="card stack" aria-label={wording.log}>
        <div className="spread">
          <h1>{wording.log}</h1>
          <span className="muted">
            {wording.takenBack(
              plural(entries.events.length, 'entry', 'entries'),
              Object.keys(state.retracted).length,
            )}
          </span>
        </div>
        <Narrow entries={entries} />
        {asked && <TakeBack to={asked} onClose={() => setAsked(undefined)} />}
        <EntriesTable
          entries={entries}
          onBack={(event) => {
            say(undefined);
            setAsked(event);
          }}
        />
      </section>
    </main>
  );
}

function Narrow({ entries }: { entries: Entries }) {
  const { people } = useJobFrame().page;
  const { events, kind, setKind, person, setPerson, text, setText } = entries;
  return (
    <div className="row">
      <SearchField
        label={wording.searchTheLogOrAnd}
        hint={wording.wordsOrAndANumber}
        className="w-260"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <Pick
        aria-label={wording.kind}
        value={kind}
        onChange={setKind}
        options={logKinds.map((k) => ({ value: k.id, label: k.name }))}
      />
      <Pick
        aria-label={wording.person}
        value={person}
        onChange={setPerson}
        options={[
          { value: '', label: wording.everybody },
          ...[...new Set(events.map((e) => e.by))].map((p) => ({
            value: p,
            label: people[p] ?? wording.somebody,
          })),
        ]}
      />
    </div>
  );
}

/** What going back to an entry takes back, before it is done: all of it at once, or none. */
function TakeBack({ to, onClose }: { to: JobEvent; onClose: () => void }) {
  const { state, who, report, say } = useJobFrame();
  const way = wayBack(state, chainTo(state, to.id), who.personId);
  const { reach } = way;
  const takeBack = async () => {
    onClose();
    if (await report({ type: 'retracted', event: reach.at(-1)!, entries: reach.length }))
      say(wording.takenBackTheLogKeeps(plural(reach.length, wording.entryWas, wording.entriesWere)));
  };
  return (
    <Note layout="row" role="alert">
      <span className="fill">{wayBackText(way, to.seq, who.personId)}</span>
      {reach.length > 0 && (
        <Button danger onClick={() => void takeBack()}>
          {wording.takeThemBack}
        </Button>
      )}
      <Button onClick={onClose}>{wording.leaveIt}</Button>
    </Note>
  );
}
