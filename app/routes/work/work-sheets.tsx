import type { Body } from '../../../core/log/events';
import { takePhoto } from '../../job/photos';
import { senderFor } from '../../job/sender';
import { FindSheet } from './find-sheet';
import { NoteSheet } from './note-sheet';
import { thingsOf } from './notes-here';
import { ThingSheet } from './thing-sheet';
import { TroubleSheet } from './trouble/trouble-sheet';
import type { WorkState } from './use-work';

/** Of these the sheet says what is to be done next: it stays open. */
const goesOn = (body: Body) =>
  body.type === 'lost' || body.type === 'spilled' || (body.type === 'bondReleased' && body.torn);

/** The dialogs of Work: one at a time, on top of the instruction. */
export function WorkSheets({ work }: { work: WorkState }) {
  const { sheet, setSheet, index, state, page, step, target, act, replica } = work;
  const close = () => setSheet(undefined);
  const { owner, person } = replica.sender;
  switch (sheet?.kind) {
    case 'trouble':
      return (
        <TroubleSheet
          index={index}
          state={state}
          step={step}
          target={target}
          spares={page.spares}
          jobId={page.id}
          onClose={close}
          onReport={(...bodies) => {
            if (!bodies.some(goesOn)) close();
            act(...bodies);
          }}
        />
      );
    case 'find':
      return <FindSheet index={index} onClose={close} onPick={(id) => setSheet({ kind: 'thing', id })} />;
    case 'note':
      return (
        <NoteSheet
          index={index}
          things={sheet.thing ? [sheet.thing] : thingsOf(step)}
          onClose={close}
          onReport={(body) => {
            close();
            act(body);
          }}
          onPhotos={(files, thing) => {
            void Promise.all(files.map((f) => takePhoto(owner, page.id, f, thing))).then(() =>
              senderFor(owner, person).flush(),
            );
          }}
        />
      );
    case 'thing':
      return (
        <ThingSheet
          index={index}
          state={state}
          id={sheet.id}
          onClose={close}
          onReport={(body) => {
            close();
            act(body);
          }}
          onNote={() => setSheet({ kind: 'note', thing: sheet.id })}
        />
      );
    default:
      return null;
  }
}
