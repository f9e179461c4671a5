import { Button } from 'antd';
import { useState } from 'react';
import { chargeOf } from '../../../core/checks/usb-meter';
import { type UsbDevice, usbDevices, type UsbSaid } from '../../../core/wire/usb-meter';
import * as wording from '../../../words/screens/usb-meter';
import { Pick } from '../../ui/pick';
import type { ChecksState } from './use-checks';

/** Whether it charges, by the bench's meter: its figure stands with the answer. */
export function UsbMeterCard({ checks, simulated }: { checks: ChecksState; simulated: boolean }) {
  const { rows, round, may, report } = checks;
  const [said, setSaid] = useState<UsbSaid>();
  const [busy, setBusy] = useState(false);
  const [device, setDevice] = useState<UsbDevice>('charges');
  const row = rows.find((r) => r.fn === 'charging' && r.lit);
  if (!row || !may) return null;
  const read = async () => {
    setBusy(true);
    const got = await fetch('/usb-meter', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ simulate: device }),
    })
      .then((res) => res.json() as Promise<UsbSaid>)
      .catch((): UsbSaid => ({ ok: false, said: '' }));
    setSaid(got);
    setBusy(false);
  };
  const answer = (result: 'works' | 'fails') => {
    if (!said?.ok) return;
    const note = wording.note(said.volt.toFixed(2), said.ampere.toFixed(2), said.simulated === true);
    void report({ type: 'checked', round, function: 'charging', result, note });
    setSaid(undefined);
  };
  return (
    <section className="card noprint" aria-label={wording.meter}>
      <div className="row mid">
        <span className="strong">{wording.meter}</span>
        <Button loading={busy} onClick={() => void read()}>
          {wording.read}
        </Button>
        {said && (
          <span role="status" data-testid="usb-said">
            {said.ok
              ? wording.said(said.volt.toFixed(2), said.ampere.toFixed(2), wording.means[chargeOf(said)])
              : wording.noMeter(said.said)}
          </span>
        )}
        {said?.ok && (
          <>
            <Button
              type={chargeOf(said) === 'charges' ? 'primary' : 'default'}
              onClick={() => answer('works')}
            >
              {wording.itCharges}
            </Button>
            <Button onClick={() => answer('fails')}>{wording.itDoesNot}</Button>
          </>
        )}
        {simulated && (
          <Pick
            letGo
            aria-label={wording.standIn}
            value={device}
            onChange={setDevice}
            options={usbDevices.map((d) => ({ value: d, label: wording.deviceName[d] }))}
          />
        )}
      </div>
    </section>
  );
}
