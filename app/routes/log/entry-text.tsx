import * as wording from '../../../words/screens/log';
import type { JobEvent } from '../../../core/log/events';
import type { IndexedModel } from '../../../core/model/index-model';
import { eventText } from '../../../words/events';

/** What an entry says; struck out where it was taken back, with who did that. */
export function EntryText({
  e,
  index,
  gone,
  name,
}: {
  e: JobEvent;
  index: IndexedModel;
  gone: { by: string; seq: number } | undefined;
  name: (person: string) => string;
}) {
  const text = eventText(index, e.body);
  return (
    <>
      {gone ? <s className="muted">{text}</s> : text}
      {gone && <span className="small muted">{wording.takenBackByAt(name(gone.by), gone.seq)}</span>}
      {e.breach && (
        <div className="brick small">{wording.against(e.breach.map((b) => b.rule).join(', '))}</div>
      )}
    </>
  );
}
