import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { DeviceAnswer, DeviceCheck, DevicePageData, DeviceResult } from '../../../core/wire/device-page';
import { functionName } from '../../../words/functions';
import { figuresText, whyText } from '../../../words/measured';
import * as wording from '../../../words/screens/device';
import { DeviceResults, holderWord } from '../../job/device-results';
import { Probe } from './probe';
import type { ProbeProps, Taken } from './taken';
import { BigButton } from './big-button';

/** What the page on the phone is given; no `page` where its link is no longer good. */
export interface DeviceData {
  page: DevicePageData | undefined;
  tooMany: boolean;
  token: string;
}
/** The page on the repaired phone: it goes through what is due in this round, measures itself, and tells the bench. */
export function Device({ page, tooMany, token }: DeviceData) {
  if (!page)
    return (
      <main className="device">
        <section className="ask">
          <h1>{wording.gone}</h1>
          <p>{tooMany ? wording.tooMany : wording.goneWhy}</p>
        </section>
      </main>
    );
  return <Round page={page} token={token} />;
}

/** What the bench said of each function, as far as this page has heard. */
type Answers = Partial<Record<DeviceCheck['function'], DeviceAnswer | 'waits'>>;

const post = (token: string) => async (result: DeviceResult) => {
  const res = await fetch(`/d/${token}/results`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(result),
  });
  if (res.status >= 500) throw new Error(`${res.status}`);
  return (await res.json()) as DeviceAnswer;
};
/** How long a page waits for what the bench says of a result before it goes on: on its way, and where there is no way, ms. */
const patienceMs = 8000;
const awayMs = 1500;

function useResults(token: string) {
  const [answers, setAnswers] = useState<Answers>({});
  const [{ waiting, away }, setWaiting] = useState({ waiting: 0, away: false });
  const made = useRef<DeviceResults>(undefined);
  // made at its first use: the first check sends before this page's own effects have run
  const results = useCallback(() => {
    made.current ??= new DeviceResults(
      token,
      holderWord(localStorage, () => crypto.randomUUID()),
      localStorage,
      post(token),
      (r, answer) => setAnswers((known) => ({ ...known, [r.function]: answer })),
      (kept, unreached) =>
        setWaiting((known) =>
          known.waiting === kept && known.away === unreached ? known : { waiting: kept, away: unreached },
        ),
    );
    return made.current;
  }, [token]);
  useEffect(() => {
    const kept = results();
    setWaiting((known) => ({ ...known, waiting: kept.waiting.length }));
    setAnswers((known) => ({
      ...Object.fromEntries(kept.waiting.map((w) => [w.function, 'waits' as const])),
      ...known,
    }));
    const send = () => void kept.send();
    send();
    window.addEventListener('online', send);
    return () => {
      kept.stop();
      window.removeEventListener('online', send);
    };
  }, [results]);
  const add = useCallback(
    (fn: DeviceCheck['function'], taken: Taken, pictures?: readonly string[]) => {
      setAnswers((known) => ({ ...known, [fn]: 'waits' }));
      results().add({
        ...{ id: crypto.randomUUID(), function: fn, taken },
        ...(pictures?.length ? { pictures: [...pictures] } : {}),
      });
    },
    [results],
  );
  const forget = (fn: DeviceCheck['function']) => setAnswers(({ [fn]: _, ...rest }) => rest);
  return { answers, waiting, away, add, forget };
}

function Round({ page, token }: { page: DevicePageData; token: string }) {
  const { answers, waiting, away, add, forget } = useResults(token);
  const { checks } = page;
  const first = useMemo(() => {
    const open = checks.findIndex((c) => !c.done);
    return open < 0 ? checks.length : open;
  }, [checks]);
  const [at, setAt] = useState(first);
  const [tries, setTries] = useState(0);
  const check = checks[at];
  // the same one for as long as a function is asked: what measures it does not begin anew when an earlier result is answered
  const asked = check?.function;
  const taken = useCallback<ProbeProps['onTaken']>(
    (what, pictures) => asked && add(asked, what, pictures),
    [add, asked],
  );
  const answer = check && answers[check.function];
  // what works needs no press: the next one comes
  const passed = answer !== undefined && (answer === 'waits' ? waiting > 0 : answer.ok && answer.counts);
  const good = passed && (answer === 'waits' || !answer.ok || answer.verdict?.verdict !== 'fails');
  const next = () => {
    // what was done before this page was opened is not asked once more
    setAt((k) => {
      const open = checks.findIndex((c, i) => i > k && !c.done);
      return open < 0 ? checks.length : open;
    });
    setTries(0);
  };
  const again = (k: number) => {
    forget(checks[k]!.function);
    setTries((n) => n + 1);
    setAt(k);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each answer
  useEffect(() => {
    if (!good) return;
    // what does not work is said before the next one comes, as long as an answer may be on its way
    const timer = setTimeout(next, answer === 'waits' ? (away ? awayMs : patienceMs) : 500);
    return () => clearTimeout(timer);
  }, [good, answer, away]);
  if (!check) return <AllDone checks={checks} waiting={waiting} onAgain={again} />;
  return (
    <main className="device" data-function={check.function}>
      <header>
        <span className="name">{functionName[check.function]}</span>
        <span>{wording.of(at + 1, checks.length)}</span>
      </header>
      {answer === undefined || answer === 'waits' ? (
        <Probe
          key={`${check.function} ${tries}`}
          check={check}
          page={page}
          sent={answer === 'waits'}
          waiting={waiting}
          onTaken={taken}
          onSkip={next}
        />
      ) : (
        <Said
          answer={answer}
          check={check}
          onAgain={() => {
            forget(check.function);
            setTries((n) => n + 1);
          }}
          onSay={(result) => add(check.function, { kind: 'said', result })}
          onNext={next}
        />
      )}
    </main>
  );
}
/** All is done; one of them can be done once more. */
function AllDone({
  checks,
  waiting,
  onAgain: again,
}: {
  checks: readonly DeviceCheck[];
  waiting: number;
  onAgain: (k: number) => void;
}) {
  return (
    <main className="device">
      <section className="ask">
        <h1>{wording.doneTitle}</h1>
        <p>{waiting ? wording.waiting(waiting) : wording.done}</p>
        <p>{wording.onceMore}</p>
      </section>
      <footer>
        {checks.map((c, k) => (
          <BigButton key={c.function} onClick={() => again(k)}>
            {functionName[c.function]}
          </BigButton>
        ))}
      </footer>
    </main>
  );
}
/** What came of a check: what works goes on by itself; of the rest the reason, another try, or a word of whoever looks. */
function Said({
  answer,
  check,
  onAgain,
  onSay,
  onNext,
}: {
  answer: DeviceAnswer;
  check: DeviceCheck;
  onAgain: () => void;
  onSay: (result: 'works' | 'fails') => void;
  onNext: () => void;
}) {
  const verdict = answer.ok ? answer.verdict : undefined;
  const fails = verdict?.verdict === 'fails';
  const unclear = verdict?.verdict === 'unclear';
  return (
    <>
      <section className={`ask ${fails ? 'bad' : unclear || !answer.ok ? 'odd' : 'good'}`} aria-live="polite">
        <h1>
          {!answer.ok
            ? answer.why === 'another phone'
              ? wording.anotherPhone
              : answer.why === 'gone'
                ? wording.gone
                : wording.notTaken
            : fails
              ? wording.doesNot
              : unclear && verdict.because === 'by eye'
                ? wording.sharpAsk
                : unclear
                  ? wording.youSay
                  : wording.good}
        </h1>
        {verdict?.because && verdict.because !== 'by eye' && (
          <p className="size-22">{whyText(verdict.because, verdict.figures)}</p>
        )}
        {verdict && check.kind && <p>{figuresText({ kind: check.kind, figures: verdict.figures })}</p>}
        {answer.ok && !answer.counts && fails && <p>{wording.contradicts}</p>}
      </section>
      <footer>
        {(fails || unclear) && <BigButton onClick={onAgain}>{wording.again}</BigButton>}
        {unclear && (
          <>
            <BigButton tone="bad" onClick={() => onSay('fails')}>
              {verdict.because === 'by eye' ? wording.no : wording.doesNot}
            </BigButton>
            <BigButton tone="go" onClick={() => onSay('works')}>
              {verdict.because === 'by eye' ? wording.yes : wording.works}
            </BigButton>
          </>
        )}
        {!unclear && (
          <BigButton tone="go" onClick={onNext}>
            {wording.on} ›
          </BigButton>
        )}
      </footer>
    </>
  );
}
