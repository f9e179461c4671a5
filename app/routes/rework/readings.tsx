import { Button, Input } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import type { Changed } from '../../../core/wire/changed';
import type { ReadTemperature } from '../../../core/wire/read-temperature';
import * as wording from '../../../words/screens/rework';
import type { ProfileTold } from '../../workers/rework.worker';
import { typedFigure } from '../../ui/zod-form';
import { Kept } from '../workshop/use-change';
import { useOnFor } from './step-card';
import type { Rework } from './use-rework';

type Reading = { atS: number; celsius: number };
/** What a thermocouple at the joint reads, typed or read from the bench's; it narrows the profile, and is kept for the station. */
export function Readings({
  rework,
  told,
  readings,
  onReadings,
}: {
  rework: Rework;
  told: ProfileTold | undefined;
  readings: Reading[];
  onReadings: (readings: Reading[]) => void;
}) {
  const onFor = useOnFor(rework);
  const [celsius, setCelsius] = useState('');
  const [after, setAfter] = useState('');
  const [wrong, setWrong] = useState<string>();
  const add = (reading: Reading) => {
    const good = reading.celsius >= 0 && reading.celsius <= 450 && reading.atS >= 0 && reading.atS <= 300;
    setWrong(good ? undefined : wording.wrongReading);
    if (!good) return;
    onReadings([...readings, reading]);
    setCelsius('');
    setAfter('');
    (document.activeElement as HTMLElement | null)?.blur();
  };
  const read = async () => {
    const got = await fetch(`/jobs/${rework.frame.page.id}/thermometer`, { method: 'POST' })
      .then((res) => res.json() as Promise<ReadTemperature>)
      .catch(() => ({ ok: false as const, said: '' }));
    if (got.ok) add({ atS: onFor ?? 0, celsius: got.celsius });
    else setWrong(wording.noThermometer(got.said ?? ''));
  };
  return (
    <div className="stack gap-4">
      <ReadingRow
        {...{ celsius, after, onFor, onCelsius: setCelsius, onAfter: setAfter }}
        onTake={() =>
          add({
            celsius: typedFigure(celsius),
            atS: after.trim() ? typedFigure(after) : (onFor ?? Number.NaN),
          })
        }
        onRead={() => void read()}
      />
      {wrong && (
        <p className="brick small m-0" role="alert">
          {wrong}
        </p>
      )}
      {told?.profile.fitted && (
        <KeepFilm rework={rework} told={told} count={readings.length} onForget={() => onReadings([])} />
      )}
    </div>
  );
}
function KeepFilm({
  rework,
  told,
  count,
  onForget,
}: {
  rework: Rework;
  told: ProfileTold;
  count: number;
  onForget: () => void;
}) {
  const fetcher = useFetcher<Changed>();
  const film = told.profile.fitted!;
  const { role } = rework.frame.who;
  const keep = () =>
    void fetcher.submit(JSON.stringify({ do: 'hot air', filmWm2K: film, readings: count }), {
      ...{ method: 'post', action: '/workshop', encType: 'application/json' },
    });
  return (
    <div className="row small">
      <span>{wording.fitted(Math.round(film.low), Math.round(film.high))}</span>
      {(role === 'owner' || role === 'lead') && (
        <Button loading={fetcher.state !== 'idle'} onClick={keep}>
          {wording.keepIt}
        </Button>
      )}
      <Button onClick={onForget}>{wording.forget}</Button>
      <Kept said={fetcher.data?.ok ? { ok: true, said: wording.kept } : fetcher.data} />
    </div>
  );
}

/** What is typed, and after how long; what is on now can be read from the bench's thermocouple. */
function ReadingRow({
  celsius,
  after,
  onFor,
  onCelsius,
  onAfter,
  onTake,
  onRead,
}: {
  celsius: string;
  after: string;
  onFor: number | undefined;
  onCelsius: (text: string) => void;
  onAfter: (text: string) => void;
  onTake: () => void;
  onRead: () => void;
}) {
  const common = { className: 'w-110', inputMode: 'decimal', maxLength: 6 } as const;
  return (
    <div className="row one-line gap-8">
      <label htmlFor="joint-reads" className="nowrap">
        {wording.reads}
      </label>
      <Input
        id="joint-reads"
        {...common}
        suffix="°C"
        value={celsius}
        onChange={(e) => onCelsius(e.target.value)}
      />
      <label htmlFor="joint-after">{wording.afterS}</label>
      <Input
        id="joint-after"
        {...common}
        suffix="s"
        value={after}
        placeholder={onFor === undefined ? '' : String(onFor)}
        onChange={(e) => onAfter(e.target.value)}
      />
      <Button onClick={onTake}>{wording.take}</Button>
      {onFor !== undefined && (
        <Button onMouseDown={(e) => e.preventDefault()} onClick={onRead}>
          {wording.readIt}
        </Button>
      )}
    </div>
  );
}
