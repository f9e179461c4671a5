import type { ReactNode } from 'react';
import { flag, type JobState } from '../../core/job/state';
import { conditionsOf } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { JobPage } from '../../server/use-cases/job-page';
import { JobTabs } from './head';
import { Note } from './note';

type Props = {
  page: JobPage;
  index: IndexedModel;
  state: JobState;
  here: React.ComponentProps<typeof JobTabs>['here'];
};

/** A screen of one job that is read from the top down: its tabs, what has just been refused or said, and the rest. */
export function JobScreen({
  said,
  children,
  ...head
}: Props & { said: string | undefined; children: ReactNode }) {
  return (
    <>
      <JobHead {...head} />
      <main className="page stack">
        {said && (
          <Note tone="stop" role="alert">
            {said}
          </Note>
        )}
        {children}
      </main>
    </>
  );
}

/** What stands on top of every screen of one job: its screens, which device it is, and what is wrong with it. */
export function JobHead({ page, index, state, here }: Props) {
  return (
    <JobTabs
      id={page.id}
      here={here}
      title={`${index.model.maker} ${index.model.name} · ${flag(state, 'tag') ?? ''} · job ${page.number}`}
      conditions={flag(state, 'ending') ? [] : conditionsOf(state)}
    />
  );
}
