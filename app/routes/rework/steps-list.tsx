import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { EndButtons } from './end-buttons';
import { settingOf } from './step-card';
import type { Rework } from './use-rework';

/** All steps of the work, those that are done, and the one that is next. */
export function StepsList({ rework }: { rework: Rework }) {
  const { plan, work, step, done: all } = rework;
  return (
    <section className="card stack gap-8" aria-label={wording.steps}>
      <div className="spread">
        <h2>{wording.steps}</h2>
        <span className="muted small">{work && words.kindOfRework[work.kind]}</span>
      </div>
      <ol className="rework-steps m-0">
        {plan.map((s) => {
          const done = all.has(s.id);
          return (
            <li
              key={s.id}
              className={done ? 'is-done' : s.id === step?.id ? 'is-next' : ''}
              aria-current={s.id === step?.id ? 'step' : undefined}
            >
              <span>{words.reworkStepName[s.id]}</span>
              <span className="muted small">{settingOf(s.id === step?.id ? step : s)}</span>
            </li>
          );
        })}
      </ol>
      {step && <EndButtons rework={rework} />}
    </section>
  );
}
