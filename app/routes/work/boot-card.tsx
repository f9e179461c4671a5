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
    <section className="stack gap-6 top-10" aria-label="For a picture">
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
                  >{`${on ? '●' : '○'} ${index.connectors.get(c)?.name ?? c}${on ? '' : ' is off'}`}</Tag>
                );
              })}
            </div>
            <p className="small">
              {missing.length
                ? `Without it: ${r.otherwise}`
                : `All on${r.systemFrom ? `, as systems from ${r.systemFrom} ask` : ''}. Without one of them: ${r.otherwise}`}
              {counts(r, system) === undefined &&
                ' The system version is not known: an older one shows a picture all the same.'}
            </p>
          </Note>
        );
      })}
    </section>
  );
}
