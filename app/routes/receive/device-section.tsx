import * as wording from '../../../words/screens/receive';
import { Button, Input } from 'antd';
import { useEffect, useRef } from 'react';
import { Pick } from '../../ui/pick';
import { TaskPicker } from '../../ui/task-picker';
import { When } from '../../ui/when';
import { PhoneAsked } from './phone-asked';
import { marked, Problem, ReceiveField } from './receive-field';
import { SeenBefore, useSeen } from './seen-before';
import { Symptoms } from './symptoms';
import type { ReceiveState } from './use-receive';

/** Which device, whose, what is wrong with it, what is to be done until when. */
export function DeviceSection({ form, now }: { form: ReceiveState; now: number }) {
  const { id, models, draft, change, errors, model, passcode, setPasscode } = form;
  const first = useRef<HTMLElement>(null);
  useEffect(() => {
    first.current?.querySelector('input')?.focus();
  }, []);
  const seen = useSeen(id, draft.tag ?? '');
  return (
    <section className="card stack" aria-label={wording.deviceAndOwner} ref={first}>
      <WhichDevice form={form} />
      <SeenBefore
        seen={seen}
        onAsLastTime={(j) => {
          const m = models.find((x) => x.hash === j.modelHash) ?? models.find((x) => x.name === model?.name);
          change({
            ...(m ? { modelHash: m.hash } : {}),
            variant: j.variant,
            marks: j.marks,
            ...(j.owner && !draft.owner ? { owner: j.owner } : {}),
          });
        }}
      />
      <ReceiveField label={wording.ownersName} field="owner" errors={errors}>
        <Input
          {...marked(errors, 'owner')}
          value={draft.owner ?? ''}
          maxLength={80}
          onChange={(e) => change({ owner: e.target.value })}
        />
      </ReceiveField>
      <Complaint form={form} />
      <Symptoms draft={draft} change={change} />
      {model && (
        <div className="field">
          <span className="label">{wording.tasksIfTheyAreKnown}</span>
          <div {...marked(errors, 'tasks')} tabIndex={-1}>
            <TaskPicker
              least={0}
              parts={model.parts}
              tasks={draft.tasks ?? []}
              onSet={(slot, action) =>
                change({
                  tasks: [
                    ...(draft.tasks ?? []).filter((t) => t.slot !== slot),
                    ...(action === 'none' ? [] : [{ slot, action }]),
                  ],
                })
              }
            />
          </div>
          <Problem errors={errors} field="tasks" />
        </div>
      )}
      <WantedFor form={form} now={now} />
      <PhoneAsked draft={draft} change={change} errors={errors} />
      <ReceiveField label={wording.passcodeForTheChecks} field="passcode" errors={errors}>
        <Input
          {...marked(errors, 'passcode')}
          value={passcode}
          maxLength={60}
          autoComplete="off"
          onChange={(e) => setPasscode(e.target.value)}
        />
        <span className="muted small">{wording.neverPartOfADraft}</span>
      </ReceiveField>
    </section>
  );
}

function WhichDevice({ form: { models, draft, change, errors, model } }: { form: ReceiveState }) {
  return (
    <>
      <div className="row gap-8 high">
        <ReceiveField label={wording.serialOrOwnTag} field="tag" errors={errors} className="grow-150">
          <Input
            {...marked(errors, 'tag')}
            value={draft.tag ?? ''}
            maxLength={60}
            autoComplete="off"
            onChange={(e) => change({ tag: e.target.value })}
          />
        </ReceiveField>
        <ReceiveField label={wording.model} field="modelHash" errors={errors} className="grow-120">
          <Pick
            {...marked(errors, 'modelHash')}
            className="shrinks"
            placeholder={wording.choose}
            value={draft.modelHash || undefined}
            onChange={(value) => {
              const m = models.find((x) => x.hash === value);
              if (m)
                change({ modelHash: m.hash, variant: m.variants[0]!.id, tasks: [], before: {}, marks: [] });
            }}
            options={models.map((m) => ({ value: m.hash, label: m.name }))}
          />
        </ReceiveField>
      </div>
      {model && model.variants.length > 1 && (
        <div className="field">
          <span className="label">{wording.variant}</span>
          <div className="row gap-6" {...marked(errors, 'variant')}>
            {model.variants.map((v) => (
              <Button
                key={v.id}
                aria-pressed={v.id === draft.variant}
                type={v.id === draft.variant ? 'primary' : 'default'}
                onClick={() => change({ variant: v.id })}
              >
                {v.name}
              </Button>
            ))}
          </div>
          <Problem errors={errors} field="variant" />
        </div>
      )}
    </>
  );
}

/** As many characters as a job takes. */
const most = 4000;
function Complaint({ form: { draft, change, errors } }: { form: ReceiveState }) {
  const { length } = draft.complaint ?? '';
  return (
    <ReceiveField label={wording.whatTheOwnerSaysIs} field="complaint" errors={errors}>
      <Input.TextArea
        {...marked(errors, 'complaint')}
        rows={2}
        value={draft.complaint ?? ''}
        onChange={(e) => change({ complaint: e.target.value })}
      />
      {length > most && (
        <span className="error" role="status">
          {wording.charactersAtMost4000(length)}
        </span>
      )}
    </ReceiveField>
  );
}

function WantedFor({ form: { draft, change, errors }, now }: { form: ReceiveState; now: number }) {
  const at = draft.promisedAt ?? null;
  const past = at !== null && at < now;
  return (
    <div className="row gap-8 high">
      <ReceiveField label={wording.wantedFor} field="promisedAt" errors={errors} className="grow-170">
        <When
          id="promisedAt"
          value={at}
          now={now}
          invalid={past || !!errors.promisedAt}
          onChange={(promisedAt) => change({ promisedAt })}
        />
        {past && !errors.promisedAt && (
          <span className="error" role="status">
            {wording.thisTimeIsPast}
          </span>
        )}
      </ReceiveField>
      <ReceiveField label={wording.becauseOf2} field="promisedAs" errors={errors} className="grow-110">
        <Input
          {...marked(errors, 'promisedAs')}
          value={draft.promisedAs ?? ''}
          maxLength={60}
          placeholder={wording.aSailingSay}
          onChange={(e) => change({ promisedAs: e.target.value })}
        />
      </ReceiveField>
    </div>
  );
}
