import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/fault';
import { Button, Tag } from 'antd';
import { Link } from 'react-router';
import type { Fault } from '../../../core/diagnose/fault';
import type { FaultView, TestView } from '../../../core/diagnose/next';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { Note } from '../../ui/note';
import { narrowing, percent } from '../../../words/fault';
import { cap } from '../../../words/things';
import { NextRepair } from './next-repair';
import { TestAnswer } from './test-answer';

export interface NextProps {
  index: IndexedModel;
  fault: Fault;
  seen: FaultView;
  current: TestView | undefined;
  proposed: boolean;
  state: JobState;
  disabled: boolean;
  offer: string;
  onAnswer: (outcome: string, note: string) => void;
  onDecline: (reason: string) => void;
  onState: (cause: string, because: string) => void;
  onBack: () => void;
}

/** One sentence in big type: the next best test and what each outcome would mean; or the repair, when no test pays any more. */
export function NextTest(props: NextProps) {
  const { money } = useFormats();
  const { seen, current, proposed, disabled, offer, onAnswer, onDecline, onBack } = props;
  if (!current) return <NextRepair {...props} />;
  const { test } = current;
  return (
    <section className="card stack first-thing" aria-label={wording.next}>
      <div className="spread">
        <div className="muted">
          {proposed
            ? wording.nextWithItTheWhole(money(seen.diagnosis.expectedCost))
            : wording.chosenInsteadOfTheProposed}
        </div>
        {!proposed && <Button onClick={onBack}>{wording.backToTheProposedOne}</Button>}
      </div>
      <h1 className="now-title" data-testid="next">
        {cap(test.name)}
      </h1>
      <p>{test.how}</p>
      <TestTags view={current} />
      {current.shut && (
        <Note tone="stop">
          {current.shut === 'consent' ? (
            <>
              {wording.onlyWithTheOwnersConsent} <Link to={offer}>{wording.recordItOnOffer}</Link>.
            </>
          ) : (
            wording.harmlessTestsThatCouldExplain
          )}
        </Note>
      )}
      <TestAnswer view={current} disabled={disabled} onAnswer={onAnswer} onDecline={onDecline} />
    </section>
  );
}

/** What a test takes and risks, in a row of words. */
function TestTags({ view: { test, cost, gain } }: { view: TestView }) {
  const { money } = useFormats();
  const opens = test.rung === 'open it';
  return (
    <div className="row gap-8">
      <Tag>{wording.ofHands(minutesText(test.hands))}</Tag>
      {test.wait > 0 && <Tag>{wording.ofWaiting(minutesText(test.wait))}</Tag>}
      <Tag color={test.erases ? 'error' : 'default'}>
        {test.erases ? wording.erasesAllData : wording.dataStay}
      </Tag>
      <Tag color={opens ? 'warning' : 'default'}>
        {opens ? wording.theDeviceIsOpened : wording.nothingIsOpened}
      </Tag>
      {test.risk > 0 && <Tag color="warning">{wording.risk(percent(test.risk))}</Tag>}
      {test.part && <Tag color="warning">{wording.needsAKnownGoodPart}</Tag>}
      <span className="muted">{wording.inAllLeavesOnAverage(money(cost), narrowing(gain))}</span>
    </div>
  );
}
const minutesText = (m: number) => (m < 1 ? `${m * 60} s` : `${m} min`);
