import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/fault';
import { Input, Button, type InputRef } from 'antd';
import { type RefObject, useState } from 'react';
import { refusedIn } from '../../../core/knowledge/refused';
import { rungs } from '../../../core/knowledge/tests';
import type { FaultView, TestView } from '../../../core/diagnose/next';
import type { JobState } from '../../../core/log/state';
import { testName, narrowing } from '../../../words/fault';
import { Note } from '../../ui/note';

/** The other tests by the rungs of the ladder, those done and declined, and a search that knows what is never done. */
export function Tests({
  seen,
  state,
  current,
  search,
  onChoose,
}: {
  seen: FaultView;
  state: JobState;
  current: string | undefined;
  search: RefObject<InputRef | null>;
  onChoose: (test: string) => void;
}) {
  const [words, setWords] = useState('');
  const folk = refusedIn(words);
  const said = words.trim().toLowerCase();
  const list = seen.tests.filter((t) => !said || `${t.test.name} ${t.test.how}`.toLowerCase().includes(said));
  const declined = Object.entries(state.test).filter(([, e]) => e.declined !== undefined);
  return (
    <section className="card stack" aria-label={wording.tests}>
      <div className="spread">
        <h2 className="nowrap">{wording.otherTests}</h2>
        <span className="muted small">{wording.mostToldForItsCost}</span>
      </div>
      <div>
        <label htmlFor="find-test" className="sr">
          {wording.findATest}
        </label>
        <Input
          ref={search}
          id="find-test"
          type="search"
          placeholder={wording.findATest2}
          value={words}
          maxLength={80}
          onChange={(e) => setWords(e.target.value)}
        />
      </div>
      {folk && (
        <Note tone="stop" role="alert">
          <div className="strong">{wording.never(folk.name)}</div>
          {folk.why}
        </Note>
      )}
      {rungs.map((r) => {
        const here = list.filter((t) => t.test.rung === r);
        return here.length === 0 ? null : (
          <div key={r} className="field">
            <span className="label small">{r}</span>
            {here.map((testView) => (
              <TestButton
                key={testView.test.id}
                view={testView}
                current={testView.test.id === current}
                onChoose={onChoose}
              />
            ))}
          </div>
        );
      })}
      {list.length === 0 && !folk && (
        <p className="muted">{said ? wording.noOpenTestMatches(words.trim()) : wording.noTestIsLeftThat}</p>
      )}
      {declined.length > 0 && <NotDone declined={declined} />}
    </section>
  );
}

/** A test with what it costs and what it tells. */
function TestButton({
  view: t,
  current,
  onChoose,
}: {
  view: TestView;
  current: boolean;
  onChoose: (test: string) => void;
}) {
  const { money } = useFormats();
  return (
    <Button
      type={current ? 'primary' : 'default'}
      className="apart wide to-left"
      aria-pressed={current}
      onClick={() => onChoose(t.test.id)}
    >
      <span>
        {t.test.name}
        {t.shut && (
          <span className="small">{t.shut === 'consent' ? wording.needsConsent : wording.later}</span>
        )}
      </span>
      <span className="nowrap small">{`${money(t.cost)} · ${narrowing(t.gain)}`}</span>
    </Button>
  );
}

function NotDone({ declined }: { declined: readonly [id: string, test: JobState['test'][string]][] }) {
  return (
    <div className="field">
      <span className="label small">{wording.notDone}</span>
      {declined.map(([id, e]) => (
        <div key={id} className="small">{`${testName(id)}: ${e.declined}`}</div>
      ))}
    </div>
  );
}
