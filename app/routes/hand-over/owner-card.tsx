import * as wording from '../../../words/screens/hand-over';
import { Button } from 'antd';
import { agreedBy } from '../../../core/consents/consents';
import { replacedSlots } from '../../../core/log/view';
import { flag } from '../../../core/log/state';
import { consentsNeeded, dataDue, effectsOf, type Remedies } from '../../../core/pairing/effects';
import { useJobFrame } from '../../ui/job-frame';
import { thingName } from '../../../words/things';

/** What the owner was told, and what of it is still to be agreed to or declined. */
export function OwnerCard({ note }: { note: string }) {
  const { index, state, context, page, ended, report } = useJobFrame();
  // what will be replaced counts from the start: the owner is told before, not after
  const tasked = Object.keys(state.task).filter((s) => state.task[s] === 'replace');
  const effects = effectsOf(
    index,
    [...new Set([...tasked, ...replacedSlots(state)])],
    context.route?.input.methods,
    state.remedy as Remedies,
    flag(state, 'system')?.version,
  );
  const needed = consentsNeeded(effects);
  return (
    <section className="card stack">
      <h2>{wording.whatTheOwnerWasTold}</h2>
      {needed.length === 0 && <p className="muted">{wording.nothingChangesForTheOwner}</p>}
      {needed.map((effect) => (
        <div key={effect.id} className="spread mid">
          <span>{effect.owner}</span>
          {state.consent[effect.id] ? (
            <span className="moss strong nowrap">
              {wording.agreed(agreedBy(state, page.signers, effect.id) ?? '')}
            </span>
          ) : (
            <Button
              disabled={ended}
              onClick={() => void report({ type: 'consentGiven', effect: effect.id, by: 'owner' })}
            >
              {wording.ownerAgrees}
            </Button>
          )}
        </div>
      ))}
      {dataDue(effects).map((slot) => (
        <div key={slot} className="spread mid">
          <span>{wording.identityDataOfThe(thingName(index, slot), state.data[slot] ?? 'open')}</span>
          {!state.data[slot] && (
            <Button
              onClick={() =>
                void report({
                  type: 'dataDeclined',
                  slot,
                  reason: note.trim() || wording.ownerAcceptsTheNotice,
                })
              }
            >
              {wording.declined}
            </Button>
          )}
        </div>
      ))}
    </section>
  );
}
