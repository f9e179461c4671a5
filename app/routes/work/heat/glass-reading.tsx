import { Button, Input } from 'antd';
import { useState } from 'react';
import * as wording from '../../../../words/screens/heat';
import { typedFigure } from '../../../ui/zod-form';

/** A temperature that was read at the glass: typed, or sent by a thermocouple that types. */
export function GlassReading({ onRead }: { onRead: (celsius: number) => void }) {
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState(false);
  const take = () => {
    const celsius = typedFigure(text.replace(/\s*°?\s*C$/i, ''));
    if (!(celsius >= 0 && celsius <= 150)) {
      setWrong(true);
      return;
    }
    setText('');
    setWrong(false);
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
            setWrong(false);
          }}
          onPressEnter={take}
        />
        <Button onMouseDown={(e) => e.preventDefault()} onClick={take}>
          {wording.take}
        </Button>
      </div>
      {wrong && (
        <p className="brick small m-0" role="alert">
          {wording.noReading}
        </p>
      )}
    </div>
  );
}
