import * as wording from '../../../words/screens/receive';
import { Button } from 'antd';
import { useState } from 'react';
import type { DraftBody } from '../../../forms/receipt-fields';
import { symptomIds, symptomsIn } from '../../../core/knowledge/symptoms';
import { symptomName } from '../../../words/fault';

/** The symptoms that were chosen, those that the owner's words suggest, and all others when they are asked for. */
export function Symptoms({ draft, change }: { draft: DraftBody; change: (c: Partial<DraftBody>) => void }) {
  const [all, setAll] = useState(false);
  const chosen = draft.symptoms ?? [];
  const suggested = symptomsIn(draft.complaint ?? '');
  return (
    <div className="field" role="group" aria-label={wording.symptoms}>
      <div className="row gap-5">
        {symptomIds
          .filter((s) => all || chosen.includes(s) || suggested.includes(s))
          .map((s) => {
            const on = chosen.includes(s);
            return (
              <Button
                key={s}
                aria-pressed={on}
                type={on ? 'primary' : 'default'}
                onClick={() => change({ symptoms: on ? chosen.filter((x) => x !== s) : [...chosen, s] })}
              >
                {on ? `${symptomName(s)} ×` : `+ ${symptomName(s)}`}
              </Button>
            );
          })}
        {!all && (
          <Button aria-expanded={false} onClick={() => setAll(true)}>
            {wording.symptoms2}
          </Button>
        )}
      </div>
    </div>
  );
}
