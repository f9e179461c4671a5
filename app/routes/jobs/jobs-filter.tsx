import { Button, DatePicker } from 'antd';
import { dayjs, type Dayjs } from '../../ui/dayjs';
import { endings } from '../../../core/log/events';
import { stages } from '../../../core/progress/stage';
import { type JobsQuery, jobsQuery } from '../../../core/forms/jobs-query';
import { Pick } from '../../ui/pick';
import { SearchForm } from '../../ui/search-field';

/** The days that people ask for. */
const spans = (): { label: string; value: [Dayjs, Dayjs] }[] => {
  const now = dayjs();
  return [
    { label: 'today', value: [now, now] },
    { label: 'this week', value: [now.startOf('week'), now] },
    { label: 'this month', value: [now.startOf('month'), now] },
    { label: 'last three months', value: [now.subtract(3, 'month'), now] },
  ];
};
const isoDay = 'YYYY-MM-DD';

/** What the list is narrowed by. Words by Enter; the rest as soon as it is chosen. */
export function JobsFilter({
  query,
  models,
  people,
  narrowed,
  onAsk,
}: {
  query: JobsQuery;
  models: readonly string[];
  people: readonly { id: string; name: string }[];
  narrowed: boolean;
  onAsk: (change: Partial<JobsQuery>) => void;
}) {
  const { at, model, person, from, to, q } = query;
  return (
    <SearchForm
      label="Search jobs"
      hint="job, tag, owner, complaint, serial, lot"
      className="grow-260"
      words={q}
      onWords={(words) => onAsk({ q: words })}
      after={narrowed && <Button onClick={() => onAsk(jobsQuery.parse({}))}>All jobs</Button>}
    >
      <Pick
        aria-label="Stands at"
        value={at}
        onChange={(value) => onAsk({ at: value as JobsQuery['at'] })}
        options={[
          { value: '', label: 'at any stage' },
          { value: 'open', label: 'open' },
          ...[...stages, ...endings].map((s) => ({ value: s as string, label: s as string })),
        ]}
      />
      <Pick
        aria-label="Model"
        value={model}
        onChange={(value) => onAsk({ model: value })}
        options={[{ value: '', label: 'any model' }, ...models.map((m) => ({ value: m, label: m }))]}
      />
      <Pick
        aria-label="Worked on by"
        value={person}
        onChange={(value) => onAsk({ person: value })}
        options={[
          { value: '', label: 'by anybody' },
          ...people.map((p) => ({ value: p.id, label: `by ${p.name}` })),
        ]}
      />
      <DatePicker.RangePicker
        aria-label="Received between"
        placeholder={['received from', 'to']}
        format={['D MMM YYYY', 'D/M/YYYY', isoDay]}
        presets={spans()}
        allowEmpty={[true, true]}
        value={[from ? dayjs(from) : null, to ? dayjs(to) : null]}
        onChange={(days) =>
          onAsk({ from: days?.[0]?.format(isoDay) ?? '', to: days?.[1]?.format(isoDay) ?? '' })
        }
      />
    </SearchForm>
  );
}
