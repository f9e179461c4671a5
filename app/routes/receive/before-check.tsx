import { Input, Button } from 'antd';
import { useRef, useState } from 'react';
import { whyUntestable } from '../../../core/checks/untestable';
import type { FunctionId } from '../../../core/model/schema';
import type { DraftBody } from '../../../server/use-cases/receive-job';
import { functionHow, functionName } from '../../words/things';
import { Field } from '../../ui/field';

type Before = NonNullable<DraftBody['before']>;
const results = ['works', 'fails', 'untested'] as const;
const shown = { works: 'works', fails: 'does not', untested: 'not tested' } as const;
const keyOf: Record<string, (typeof results)[number]> = { '1': 'works', '2': 'fails', '3': 'untested' };
const tone = { works: '', fails: 'bad', untested: 'dim' } as const;

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
  const failing = (b: Before) => list.filter((f) => b[f]?.result === 'fails');
  const put = (fn: FunctionId, result: (typeof results)[number]) => {
    const next: Before = { ...before, [fn]: { ...before[fn], result } };
    // what this fault keeps from being tested is said so at once, and taken back with it
    const bad = failing(next);
    for (const f of list) {
      const why = f === fn ? undefined : whyUntestable(f, bad);
      const auto = next[f]?.note?.startsWith(becauseOf);
      if (why && (!next[f] || auto))
        next[f] = { result: 'untested', note: `${becauseOf}${functionName[why]}` };
      else if (!why && auto && f !== fn) delete next[f];
    }
    if (next[fn]?.note?.startsWith(becauseOf)) next[fn] = { result };
    onChange(next);
    return next;
  };
  const focus = (k: number) => {
    const i = Math.min(list.length - 1, Math.max(0, k));
    setAt(i);
    rows.current[i]?.focus();
  };
  const allWork = () =>
    onChange({ ...Object.fromEntries(list.map((f) => [f, { result: 'works' as const }])), ...before });
  const key = (e: React.KeyboardEvent, i: number) => {
    const fn = list[i]!;
    const k = e.key.toLowerCase();
    if (e.ctrlKey || e.metaKey || e.altKey || (e.target as HTMLElement).tagName === 'INPUT') return;
    if (keyOf[k]) {
      const b = put(fn, keyOf[k]!);
      const next = list.findIndex((f, x) => x > i && !b[f]);
      focus(next < 0 ? i + 1 : next);
    } else if (k === 'arrowdown') focus(i + 1);
    else if (k === 'arrowup') focus(i - 1);
    else if (k === 'n') setNoting(fn);
    else if (k === 'a') allWork();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const open = list.filter((f) => !before[f]).length;
  return (
    <>
      <p className="small muted m-0">
        <kbd>1</kbd> works <kbd>2</kbd> does not <kbd>3</kbd> not tested <kbd>↑↓</kbd> <kbd>N</kbd> note{' '}
        <kbd>A</kbd> all others work
      </p>
      <div role="list" aria-label="Before: what works">
        {list.map((f, i) => {
          const b = before[f];
          return (
            <div key={f} role="listitem">
              <div
                ref={(el) => {
                  rows.current[i] = el;
                }}
                role="group"
                aria-label={`${functionName[f]}: ${b ? shown[b.result] : 'open'}`}
                tabIndex={i === at ? 0 : -1}
                onFocus={(e) => {
                  if (e.target === e.currentTarget) setAt(i);
                }}
                onKeyDown={(e) => key(e, i)}
                className="spread"
                style={{
                  alignItems: 'center',
                  borderBottom: '1px solid var(--line)',
                  padding: '1px 2px',
                  gap: 6,
                }}
              >
                <span className="fill shrinks dense" title={functionHow[f]}>
                  {functionName[f]}
                  {b?.note && <span className="small muted block">{b.note}</span>}
                </span>
                <span className="row gap-4 one-line">
                  {results.map((r) => (
                    <Button
                      key={r}
                      tabIndex={-1}
                      aria-pressed={b?.result === r}
                      type={b?.result === r ? 'primary' : 'default'}
                      className={`narrow ${b?.result === r ? tone[r] : ''}`}
                      onClick={() => {
                        put(f, r);
                        setAt(i);
                      }}
                    >
                      {shown[r]}
                    </Button>
                  ))}
                </span>
              </div>
              {noting === f && (
                <Field label={`Note on ${functionName[f]}`} htmlFor={`note-${f}`} className="p-line">
                  <Input
                    id={`note-${f}`}
                    maxLength={500}
                    defaultValue={b?.note ?? ''}
                    ref={(el) => el?.focus()}
                    onKeyDown={(e) => {
                      if (e.key === 'Enter' || e.key === 'Escape') {
                        e.preventDefault();
                        e.currentTarget.blur();
                      }
                    }}
                    onBlur={(e) => {
                      const note = e.target.value.trim();
                      setNoting(undefined);
                      if (note !== (b?.note ?? ''))
                        onChange({
                          ...before,
                          [f]: { result: b?.result ?? 'untested', ...(note ? { note } : {}) },
                        });
                      rows.current[i]?.focus();
                    }}
                  />
                </Field>
              )}
            </div>
          );
        })}
      </div>
      {open > 0 && <Button onClick={allWork}>All others work</Button>}
    </>
  );
}
const becauseOf = 'because of: ';
