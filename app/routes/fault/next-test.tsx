import { Button, Tag } from 'antd';
import { Link } from 'react-router';
import type { Fault } from '../../../core/diagnose/fault';
import type { FaultView, TestView } from '../../../core/diagnose/next';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { Note } from '../../ui/note';
import { narrowing, percent } from '../../../words/fault';
import { cap } from '../../../words/things';
import { money } from '../../../words/time';
import { NextRepair } from './next-repair';
import { TestAnswer } from './test-answer';

export interface NextProps {
  index: IndexedModel;
  fault: Fault;
  seen: FaultView;
  current: TestView | undefined;
  proposed: boolean;
  state: JobState;
  currency: string;
  disabled: boolean;
  offer: string;
  onAnswer: (outcome: string, note: string) => void;
  onDecline: (reason: string) => void;
  onState: (cause: string, because: string) => void;
  onBack: () => void;
}

/** One sentence in big type: the next best test and what each outcome would mean; or the repair, when no test pays any more. */
export function NextTest(props: NextProps) {
  const { seen, current, proposed, currency, disabled, offer, onAnswer, onDecline, onBack } = props;
  if (!current) return <NextRepair {...props} />;
  const { test } = current;
  return (
    <section className="card stack first-thing" aria-label="Next">
      <div className="spread">
        <div className="muted">
          {proposed
            ? `Next: with it the whole, tests and repair, costs least on average (${money(seen.diagnosis.expectedCost, currency)})`
            : 'Chosen instead of the proposed one'}
        </div>
        {!proposed && <Button onClick={onBack}>Back to the proposed one</Button>}
      </div>
      <h1 className="now-title" data-testid="next">
        {cap(test.name)}
      </h1>
      <p>{test.how}</p>
      <TestTags view={current} currency={currency} />
      {current.shut && (
        <Note tone="stop">
          {current.shut === 'consent' ? (
            <>
              Only with the owner’s consent: <Link to={offer}>record it on Offer</Link>.
            </>
          ) : (
            'Harmless tests that could explain it stand before this one.'
          )}
        </Note>
      )}
      <TestAnswer view={current} disabled={disabled} onAnswer={onAnswer} onDecline={onDecline} />
    </section>
  );
}

/** What a test takes and risks, in a row of words. */
function TestTags({ view: { test, cost, gain }, currency }: { view: TestView; currency: string }) {
  const opens = test.rung === 'open it';
  return (
    <div className="row gap-8">
      <Tag>{`${minutesText(test.hands)} of hands`}</Tag>
      {test.wait > 0 && <Tag>{`${minutesText(test.wait)} of waiting`}</Tag>}
      <Tag color={test.erases ? 'error' : 'default'}>{test.erases ? 'erases all data' : 'data stay'}</Tag>
      <Tag color={opens ? 'warning' : 'default'}>{opens ? 'the device is opened' : 'nothing is opened'}</Tag>
      {test.risk > 0 && <Tag color="warning">{`risk ${percent(test.risk)}`}</Tag>}
      {test.part && <Tag color="warning">needs a known-good part</Tag>}
      <span className="muted">{`${money(cost, currency)} in all; leaves ${narrowing(gain)} on average`}</span>
    </div>
  );
}
const minutesText = (m: number) => (m < 1 ? `${m * 60} s` : `${m} min`);
