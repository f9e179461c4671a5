import * as wording from '../../../words/screens/fault';
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
      <section className="card stack" aria-label={wording.theFault}>
        <h1>{wording.whatDoesTheOwnerComplain}</h1>
        <p>
          {wording.chooseTheSymptomsOnThe}{' '}
          <Link to={`/jobs/${page.id}/offer`}>{wording.chooseTheTasksOnOffer}</Link>.
        </p>
      </section>
    );
  if (!seen)
    return (
      <section className="card stack" aria-label={wording.theFault}>
        <h1>{wording.whatWasSeenFitsNo}</h1>
        <p>{wording.oneOfTheOutcomesBelow}</p>
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
    <section className="card stack" aria-label={wording.theFault}>
      <div className="spread high">
        <div>
          <div className="muted">{wording.found}</div>
          <h1 className="now-title">{cap(causeName(found.id))}</h1>
          <p>{found.because}</p>
          <p className="muted">{known?.remedy ?? ''}</p>
        </div>
        <div className="row one-line">
          {!ended && (
            <Button
              onClick={() =>
                void report({ type: 'causeStated', cause: 'none', because: wording.lookedAtAgain })
              }
            >
              {wording.openAgain}
            </Button>
          )}
          {nothingToDo ? (
            <>
              <LinkButton to={`/jobs/${page.id}/offer`}>{wording.offer}</LinkButton>
              <LinkButton type="primary" to={`/jobs/${page.id}/checks`}>
                {wording.checkItHandItOver}
              </LinkButton>
            </>
          ) : (
            <LinkButton type="primary" to={`/jobs/${page.id}/offer`}>
              {wording.toTheOffer}
            </LinkButton>
          )}
        </div>
      </div>
    </section>
  );
}
