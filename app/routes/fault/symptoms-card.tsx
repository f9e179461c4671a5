import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/fault';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type SymptomId, symptoms } from '../../../core/knowledge/symptoms';
import type { JobState } from '../../../core/log/state';
import type { EarlierJob } from '../../../core/wire/earlier-job';
import { causeName, symptomName } from '../../../words/fault';

/** What the owner says, as symptoms: those recorded, those that their words and the before-check suggest, and all others. */
export function Symptoms({
  complaint,
  state,
  suggested,
  earlier,
  disabled,
  onSet,
}: {
  complaint: string;
  state: JobState;
  suggested: SymptomId[];
  earlier: EarlierJob[];
  disabled: boolean;
  onSet: (s: SymptomId, on: boolean) => void;
}) {
  const [all, setAll] = useState(false);
  const recorded = symptoms.filter((s) => state.symptom[s.id]);
  const rest = symptoms.filter((s) => !state.symptom[s.id] && !suggested.includes(s.id));
  return (
    <section className="card stack" aria-label={wording.symptoms}>
      <h2>{wording.whatTheOwnerSaysLabel}</h2>
      {complaint && (
        <p className="breaks">{`“${complaint.length > 400 ? `${complaint.slice(0, 400)}…` : complaint}”`}</p>
      )}
      {recorded.length > 0 && (
        <div className="row gap-6">
          {recorded.map((s) => (
            <Button
              key={s.id}
              type="primary"
              aria-pressed="true"
              disabled={disabled}
              onClick={() => onSet(s.id, false)}
            >
              {s.name} ×
            </Button>
          ))}
        </div>
      )}
      {suggested.length > 0 && (
        <div className="field">
          <span className="label small">{wording.fromTheseWordsAndThe}</span>
          <div className="row gap-6">
            {suggested.map((s) => (
              <Button
                key={s}
                aria-pressed="false"
                disabled={disabled}
                onClick={() => onSet(s, true)}
              >{`+ ${symptomName(s)}`}</Button>
            ))}
          </div>
        </div>
      )}
      <div>
        <Button aria-expanded={all || !recorded.length} onClick={() => setAll(!all)}>
          {all ? wording.fewer : wording.allSymptoms}
        </Button>
      </div>
      {(all || (!recorded.length && !suggested.length)) && (
        <div className="row gap-6">
          {rest.map((s) => (
            <Button key={s.id} aria-pressed="false" disabled={disabled} onClick={() => onSet(s.id, true)}>
              {s.name}
            </Button>
          ))}
        </div>
      )}
      {earlier.length > 0 && <HereBefore earlier={earlier} />}
    </section>
  );
}

function HereBefore({ earlier }: { earlier: EarlierJob[] }) {
  const { day } = useFormats();
  return (
    <div className="field">
      <span className="label small">{wording.hereBefore}</span>
      {earlier.map((j) => (
        <div key={j.id} className="small">
          <Link to={`/jobs/${j.id}/report`}>{wording.job(j.number)}</Link>
          {`, ${day(j.openedAt)}: ${j.tasks.join(', ') || wording.nothingDone}${j.cause ? `; ${causeName(j.cause)}` : ''}`}
        </div>
      ))}
    </div>
  );
}
