import { Button } from 'antd';
import { Link } from 'react-router';
import { knownCause } from '../../../core/diagnose/fault';
import { LinkButton } from '../../ui/link-button';
import { causeName } from '../../../words/fault';
import { cap } from '../../../words/things';
import { NextTest } from './next-test';
import type { FaultState } from './use-fault';

/** What is known of the fault, in big type: found, or the next test, or what is asked before anything can be computed. */
export function FaultCard({ state: s }: { state: FaultState }) {
  const { page, fault, seen, found, chosen, current, ended } = s;
  if (found) return <Found state={s} found={found} />;
  if (!fault)
    return (
      <section className="card stack" aria-label="The fault">
        <h1>What does the owner complain of?</h1>
        <p>
          Choose the symptoms on the right. From then on this page says which causes are likely on this model,
          and which test tells most for its cost: the harmless ones first. If you know already,{' '}
          <Link to={`/jobs/${page.id}/offer`}>choose the tasks on Offer</Link>.
        </p>
      </section>
    );
  if (!seen)
    return (
      <section className="card stack" aria-label="The fault">
        <h1>What was seen fits no cause</h1>
        <p>One of the outcomes below contradicts the others. Take the latest back, or answer it again.</p>
      </section>
    );
  return (
    <NextTest
      key={current ?? 'repair'}
      index={s.index}
      fault={fault}
      seen={seen}
      current={seen.tests.find((t) => t.test.id === current)}
      proposed={!chosen}
      state={s.state}
      currency={s.who.settings.currency}
      disabled={ended}
      onAnswer={(outcome, note) => void s.answer(outcome, note)}
      onDecline={(reason) => void s.decline(reason)}
      onState={(cause, because) => void s.stateFault(cause, because)}
      onBack={() => s.setChosen(undefined)}
      offer={`/jobs/${page.id}/offer`}
    />
  );
}

function Found({
  state: { page, state, ended, report },
  found,
}: {
  state: FaultState;
  found: { id: string; because: string };
}) {
  const known = knownCause(found.id);
  const nothingToDo = known?.task === 'none' && !Object.keys(state.task).length;
  return (
    <section className="card stack" aria-label="The fault">
      <div className="spread high">
        <div>
          <div className="muted">Found</div>
          <h1 className="now-title">{cap(causeName(found.id))}</h1>
          <p>{found.because}</p>
          <p className="muted">{known?.remedy ?? ''}</p>
        </div>
        <div className="row one-line">
          {!ended && (
            <Button
              onClick={() => void report({ type: 'causeStated', cause: 'none', because: 'looked at again' })}
            >
              Open again
            </Button>
          )}
          {nothingToDo ? (
            <>
              <LinkButton to={`/jobs/${page.id}/offer`}>Offer</LinkButton>
              <LinkButton type="primary" to={`/jobs/${page.id}/checks`}>
                Check it, hand it over
              </LinkButton>
            </>
          ) : (
            <LinkButton type="primary" to={`/jobs/${page.id}/offer`}>
              To the offer
            </LinkButton>
          )}
        </div>
      </div>
    </section>
  );
}
