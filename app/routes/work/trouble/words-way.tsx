import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import { useState } from 'react';
import { thingName } from '../../../../words/things';
import type { WayProps } from './way';
import { cut, Words } from './words-field';

/** What no other way is for: a note, a finding, a seal left off, the masking tape. */
export function WordsWay({ index, state, step, target, onReport }: WayProps) {
  const [note, setNote] = useState('');
  const thing = step?.about ?? target;
  const masked = state.mask.tape === 'on';
  return (
    <>
      <Words label={wording.inWords} value={note} set={setNote} />
      <div className="row">
        <Button disabled={!note.trim()} onClick={() => onReport({ type: 'noted', text: note.trim() })}>
          {wording.keepAsANote}
        </Button>
        {thing && (
          <Button
            disabled={!note.trim()}
            onClick={() => onReport({ type: 'noted', text: note.trim(), thing, finding: true })}
          >
            {wording.notAsTheModelSays(thingName(index, thing))}
          </Button>
        )}
        {step?.action === 'apply seal' && (
          <Button
            disabled={!note.trim()}
            onClick={() => onReport({ type: 'leftUnsealed', reason: cut(note, 1000) })}
          >
            {wording.theSealIsLeftOff}
          </Button>
        )}
        <Button
          onClick={() =>
            onReport(masked ? { type: 'maskOff', mask: 'tape' } : { type: 'maskOn', mask: 'tape' })
          }
        >
          {masked ? wording.maskingTapeIsOffAgain : wording.maskingTapeIsOn}
        </Button>
      </div>
    </>
  );
}
