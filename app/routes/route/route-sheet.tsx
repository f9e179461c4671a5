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
      {plan.steps.map((s, i) => {
        const fresh = s.cautions.filter((c) => !said.has(c));
        for (const c of fresh) said.add(c);
        const screws = s.bit ? s.targets.map((t) => index.fasteners.get(t)!) : [];
        const things =
          s.bit || s.targets.length < 2 || s.targets[0]!.includes(':') || s.targets[0] === 'start'
            ? []
            : s.targets.map((t) => thingName(index, t.split('#')[0]!));
        return (
          <li key={s.id}>
            <span className="tick" aria-hidden="true" />
            <span className="nr">{i + 1}</span>
            <div>
              <span className="strong">{stepTitle(index, s)}</span>
              {s.waitS > 0 && (
                <span className="small">
                  {wording.waitOf(s.waitS < 90 ? `${s.waitS} s` : `${Math.round(s.waitS / 60)} min`)}
                </span>
              )}
              {screws.length > 0 && (
                <div className="small row gap-10">
                  <Recess drive={s.bit!} size={14} />
                  {screws.map((f) => (
                    <span key={f.id} className="nowrap">
                      {f.id} <i className="len" style={{ width: `${f.lengthMm}mm` }} /> {f.lengthMm}
                    </span>
                  ))}
                </div>
              )}
              {things.length > 1 && <div className="small">{things.join(', ')}</div>}
              {(s.note || howText(index, s)) && (
                <div className="small">{[s.note, howText(index, s)].filter(Boolean).join(' ')}</div>
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
