import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import { useState } from 'react';
import { list, pieceName } from '../../../../words/things';
import type { WayProps } from './way';
import { Note } from '../../../ui/note';
import { cut, Words } from './words-field';

/** A loose piece that is not this device’s. */
export function StrayWay({ index, state, onReport }: WayProps) {
  const [note, setNote] = useState('');
  const inside = Object.keys(state.stray).filter((s) => state.stray[s] === 'inside');
  const adrift = Object.keys(state.place).filter((x) => state.place[x] === 'adrift');
  return (
    <>
      {adrift.length > 0 && (
        <Note>
          {wording.adriftIsItOneOf(
            list(adrift.map((x) => pieceName(index, x))),
            adrift.length > 1 ? 'are' : 'is',
          )}
        </Note>
      )}
      {inside.map((s) => (
        <div key={s} className="row">
          <Button
            onClick={() =>
              onReport({ type: 'strayRemoved', stray: s, note: note.trim() || wording.takenOut })
            }
          >
            {wording.isOutOfTheDevice(s)}
          </Button>
        </div>
      ))}
      <Words label={wording.whatIsItAndWhere} value={note} set={setNote} />
      <div className="row">
        <Button
          disabled={!note.trim()}
          onClick={() =>
            onReport({
              type: 'strayFound',
              stray: `stray ${Object.keys(state.stray).length + 1}`,
              note: cut(note, 300),
            })
          }
        >
          {wording.aLoosePieceIsInside}
        </Button>
      </div>
    </>
  );
}
