import * as wording from '../../../words/screens/route';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route } from '../../../core/steps/route';
import { Recess } from '../../ui/recess';
import { howText, stepTitle } from '../../../words/steps';
import { cautionText } from '../../../words/cautions';
import { thingName } from '../../../words/things';

/** The steps for paper: two columns, a box to tick for each, screws drawn at their true length, cautions once. */
export function RouteSheet({ index, plan }: { index: IndexedModel; plan: Route }) {
  const said = new Set<string>();
  return (
    <ol className={`paper-steps ${plan.steps.length > 90 ? 'many' : ''}`}>
      {plan.steps.map((step, i) => {
        const fresh = step.cautions.filter((c) => !said.has(c));
        for (const caution of fresh) said.add(caution);
        const screws = step.bit ? step.targets.map((t) => index.fasteners.get(t)!) : [];
        const things =
          step.bit || step.targets.length < 2 || step.targets[0]!.includes(':') || step.targets[0] === 'start'
            ? []
            : step.targets.map((t) => thingName(index, t.split('#')[0]!));
        return (
          <li key={step.id}>
            <span className="tick" aria-hidden="true" />
            <span className="nr">{i + 1}</span>
            <div>
              <span className="strong">{stepTitle(index, step)}</span>
              {step.waitS > 0 && (
                <span className="small">
                  {wording.waitOf(step.waitS < 90 ? `${step.waitS} s` : `${Math.round(step.waitS / 60)} min`)}
                </span>
              )}
              {screws.length > 0 && (
                <div className="small row gap-10">
                  <Recess drive={step.bit!} size={14} />
                  {screws.map((f) => (
                    <span key={f.id} className="nowrap">
                      {f.id} <i className="len" style={{ width: `${f.lengthMm}mm` }} /> {f.lengthMm}
                    </span>
                  ))}
                </div>
              )}
              {things.length > 1 && <div className="small">{things.join(', ')}</div>}
              {(step.note || howText(index, step)) && (
                <div className="small">{[step.note, howText(index, step)].filter(Boolean).join(' ')}</div>
              )}
              {fresh.length > 0 && (
                <div className="small brick">{fresh.map((c) => cautionText[c]).join(' ')}</div>
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}
