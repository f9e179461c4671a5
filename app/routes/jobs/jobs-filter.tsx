import * as wording from '../../../words/screens/jobs';
import { Button, DatePicker } from 'antd';
import { dayjs, type Dayjs, onTheWall } from '../../ui/dayjs';
import { endings } from '../../../core/log/events';
import { stages } from '../../../core/progress/stage';
import { type JobsQuery, jobsQuery } from '../../../forms/jobs-query';
import { useFormats } from '../../ui/formats';
import { Pick } from '../../ui/pick';
import { SearchForm } from '../../ui/search-field';

/** The days that people ask for. */
const spans = (now: Dayjs): { label: string; value: [Dayjs, Dayjs] }[] => [
  { label: wording.today, value: [now, now] },
  { label: wording.thisWeek, value: [now.startOf('week'), now] },
  { label: wording.thisMonth, value: [now.startOf('month'), now] },
  { label: wording.lastThreeMonths, value: [now.subtract(3, 'month'), now] },
];
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
  const { timeZone } = useFormats();
  return (
    <SearchForm
      label={wording.searchJobs}
      hint={wording.jobTagOwnerComplaintSerial}
      className="grow-260"
      words={q}
      onWords={(words) => onAsk({ q: words })}
      after={narrowed && <Button onClick={() => onAsk(jobsQuery.parse({}))}>{wording.allJobs}</Button>}
    >
      <Pick
        aria-label={wording.standsAt}
        value={at}
        onChange={(value) => onAsk({ at: value as JobsQuery['at'] })}
        options={[
          { value: '', label: wording.atAnyStage },
          { value: 'open', label: wording.open },
          ...[...stages, ...endings].map((s) => ({ value: s as string, label: s as string })),
        ]}
      />
      <Pick
        aria-label={wording.model}
        value={model}
        onChange={(value) => onAsk({ model: value })}
        options={[{ value: '', label: wording.anyModel }, ...models.map((m) => ({ value: m, label: m }))]}
      />
      <Pick
        aria-label={wording.workedOnBy}
        value={person}
        onChange={(value) => onAsk({ person: value })}
        options={[
          { value: '', label: wording.byAnybody },
          ...people.map((p) => ({ value: p.id, label: wording.by(p.name) })),
        ]}
      />
      <DatePicker.RangePicker
        aria-label={wording.receivedBetween}
        placeholder={[wording.receivedFrom, 'to']}
        format={['D MMM YYYY', 'D/M/YYYY', isoDay]}
        presets={spans(onTheWall(Date.now(), timeZone))}
        allowEmpty={[true, true]}
        value={[from ? dayjs(from) : null, to ? dayjs(to) : null]}
        onChange={(days) =>
          onAsk({ from: days?.[0]?.format(isoDay) ?? '', to: days?.[1]?.format(isoDay) ?? '' })
        }
      />
    </SearchForm>
  );
}
