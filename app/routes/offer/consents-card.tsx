import * as wording from '../../../words/screens/offer';
import { Button, Input, Radio } from 'antd';
import { useState } from 'react';
import { agreedBy, type Consent } from '../../../core/consents/consents';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { type Strokes, SignaturePad } from '../../ui/signature-pad';
import { consentText } from '../../../words/consents';
import { Field } from '../../ui/field';

export interface Given {
  name: string;
  strokes: Strokes;
}
interface Props {
  index: IndexedModel;
  state: JobState;
  signers: Record<string, string>;
  consents: Consent[];
  price: string;
  owner: string;
  disabled: boolean;
  busy: boolean;
  onAgree: (which: Consent[], given: Given, answers: Record<string, string>) => void;
}

/** What the owner is told, one sentence each, and agrees to: by name or by signature, one by one or all together. */
export function ConsentsCard({
  index,
  state,
  signers,
  consents,
  price,
  owner,
  disabled,
  busy,
  onAgree,
}: Props) {
  const [name, setName] = useState(owner);
  const [strokes, setStrokes] = useState<Strokes>([]);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const due = consents.filter((c) => !c.optional);
  const open = due.filter((c) => state.consent[c.id] === undefined);
  const unanswered = open.filter((c) => c.answers && !answers[c.id]);
  const agree = (which: Consent[]) => {
    onAgree(which, { name: name.trim(), strokes }, answers);
  };
  return (
    <section className="card stack" aria-label={wording.consents}>
      <div className="spread">
        <h2>{wording.tellTheOwnerAndHave}</h2>
        <span
          className={open.length ? 'strong' : 'moss strong'}
        >{`${due.length - open.length} / ${due.length}`}</span>
      </div>
      <ul className="list">
        {consents.map((c) => (
          <ConsentRow
            key={c.id}
            id={c.id}
            text={consentText(index, c, price)}
            consent={c}
            given={agreedBy(state, signers, c.id)}
            answer={answers[c.id]}
            disabled={disabled}
            may={!!name.trim() && !busy}
            onAnswer={(a) => setAnswers({ ...answers, [c.id]: a })}
            onAgree={() => agree([c])}
          />
        ))}
      </ul>
      {open.length > 0 && !disabled && (
        <div className="row low gap-16">
          <div className="grow-240">
            <SignaturePad strokes={strokes} onChange={setStrokes} label={wording.signatureOrTheNameAlone} />
          </div>
          <div className="stack grow-200">
            <Field label={wording.agreedBy} htmlFor="agreed-by">
              <Input id="agreed-by" value={name} maxLength={80} onChange={(e) => setName(e.target.value)} />
            </Field>
            {unanswered.length > 0 && <span className="small muted">{wording.oldPartsBackOrRecycled}</span>}
            <Button
              type="primary"
              disabled={!name.trim() || unanswered.length > 0 || busy}
              onClick={() => agree(open)}
            >
              {wording.allAgreed(open.length)}
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}

/** One sentence for the owner, and what they said to it. */
function ConsentRow({
  id,
  text,
  consent,
  given,
  answer,
  disabled,
  may,
  onAnswer,
  onAgree,
}: {
  id: string;
  text: string;
  consent: Consent;
  /** By whom and when; undefined while it is open. */
  given: string | undefined;
  answer: string | undefined;
  disabled: boolean;
  /** There is a name to agree by. */
  may: boolean;
  onAnswer: (a: string) => void;
  onAgree: () => void;
}) {
  return (
    <li className="spread mid" data-testid={`consent-${id}`}>
      <span className="fill">
        {text}
        {consent.optional && <span className="muted small"> {wording.onlyIfItComesTo}</span>}
      </span>
      {given ? (
        <span className="moss strong">{wording.agreed(given)}</span>
      ) : consent.answers ? (
        <Radio.Group
          className="one-line"
          optionType="button"
          buttonStyle="solid"
          aria-label={text}
          disabled={disabled}
          value={answer}
          onChange={(e) => onAnswer(e.target.value as string)}
          options={consent.answers.map((a) => ({ value: a, label: a }))}
        />
      ) : (
        <Button disabled={disabled || !may} aria-label={wording.agreedOf(text)} onClick={onAgree}>
          {wording.agreedLabel}
        </Button>
      )}
    </li>
  );
}
