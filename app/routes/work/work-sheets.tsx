import type { Body } from '../../../core/job/events';
import type { Finding } from '../../../core/job/interlocks';
import { takePhoto } from '../../job/photos';
import { senderFor } from '../../job/sender';
import { findingText } from '../../words/findings';
import { thingName } from '../../words/things';
import { FindSheet } from './find-sheet';
import { NoteSheet } from './note-sheet';
import { thingsOf } from './notes-here';
import { QuestionSheet } from './question-sheet';
import { ThingSheet } from './thing-sheet';
import { TroubleSheet } from './trouble-sheet';
import type { WorkState } from './use-work';

/** Of these the sheet says what is to be done next: it stays open. */
const goesOn = (b: Body) =>
  b.type === 'lost' || b.type === 'spilled' || (b.type === 'bondReleased' && b.torn);

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
          onReport={(b) => {
            close();
            act(b);
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
          onReport={(b) => {
            close();
            act(b);
          }}
          onNote={() => setSheet({ kind: 'note', thing: sheet.id })}
        />
      );
    default:
      return null;
  }
}

/** A question that stands before every instruction. */
export function OpenQuestion({ work }: { work: WorkState }) {
  const { now, state, index, page, who, last, report, undo } = work;
  const asked = now.kind === 'question' ? state.question[now.question] : undefined;
  if (now.kind !== 'question' || !asked) return null;
  return (
    <QuestionSheet
      key={now.question}
      index={index}
      id={now.question}
      question={asked}
      people={page.people}
      text={findingText(index, { rule: now.rule as Finding['rule'], ids: now.ids })}
      about={now.ids.map((i) => thingName(index, i)).join(', ')}
      onReport={(b) => void report(b)}
      onUndo={last?.by === who.personId ? undo : undefined}
    />
  );
}
