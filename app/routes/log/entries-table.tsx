import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/log';
import { Button } from 'antd';
import type { JobEvent } from '../../../core/log/events';
import { DataTable } from '../../ui/data-table';
import { useJobFrame } from '../../ui/job-frame';
import { EntryText } from './entry-text';
import type { Entries } from './use-entries';

/** Entries of one page. */
const most = 500;

/** The entries, the latest first. */
export function EntriesTable({
  entries: { shown, number },
  onBack,
}: {
  entries: Entries;
  onBack: (e: JobEvent) => void;
}) {
  const { day, clock } = useFormats();
  const { page, index, state } = useJobFrame();
  const name = (id: string) => page.people[id] ?? 'somebody';
  const latest = state.trail.at(-1)?.event;
  if (shown.length === 0) return <p>{wording.nothingInTheLogMatches}</p>;
  return (
    <>
      <DataTable
        name="Entries"
        rows={shown.slice(0, most)}
        most={most}
        rowKey={(e) => e.id}
        rowClassName={(e) => (number === String(e.seq) ? 'hot' : '')}
        onRow={(e) => ({ id: `e${e.seq}` })}
        columns={[
          { title: '#', className: 'muted', cell: (e) => e.seq },
          {
            title: wording.when,
            className: 'nowrap',
            cell: (event) => (
              <span suppressHydrationWarning>
                {`${day(event.at)} ${clock(event.at)}`}
                {!event.clockKnown && <span className="brick small"> {wording.clockNotKnown}</span>}
              </span>
            ),
          },
          { title: wording.who, cell: (e) => name(e.by) },
          {
            title: wording.what,
            cell: (e) => <EntryText e={e} index={index} gone={state.retracted[e.id]} name={name} />,
          },
          {
            title: <span className="sr">{wording.takeBack}</span>,
            align: 'right',
            cell: (event) =>
              event.id !== latest &&
              state.trail.some((x) => x.event === event.id) && (
                <Button onClick={() => onBack(event)} aria-label={wording.backToEntry(event.seq)}>
                  {wording.backToHere}
                </Button>
              ),
          },
        ]}
      />
      {shown.length > most && <p className="muted">{wording.theLatestOfAreShown(most, shown.length)}</p>}
    </>
  );
}
