import { Button, Input } from 'antd';
import { useState } from 'react';
import { generalStations } from '../../../core/methods/catalogue';
import { type Source, sources } from '../../../core/thermal/sources';
import type { ShopSettings } from '../../../core/wire/who';
import * as wording from '../../../words/screens/heat';
import { Field } from '../../ui/field';
import { useFormats } from '../../ui/formats';
import { typedFigure } from '../../ui/zod-form';
import { Kept, useChange } from './use-change';

const nameOf = (station: string) => generalStations.find((s) => s.id === station)?.name ?? station;

/** How the heat sources of the workshop are set, and what readings at the glass made of each. */
export function Sources({ settings, may }: { settings: ShopSettings; may: boolean }) {
  const owned = sources.filter((source) => settings.stations.includes(source.station));
  if (!owned.length) return null;
  return (
    <section className="card stack gap-8" aria-label={wording.sources}>
      <h2>{wording.sources}</h2>
      <p className="muted small m-0">{wording.sourcesMean}</p>
      {owned.map((source) => (
        <SourceRow key={source.station} source={source} own={settings.heat?.[source.station]} may={may} />
      ))}
    </section>
  );
}
function SourceRow({
  source: { station, usualC, mostC },
  own,
  may,
}: {
  source: Source;
  own: NonNullable<ShopSettings['heat']>[string];
  may: boolean;
}) {
  const { change, said, errors } = useChange();
  const { day } = useFormats();
  const [text, setText] = useState(String(own?.setC ?? usualC));
  const [wrong, setWrong] = useState<string>();
  const setC = typedFigure(text);
  const keep = () => {
    if (!(setC >= 30 && setC <= mostC)) {
      setWrong(wording.range(30, mostC));
      return;
    }
    setWrong(undefined);
    if (setC !== (own?.setC ?? usualC)) change({ do: 'heat', station, setC });
  };
  const error = wrong ?? errors?.setC;
  return (
    <div className="row top gap-8">
      <Field
        label={wording.set(nameOf(station).split(',')[0]!)}
        htmlFor={`set-${station}`}
        {...(error ? { validateStatus: 'error' as const, help: error } : {})}
      >
        <Input
          id={`set-${station}`}
          className="w-110"
          suffix="°C"
          inputMode="decimal"
          maxLength={5}
          readOnly={!may}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={keep}
          onPressEnter={keep}
        />
      </Field>
      <span className="small muted fill" suppressHydrationWarning>
        {own?.readings && own.fittedAt
          ? wording.calibrated(own.readings, day(own.fittedAt))
          : wording.notCalibrated}
        {own?.readings && may && (
          <Button type="link" onClick={() => change({ do: 'heat', station, setC: own.setC, forget: true })}>
            {wording.forget}
          </Button>
        )}
        <Kept said={said} />
      </span>
    </div>
  );
}
