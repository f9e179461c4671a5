import { useState } from 'react';
import { otherTruths } from '../../../core/job/claims';
import type { QuestionEntry } from '../../../core/job/state';
import type { Body } from '../../../core/job/events';
import type { IndexedModel } from '../../../core/model/index-model';
import { Sheet } from '../../ui/sheet';
import { claimText } from '../../words/events';

interface Props {
  index: IndexedModel;
  id: string;
  question: QuestionEntry;
  people: Record<string, string>;
  text: { what: string; instead: string };
  about: string;
  onReport: (b: Body) => void;
  onUndo: (() => void) | undefined;
}

/** After a fact that broke a rule: a question that must be answered, in words that stay in the record. */
export function QuestionSheet(p: Props) {
  const [answer, setAnswer] = useState('');
  const { claims } = p.question;
  return (
    <Sheet title={claims ? 'Which is true?' : 'What happened?'}>
      <div className="note stop">
        <div className="strong">{p.text.what}</div>
        <div>{p.text.instead}</div>
      </div>
      {claims ? (
        <div className="stack" style={{ gap: 8 }}>
          {claims.map((c) => (
            <button
              key={`${c.by} ${c.value}`}
              type="button"
              className="btn"
              style={{ justifyContent: 'flex-start' }}
              onClick={() =>
                p.onReport({ type: 'truthNamed', question: p.id, about: p.question.ids[0]!, value: c.value })
              }
            >
              {`I have looked: ${claimText(p.index, p.question.ids[0]!, c.value)}`}
              <span
                className="small muted"
                style={{ fontWeight: 400 }}
              >{`as ${p.people[c.by] ?? 'another bench'} said`}</span>
            </button>
          ))}
          {otherTruths(
            p.index,
            p.question.ids[0]!,
            claims.map((c) => c.value),
          ).map((value) => (
            <button
              key={value}
              type="button"
              className="btn"
              style={{ justifyContent: 'flex-start', fontWeight: 400 }}
              onClick={() =>
                p.onReport({ type: 'truthNamed', question: p.id, about: p.question.ids[0]!, value })
              }
            >{`Neither: ${claimText(p.index, p.question.ids[0]!, value)}`}</button>
          ))}
        </div>
      ) : (
        <form
          className="stack"
          onSubmit={(e) => {
            e.preventDefault();
            if (answer.trim()) p.onReport({ type: 'answered', question: p.id, answer: answer.trim() });
          }}
        >
          <div className="field">
            <label htmlFor="answer">{`How does it stand now${p.about ? ` with the ${p.about}` : ''}?`}</label>
            <textarea
              id="answer"
              data-first
              rows={2}
              required
              maxLength={1000}
              value={answer}
              onChange={(e) => setAnswer(e.target.value)}
              style={{ font: 'inherit', padding: 10, borderRadius: 8 }}
            />
          </div>
          <div className="row">
            <button type="submit" className="btn primary">
              That is how it stands
            </button>
            {p.onUndo && (
              <button type="button" className="btn" onClick={p.onUndo}>
                It did not happen: take it back
              </button>
            )}
          </div>
        </form>
      )}
    </Sheet>
  );
}
