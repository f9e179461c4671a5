import { Button, Input } from 'antd';
import { useState } from 'react';
import { useFetcher } from 'react-router';
import {
  addressSchema,
  type Instrument,
  type InstrumentTried,
  instruments,
} from '../../../core/wire/instruments';
import type { ShopSettings } from '../../../core/wire/who';
import * as wording from '../../../words/screens/instruments';
import { Field } from '../../ui/field';
import { Kept, useChange } from './use-change';

/** Where the instruments of the bench listen. None exists in a workshop before its address is kept here. */
export function InstrumentsCard({
  settings,
  may,
  demo,
}: {
  settings: ShopSettings;
  may: boolean;
  demo: boolean;
}) {
  return (
    <section className="card stack gap-8" aria-label={wording.title} id="instruments">
      <h2>{wording.title}</h2>
      <p className="muted small m-0">{demo ? `${wording.means} ${wording.demoMeans}` : wording.means}</p>
      {instruments.map((instrument) => (
        <InstrumentRow
          key={instrument}
          instrument={instrument}
          kept={settings.instruments?.[instrument] ?? ''}
          may={may}
        />
      ))}
    </section>
  );
}
function InstrumentRow({ instrument, kept, may }: { instrument: Instrument; kept: string; may: boolean }) {
  const [typed, setTyped] = useState(kept);
  const [wrong, setWrong] = useState(false);
  const { change, said, busy } = useChange();
  const trial = useFetcher<InstrumentTried>();
  const id = `instrument-${instrument}`;
  const read = addressSchema.safeParse(typed);
  const withAddress = (work: (address: string) => void) => {
    setWrong(!read.success);
    if (read.success) work(read.data);
  };
  const remove = () => {
    setTyped('');
    change({ do: 'instrument', instrument, address: null });
  };
  const tryIt = (address: string) =>
    void trial.submit(JSON.stringify({ do: 'try instrument', instrument, address }), {
      method: 'post',
      encType: 'application/json',
    });
  return (
    <Field
      label={wording.nameOf[instrument]}
      htmlFor={id}
      {...(wrong ? { validateStatus: 'error', help: wording.giveAddress } : {})}
    >
      <div className="row tight">
        <Input
          id={id}
          className="w-200"
          value={typed}
          placeholder={wording.placeholder}
          maxLength={210}
          readOnly={!may}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => {
            setTyped(event.target.value);
            setWrong(false);
          }}
        />
        {may && (
          <>
            <Button loading={trial.state !== 'idle'} onClick={() => withAddress(tryIt)}>
              {wording.tryIt}
            </Button>
            {kept && typed.trim() === kept ? (
              <Button loading={busy} onClick={remove}>
                {wording.remove}
              </Button>
            ) : (
              <Button
                loading={busy}
                disabled={typed.trim() === ''}
                onClick={() => withAddress((address) => change({ do: 'instrument', instrument, address }))}
              >
                {wording.keep}
              </Button>
            )}
          </>
        )}
      </div>
      <div className="row">
        <Kept said={said} />
        {trial.data && trial.state === 'idle' && (
          <span className={trial.data.ok ? 'moss' : 'brick'} role="status">
            {trial.data.ok ? wording.answers(trial.data.name) : wording.silent}
          </span>
        )}
      </div>
    </Field>
  );
}
