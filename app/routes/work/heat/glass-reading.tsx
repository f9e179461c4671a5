import { Button, Input } from 'antd';
import { useState } from 'react';
import type { ReadTemperature } from '../../../../core/wire/read-temperature';
import * as wording from '../../../../words/screens/heat';
import { typedFigure } from '../../../ui/zod-form';

/** A temperature at the glass: typed, sent by a thermocouple that types, or read from the bench's thermometer. */
export function GlassReading({ job, onRead }: { job: string; onRead: (celsius: number) => void }) {
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string>();
  const [reading, setReading] = useState(false);
  const measure = async () => {
    setReading(true);
    setWrong(undefined);
    const read = await fetch(`/jobs/${job}/thermometer`, { method: 'POST' })
      .then((res) => res.json() as Promise<ReadTemperature>)
      .catch(() => ({ ok: false as const, said: '' }));
    setReading(false);
    if (read.ok) onRead(read.celsius);
    else setWrong(wording.noThermometer(read.said ?? ''));
  };
  const take = () => {
    const celsius = typedFigure(text.replace(/\s*°?\s*C$/i, ''));
    if (!(celsius >= 0 && celsius <= 150)) {
      setWrong(wording.noReading);
      return;
    }
    setText('');
    setWrong(undefined);
    onRead(Math.round(celsius * 10) / 10);
    // the next Space is the pedal's
    (document.activeElement as HTMLElement | null)?.blur();
  };
  return (
    <div>
      <div className="row one-line gap-8">
        <label htmlFor="glass-reads" className="nowrap">
          {wording.glassReads}
        </label>
        <Input
          id="glass-reads"
          className="w-110"
          suffix="°C"
          inputMode="decimal"
          autoComplete="off"
          maxLength={8}
          value={text}
          status={wrong ? 'error' : ''}
          onChange={(event) => {
            setText(event.target.value);
            setWrong(undefined);
          }}
          onPressEnter={take}
        />
        <Button onMouseDown={(e) => e.preventDefault()} onClick={take}>
          {wording.take}
        </Button>
        <Button onMouseDown={(e) => e.preventDefault()} loading={reading} onClick={() => void measure()}>
          {wording.readIt}
        </Button>
      </div>
      {wrong && (
        <p className="brick small m-0" role="alert">
          {wrong}
        </p>
      )}
    </div>
  );
}
