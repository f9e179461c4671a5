import { Button, Input } from 'antd';
import { useState } from 'react';
import type { ReadingSaid } from '../../../../core/heat/heat-window';
import type { ReadTemperature } from '../../../../core/wire/read-temperature';
import * as wording from '../../../../words/screens/heat';
import { typedFigure } from '../../../ui/zod-form';

/** Two readings of one thing differ by no more, K. */
const sameK = 3;
interface Asked {
  job: string;
  /** What is to be thought of it, before it is taken. */
  said: (celsius: number) => ReadingSaid;
  /** @param again it was far from what was expected, and was read and said twice */
  onRead: (celsius: number, again: boolean) => void;
}
/** What is typed or read, thought about, and taken or asked for again. */
function useReading(job: string, said: Asked['said'], onRead: Asked['onRead']) {
  /** What was read and not taken at once. */
  const [surprise, setSurprise] = useState<number>();
  const told = (celsius: number) => {
    const thought = said(celsius);
    const twice = surprise !== undefined && Math.abs(celsius - surprise) <= sameK;
    if (thought.plausible || (thought.why === 'unexpected' && twice)) {
      setSurprise(undefined);
      onRead(celsius, !thought.plausible);
      return;
    }
    setSurprise(celsius);
    setWrong(
      thought.why === 'unexpected'
        ? wording.readAgain(celsius, thought.from, thought.to)
        : wording.cannotBe(celsius, thought.to),
    );
  };
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
    if (read.ok) told(read.celsius);
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
    told(Math.round(celsius * 10) / 10);
    // the next Space is the pedal's
    (document.activeElement as HTMLElement | null)?.blur();
  };
  const type = (typed: string) => {
    setText(typed);
    setWrong(undefined);
  };
  return { text, type, wrong, reading, take, measure };
}
/** A temperature at the glass: typed, sent by a thermocouple that types, or read from the bench's thermometer. */
export function GlassReading({ job, said, onRead }: Asked) {
  const { text, type, wrong, reading, take, measure } = useReading(job, said, onRead);
  return (
    <div>
      {wrong && (
        <p className="brick small m-0" role="alert">
          {wrong}
        </p>
      )}
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
          onChange={(event) => type(event.target.value)}
          onPressEnter={take}
        />
        <Button onMouseDown={(e) => e.preventDefault()} onClick={take}>
          {wording.take}
        </Button>
        <Button onMouseDown={(e) => e.preventDefault()} loading={reading} onClick={() => void measure()}>
          {wording.readIt}
        </Button>
      </div>
    </div>
  );
}
