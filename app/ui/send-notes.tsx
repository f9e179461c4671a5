import * as wording from '../../words/screens/send-notes';
import { Button } from 'antd';
import type { IndexedModel } from '../../core/model/index-model';
import type { Sender, SendState } from '../job/sender';
import { refusalText } from '../../words/findings';
import { Note } from './note';

/** What the server would not take of this job, one thing at a time, until it has been seen. */
export function SendNotes({
  job,
  index,
  send,
  sender,
}: {
  job: string;
  index: IndexedModel;
  send: SendState;
  sender: Sender;
}) {
  const refused = send.refused.find((r) => r.job === job);
  const photo = send.photos.find((p) => p.job === job);
  return (
    <>
      {refused && (
        <Note tone="stop" className="flash" role="alert">
          {refusalText(index, refused.outcome.refused)}{' '}
          <Button onClick={() => sender.dismiss(refused.id)}>{wording.understood}</Button>
        </Note>
      )}
      {photo && (
        <Note tone="stop" className="flash" role="alert">
          {wording.aPhotographWasNotTaken(photo.error)}{' '}
          <Button onClick={() => void sender.forgetPhoto(photo.id)}>{wording.letItGo}</Button>
        </Note>
      )}
    </>
  );
}
