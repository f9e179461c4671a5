import { CheckCircleIcon } from '@phosphor-icons/react/dist/ssr/CheckCircle';
import { CircleIcon } from '@phosphor-icons/react/dist/ssr/Circle';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { FirstSteps } from '../../../core/wire/first-steps';
import * as wording from '../../../words/screens/bench';

/** What a new workshop does first; it goes when the first device has been received. */
export function FirstStepsCard({ first }: { first: FirstSteps }) {
  return (
    <section className="card stack gap-4" aria-label={wording.firstSteps}>
      <h2>{wording.firstSteps}</h2>
      <ul className="steps-first">
        <Step done={first.people} to="/workshop/people" what={wording.addPeople}>
          {wording.addPeopleWhy}
        </Step>
        <Step done={first.models} to="/workshop" what={wording.bringModels}>
          {wording.bringModelsWhy}
        </Step>
        <Step done={first.stock} to="/stock" what={wording.bringStock}>
          {wording.bringStockWhy}
        </Step>
        <Step done={false} to="/receive" what={wording.receiveFirst}>
          {wording.receiveFirstWhy}
        </Step>
      </ul>
    </section>
  );
}
function Step({
  done,
  to,
  what,
  children,
}: {
  done: boolean;
  to: string;
  what: string;
  children: ReactNode;
}) {
  const Mark = done ? CheckCircleIcon : CircleIcon;
  return (
    <li>
      <Mark
        size={22}
        className={done ? 'moss' : 'muted'}
        aria-label={done ? wording.isDone : wording.isOpen}
      />
      <span>
        <Link className="strong tap" to={to}>
          {what}
        </Link>
        <span className="muted beside">{children}</span>
      </span>
    </li>
  );
}
