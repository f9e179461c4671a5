import { Button, Input } from 'antd';
import { useFetcher } from 'react-router';
import type { CalendarSaid } from '../../../core/wire/calendar';
import * as wording from '../../../words/screens/calendar';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { Note } from '../../ui/note';

/** The address of a calendar of promises for the counter: made, made anew, ended. */
export function CalendarCard({ since, may }: { since: number | null; may: boolean }) {
  const fetcher = useFetcher<CalendarSaid>();
  const { day } = useFormats();
  const said = fetcher.data;
  const ask = (what: 'make' | 'end') =>
    void fetcher.submit(JSON.stringify({ do: what }), {
      ...{ method: 'post', action: '/calendar', encType: 'application/json' },
    });
  const address = said?.ok && said.path ? `${location.origin}${said.path}` : undefined;
  return (
    <section className="card stack gap-8" aria-label={wording.calendar}>
      <h2>{wording.calendar}</h2>
      <p className="small muted m-0">{wording.means}</p>
      <p className="m-0" suppressHydrationWarning>
        {since === null ? wording.none : wording.since(day(since))}
      </p>
      {address && (
        <Field label={wording.address} htmlFor="calendar-address">
          <Input id="calendar-address" readOnly value={address} onFocus={(e) => e.target.select()} />
        </Field>
      )}
      {said && (
        <Note tone={said.ok ? 'safe' : 'stop'} role={said.ok ? 'status' : 'alert'}>
          {said.ok ? said.said : said.errors.form}
        </Note>
      )}
      {may && (
        <div className="row">
          <Button loading={fetcher.state !== 'idle'} onClick={() => ask('make')}>
            {since === null ? wording.make : wording.makeAnew}
          </Button>
          {since !== null && (
            <Button danger onClick={() => ask('end')}>
              {wording.end}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
