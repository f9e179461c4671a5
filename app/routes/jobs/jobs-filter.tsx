import { Button, DatePicker, Form, Input, type InputRef } from 'antd';
import { dayjs, type Dayjs } from '../../ui/dayjs';
import { useRef } from 'react';
import { endings } from '../../../core/job/events';
import { stages } from '../../../core/job/stage';
import { type JobsQuery, jobsQuery } from '../../../core/forms/jobs-query';
import { useKeys } from '../../ui/keys';
import { Pick } from '../../ui/pick';

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
  const search = useRef<InputRef>(null);
  useKeys({ search: () => search.current?.focus() });
  const { at, model, person, from, to, q } = query;
  return (
    <Form
      key={q}
      role="search"
      className="row"
      initialValues={{ q }}
      onFinish={(said: { q: string }) => onAsk({ q: said.q.trim() })}
    >
      <Form.Item name="q" noStyle>
        <Input
          ref={search}
          type="search"
          aria-label="Search jobs"
          className="grow-260"
          maxLength={80}
          placeholder="number, tag, model, owner, complaint, serial, lot  ( / )"
        />
      </Form.Item>
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
      <Button htmlType="submit">Search</Button>
      {narrowed && <Button onClick={() => onAsk(jobsQuery.parse({}))}>All jobs</Button>}
    </Form>
  );
}
