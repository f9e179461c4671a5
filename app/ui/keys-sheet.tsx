import * as wording from '../../words/screens/keys-sheet';
import { Descriptions, Checkbox, Button } from 'antd';
import { useState } from 'react';
import { setPreferences, usePreferences } from './preferences';
import { Sheet } from './sheet';
import { say } from './speech';

const keys: [string, string][] = [
  ['Space, Page Down', wording.theNextThingIsDone],
  ['A', wording.allScrewsOfThisGo],
  ['Backspace', wording.takeBackTheLatestEntry],
  ['1 – 9', wording.changeDeviceOnChecksAnd],
  ['0', wording.allOpenDevices],
  ['T', wording.troubleStrippedStuckTornLost],
  ['N', wording.noteOrPhotographOfWhat],
  ['S', wording.sayTheInstruction],
  ['V', wording.turnTheMapOver],
  ['+  −  Home  arrows', wording.mapCloserAwayToThe],
  ['/', wording.findAScrewPlugOr],
  ['?', wording.theseKeys],
  [wording.calliperScanner, wording.whatTheyTypeIsA],
];
/** The keys, and how this bench shows things: kept in this browser. */
export function KeysSheet({ onClose }: { onClose: () => void }) {
  const preferences = usePreferences();
  const [voice, setVoice] = useState(true);
  const [asked, setAsked] = useState(
    typeof Notification === 'undefined' ? 'denied' : Notification.permission,
  );
  const pick = <K extends 'theme' | 'text'>(k: K, v: (typeof preferences)[K], label: string) => (
    <Button
      type={preferences[k] === v ? 'primary' : 'default'}
      aria-pressed={preferences[k] === v}
      onClick={() => setPreferences({ [k]: v })}
    >
      {label}
    </Button>
  );
  const tick = (k: 'speak' | 'sound' | 'letters', label: string) => (
    <Checkbox
      checked={preferences[k]}
      onChange={(checkboxChangeEvent) => {
        setPreferences({ [k]: checkboxChangeEvent.target.checked });
        if (k === 'speak' && checkboxChangeEvent.target.checked) setVoice(say(wording.snavekSpeaks));
      }}
    >
      {label}
    </Checkbox>
  );
  return (
    <Sheet title={wording.keysAndView} onClose={onClose}>
      <Descriptions
        column={1}
        size="small"
        colon={false}
        className="keylist"
        items={keys.map(([k, t]) => ({ key: k, label: <kbd>{k}</kbd>, children: t }))}
      />
      <div className="row">
        {pick('text', 'normal', wording.textNormal)}
        {pick('text', 'large', 'larger')}
        {pick('theme', 'light', 'Light')}
        {pick('theme', 'dark', wording.darkForTheMicroscope)}
      </div>
      <div>
        {tick('letters', wording.shortcutsOfOneLetterOr)}
        {tick('speak', wording.speakEachInstruction)}
        {!voice && <p className="small brick">{wording.thisBrowserHasNoVoice}</p>}
        {tick('sound', wording.aSoundWhenATimer)}
      </div>
      {asked === 'default' && (
        <div>
          <Button onClick={() => void Notification.requestPermission().then(setAsked)}>
            {wording.notifyMeWhenATimer}
          </Button>
        </div>
      )}
    </Sheet>
  );
}
