import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/fault';
import { Button } from 'antd';
import { type Fault, knownCause } from '../../../core/diagnose/fault';
import type { IndexedModel } from '../../../core/model/index-model';
import { LinkButton } from '../../ui/link-button';
import { causeName, percent } from '../../../words/fault';
import { taskName } from '../../../words/steps';
import { cap, thingName } from '../../../words/things';
import type { NextProps } from './next-test';

/** What would be done about a cause on this device. */
function remedyOf(index: IndexedModel, fault: Fault, cause: string): string {
  const known = knownCause(cause)!;
  const at = fault.causes.find((c) => c.id === cause)?.slot;
  return known.task === 'none'
    ? (known.remedy ?? cap(known.name))
    : `${cap(taskName[known.task])} the ${at ? thingName(index, at) : known.name}`;
}

/** No test is worth its cost any more: the repair, or where nothing stands out the repairs in the order to be tried. */
export function NextRepair(props: NextProps) {
  const { money } = useFormats();
  const { index, fault, seen, state, disabled, offer, onState } = props;
  const { next, diagnosis } = seen;
  const cause = 'repair' in next ? next.repair : '';
  const known = knownCause(cause)!;
  const p = diagnosis.posterior[cause] ?? 0;
  // where nothing stands out, the cheap ones first: by chance over cost
  if (p < 0.5 && seen.tries.length > 1) return <Tries {...props} />;
  const because = wording.byNoOtherTestIs(
    percent(p),
    Object.keys(state.test).length ? wording.theTests : wording.whatTheOwnerSays,
  );
  return (
    <section className="card stack first-thing" aria-label={wording.next}>
      <div className="muted">{wording.noFurtherTestPays}</div>
      <h1 className="now-title" data-testid="next">
        {remedyOf(index, fault, cause)}
      </h1>
      <p>
        {wording.expectedToCostFromHere(
          cap(known.name),
          percent(p),
          money(diagnosis.expectedCost),
          diagnosis.optimal ? wording.andNoPlanCostsLess : '',
        )}
      </p>
      <div className="row">
        <Button type="primary" disabled={disabled} onClick={() => onState(cause, because)}>
          {known.task === 'none' ? wording.thatWasIt : wording.takeItAsTheFault}
        </Button>
        <LinkButton to={offer}>{wording.chooseTheTasksMyself}</LinkButton>
      </div>
    </section>
  );
}

function Tries({ index, fault, seen, disabled, onState }: NextProps) {
  const { money } = useFormats();
  return (
    <section className="card stack first-thing" aria-label={wording.next}>
      <div className="muted">{wording.noFurtherTestPaysAnd}</div>
      <h1 className="now-title" data-testid="next">
        {wording.tryInThisOrder}
      </h1>
      <ol className="list">
        {seen.tries.map((t, i) => (
          <li key={t.cause} className="spread mid">
            <span className="fill">
              <span className="strong">{`${i + 1}. ${remedyOf(index, fault, t.cause)}`}</span>
              <span className="muted">{` ${causeName(t.cause)}, ${percent(t.p)}, ${money(fault.problem.causes.find((c) => c.id === t.cause)!.repairCost)}`}</span>
            </span>
            <Button
              type={i ? 'default' : 'primary'}
              disabled={disabled}
              aria-label={wording.takeIt(causeName(t.cause))}
              onClick={() => onState(t.cause, wording.triedFirstForItsChance(percent(t.p)))}
            >
              {wording.takeItLabel}
            </Button>
          </li>
        ))}
      </ol>
      <p className="small muted">{wording.byChanceOverCostThat}</p>
    </section>
  );
}
