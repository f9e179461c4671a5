import { Descriptions, Checkbox, Button } from 'antd';
import { useState } from 'react';
import { setPreferences, usePreferences } from './preferences';
import { Sheet } from './sheet';
import { say } from './speech';

const keys: [string, string][] = [
  ['Space, Page Down', 'the next thing is done, by Enter too; the pedal is Page Down'],
  ['A', 'all screws of this go at once'],
  ['Backspace', 'take back the latest entry, if it is yours'],
  ['1 – 9', 'change device; on Checks and at Receive 1, 2, 3 answer'],
  ['0', 'all open devices'],
  ['T', 'trouble: stripped, stuck, torn, lost, found, broken, …'],
  ['N', 'note or photograph of what is in hand'],
  ['S', 'say the instruction'],
  ['V', 'turn the map over'],
  ['+  −  Home  arrows', 'map: closer, away, to the step, move'],
  ['/', 'find a screw, plug or piece of this device'],
  ['?', 'these keys'],
  ['calliper, scanner', 'what they type is a measurement or a code, never a shortcut'],
];
/** The keys, and how this bench shows things: kept in this browser. */
export function KeysSheet({ onClose }: { onClose: () => void }) {
  const p = usePreferences();
  const [voice, setVoice] = useState(true);
  const [asked, setAsked] = useState(
    typeof Notification === 'undefined' ? 'denied' : Notification.permission,
  );
  const pick = <K extends 'theme' | 'text'>(k: K, v: (typeof p)[K], label: string) => (
    <Button
      type={p[k] === v ? 'primary' : 'default'}
      aria-pressed={p[k] === v}
      onClick={() => setPreferences({ [k]: v })}
    >
      {label}
    </Button>
  );
  const tick = (k: 'speak' | 'sound' | 'letters', label: string) => (
    <Checkbox
      checked={p[k]}
      onChange={(e) => {
        setPreferences({ [k]: e.target.checked });
        if (k === 'speak' && e.target.checked) setVoice(say('Snavek speaks.'));
      }}
    >
      {label}
    </Checkbox>
  );
  return (
    <Sheet title="Keys and view" onClose={onClose}>
      <Descriptions
        column={1}
        size="small"
        colon={false}
        className="keylist"
        items={keys.map(([k, t]) => ({ key: k, label: <kbd>{k}</kbd>, children: t }))}
      />
      <div className="row">
        {pick('text', 'normal', 'Text: normal')}
        {pick('text', 'large', 'larger')}
        {pick('theme', 'light', 'Light')}
        {pick('theme', 'dark', 'Dark, for the microscope')}
      </div>
      <div>
        {tick('letters', 'shortcuts of one letter or digit')}
        {tick('speak', 'speak each instruction')}
        {!voice && <p className="small brick">This browser has no voice.</p>}
        {tick('sound', 'a sound when a timer is over')}
      </div>
      {asked === 'default' && (
        <div>
          <Button onClick={() => void Notification.requestPermission().then(setAsked)}>
            Notify me when a timer is over
          </Button>
        </div>
      )}
    </Sheet>
  );
}
