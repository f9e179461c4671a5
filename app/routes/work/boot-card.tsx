import * as wording from '../../../words/screens/work';
import { Tag } from 'antd';
import { flag, type JobState } from '../../../core/log/state';
import { isOn } from '../../../core/log/view';
import { bootRulesFor, counts } from '../../../core/model/system';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/steps/route';
import { Note } from '../../ui/note';

/** What must be plugged in for a test to mean anything: what is missing, and what the phone would do without it. */
export function BootCard({ index, state, step }: { index: IndexedModel; state: JobState; step: Step }) {
  if (
    !(
      step.action === 'test part' ||
      step.action === 'calibrate' ||
      (step.action === 'check' && step.round === 'mid')
    )
  )
    return null;
  const system = flag(state, 'system')?.version;
  const rules = bootRulesFor(index, system);
  if (!rules.length) return null;
  return (
    <section className="stack gap-6 top-10" aria-label={wording.forAPicture}>
      {rules.map((r) => {
        const missing = r.connectors.filter((c) => !isOn(state, c));
        return (
          <Note key={r.connectors.join(' ')} tone={missing.length ? 'stop' : 'safe'}>
            <div className="row gap-6">
              {r.connectors.map((c) => {
                const on = isOn(state, c);
                return (
                  <Tag
                    key={c}
                    color={on ? 'default' : 'error'}
                  >{`${on ? '●' : '○'} ${index.connectors.get(c)?.name ?? c}${on ? '' : wording.isOff}`}</Tag>
                );
              })}
            </div>
            <p className="small">
              {missing.length
                ? wording.withoutIt(r.otherwise)
                : wording.allOnWithoutOneOf(
                    r.systemFrom ? wording.asSystemsFromAsk(r.systemFrom) : '',
                    r.otherwise,
                  )}
              {counts(r, system) === undefined && wording.theSystemVersionIsNot}
            </p>
          </Note>
        );
      })}
    </section>
  );
}
