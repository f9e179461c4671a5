import * as wording from '../../../words/screens/receive';
import { Button, Input } from 'antd';
import { type Ref, useRef, useState } from 'react';
import type { FunctionId } from '../../../core/vocabulary/trade';
import { Field } from '../../ui/field';
import { functionHow, functionName } from '../../../words/functions';
import { type Before, type BeforeResult, beforeResults, othersWork, withAnswer } from './before-answers';

const shown: Record<BeforeResult, string> = {
  works: 'works',
  fails: wording.doesNot,
  untested: wording.notTested,
};
const tone: Record<BeforeResult, string> = { works: '', fails: 'bad', untested: 'dim' };

type KeyDid = { answer: BeforeResult } | { by: 1 | -1 } | { what: 'note' | 'all' };
/** What a key does in the list; nothing while something is typed. */
function keyOf(event: React.KeyboardEvent): KeyDid | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey || (event.target as HTMLElement).tagName === 'INPUT')
    return undefined;
  const k = event.key.toLowerCase();
  const answer = beforeResults[Number(k) - 1];
  if (answer) return { answer };
  const others: Record<string, KeyDid> = {
    arrowdown: { by: 1 },
    j: { by: 1 },
    arrowup: { by: -1 },
    k: { by: -1 },
    n: { what: 'note' },
    a: { what: 'all' },
  };
  return others[k];
}

/**
 * The list of the model by the keyboard alone: arrows walk, 1 works, 2 does not, 3 could not be tested, N a note, A all
 * others work. What cannot be tested because of a fault is answered so, with the reason.
 */
export function BeforeCheck({
  list,
  before,
  onChange,
}: {
  list: FunctionId[];
  before: Before;
  onChange: (b: Before) => void;
}) {
  const [at, setAt] = useState(0);
  const [noting, setNoting] = useState<FunctionId>();
  const rows = useRef<(HTMLElement | null)[]>([]);
  const put = (fn: FunctionId, result: BeforeResult) => {
    const next = withAnswer(list, before, fn, result);
    onChange(next);
    return next;
  };
  const focus = (k: number) => {
    const i = Math.min(list.length - 1, Math.max(0, k));
    setAt(i);
    rows.current[i]?.focus();
  };
  const allWork = () => onChange(othersWork(list, before));
  const key = (event: React.KeyboardEvent, i: number) => {
    const did = keyOf(event);
    if (!did) return;
    event.preventDefault();
    event.stopPropagation();
    const fn = list[i]!;
    if ('answer' in did) {
      const partial = put(fn, did.answer);
      const next = list.findIndex((f, x) => x > i && !partial[f]);
      focus(next < 0 ? i + 1 : next);
    } else if ('by' in did) focus(i + did.by);
    else if (did.what === 'note') setNoting(fn);
    else allWork();
  };
  const open = list.filter((f) => !before[f]).length;
  return (
    <>
      <Legend />
      <div role="list" aria-label={wording.beforeWhatWorks}>
        {list.map((f, i) => (
          <div key={f} role="listitem">
            <CheckRow
              row={(el) => {
                rows.current[i] = el;
              }}
              fn={f}
              answer={before[f]}
              inHand={i === at}
              onKey={(e) => key(e, i)}
              onFocus={() => setAt(i)}
              onAnswer={(r) => {
                put(f, r);
                setAt(i);
              }}
            />
            {noting === f && (
              <NoteField
                fn={f}
                note={before[f]?.note ?? ''}
                onNote={(note) => {
                  setNoting(undefined);
                  if (note !== (before[f]?.note ?? ''))
                    onChange({
                      ...before,
                      [f]: { result: before[f]?.result ?? 'untested', ...(note ? { note } : {}) },
                    });
                  rows.current[i]?.focus();
                }}
              />
            )}
          </div>
        ))}
      </div>
      {open > 0 && <Button onClick={allWork}>{wording.allOthersWork}</Button>}
    </>
  );
}

function CheckRow({
  row,
  fn,
  answer,
  inHand,
  onKey,
  onFocus,
  onAnswer,
}: {
  row: Ref<HTMLDivElement>;
  fn: FunctionId;
  answer: Before[FunctionId];
  inHand: boolean;
  onKey: (e: React.KeyboardEvent) => void;
  onFocus: () => void;
  onAnswer: (r: BeforeResult) => void;
}) {
  return (
    <div
      ref={row}
      role="group"
      aria-label={`${functionName[fn]}: ${answer ? shown[answer.result] : 'open'}`}
      tabIndex={inHand ? 0 : -1}
      onFocus={(focusEvent) => {
        if (focusEvent.target === focusEvent.currentTarget) onFocus();
      }}
      onKeyDown={onKey}
      className="spread check-row"
    >
      <span className="fill shrinks dense" title={functionHow[fn]}>
        {functionName[fn]}
        {answer?.note && <span className="small muted block">{answer.note}</span>}
      </span>
      <span className="row gap-4 one-line">
        {beforeResults.map((r) => {
          const given = answer?.result === r;
          return (
            <Button
              key={r}
              tabIndex={-1}
              aria-pressed={given}
              type={given ? 'primary' : 'default'}
              className={`narrow ${given ? tone[r] : ''}`}
              onClick={() => onAnswer(r)}
            >
              {shown[r]}
            </Button>
          );
        })}
      </span>
    </div>
  );
}

function NoteField({ fn, note, onNote }: { fn: FunctionId; note: string; onNote: (note: string) => void }) {
  return (
    <Field label={wording.noteOn(functionName[fn])} htmlFor={`note-${fn}`} className="p-line">
      <Input
        id={`note-${fn}`}
        maxLength={500}
        defaultValue={note}
        ref={(el) => el?.focus()}
        onKeyDown={(event) => {
          if (event.key === 'Enter' || event.key === 'Escape') {
            event.preventDefault();
            event.currentTarget.blur();
          }
        }}
        onBlur={(e) => onNote(e.target.value.trim())}
      />
    </Field>
  );
}

const Legend = () => (
  <p className="small muted m-0">
    <kbd>1</kbd> {wording.works} <kbd>2</kbd> {wording.doesNot} <kbd>3</kbd> {wording.notTested} <kbd>↑↓</kbd>{' '}
    <kbd>N</kbd> {wording.note} <kbd>A</kbd> {wording.allOthersWork2}
  </p>
);
