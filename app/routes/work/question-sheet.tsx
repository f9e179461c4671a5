import { useState } from 'react';
import { Sheet } from '../../ui/sheet';

/** After a fact that broke a rule: a question that must be answered, in words that stay in the record. */
export function QuestionSheet({ text, about, onAnswer, onUndo }: { text: { what: string; instead: string }; about: string; onAnswer: (a: string) => void; onUndo: (() => void) | undefined }) {
  const [answer, setAnswer] = useState('');
  return (
    <Sheet title="What happened?" onClose={() => {}}>
      <div className="note stop"><div className="strong">{text.what}</div><div>{text.instead}</div></div>
      <form className="stack" onSubmit={(e) => { e.preventDefault(); if (answer.trim()) onAnswer(answer.trim()); }}>
        <div className="field"><label htmlFor="answer">{`How does it stand now${about ? ` with the ${about}` : ''}?`}</label><textarea id="answer" rows={2} required maxLength={1000} value={answer} onChange={(e) => setAnswer(e.target.value)} style={{ font: 'inherit', padding: 10, borderRadius: 8 }} /></div>
        <div className="row"><button type="submit" className="btn primary">That is how it stands</button>{onUndo && <button type="button" className="btn" onClick={onUndo}>It did not happen: take it back</button>}</div>
      </form>
    </Sheet>
  );
}
