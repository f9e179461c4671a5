import { practiceName } from '../../../words/things';
import * as record from '../../../words/screens/record';
import * as wording from '../../../words/screens/receive';
import { Button, Input } from 'antd';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { Task } from '../../../core/log/events';
import type { ModelChoice } from '../../../core/wire/model-choice';
import { Pick } from '../../ui/pick';
import { type Part, TaskPicker } from '../../ui/task-picker';
import { When } from '../../ui/when';
import { usualHands } from '../../../core/day/blocks';
import { minutes } from '../../../words/time';
import { useFormats } from '../../ui/formats';
import { FreeSlots } from '../../ui/free-slots';
import { usePromise } from '../offer/use-promise';
import { PhoneAsked } from './phone-asked';
import { type Control, ReceiveField } from './receive-field';
import { SeenBefore, useSeen } from './seen-before';
import { Symptoms } from './symptoms';
import type { ReceiveState } from './use-receive';

/** Which device, whose, what is wrong with it, what is to be done until when. */
export function DeviceSection({ form, now }: { form: ReceiveState; now: number }) {
  const { id, models, draft, change, model } = form;
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
          const modelChoice =
            models.find((x) => x.hash === j.modelHash) ?? models.find((x) => x.name === model?.name);
          change({
            ...(modelChoice ? { modelHash: modelChoice.hash } : {}),
            variant: j.variant,
            marks: j.marks,
            ...(j.owner && !draft.owner ? { owner: j.owner } : {}),
          });
        }}
      />
      <ReceiveField label={wording.ownersName} field="owner">
        <Input maxLength={80} />
      </ReceiveField>
      <Complaint form={form} />
      <Symptoms draft={draft} change={change} />
      {model && (
        <div className="field">
          <span className="label">{wording.tasksIfTheyAreKnown}</span>
          <ReceiveField field="tasks">
            <Tasks parts={model.parts} />
          </ReceiveField>
        </div>
      )}
      <WantedFor form={form} now={now} />
      <PhoneAsked />
      <ReceiveField
        label={wording.passcodeForTheChecks}
        field="passcode"
        extra={<span className="muted small">{wording.neverPartOfADraft}</span>}
      >
        <Input maxLength={60} autoComplete="off" />
      </ReceiveField>
    </section>
  );
}

function Tasks({ parts, id, value = [], onChange, ...said }: { parts: Part[] } & Control<Task[]>) {
  return (
    <div id={id} {...said} role="group" aria-label={wording.tasksIfTheyAreKnown} tabIndex={-1}>
      <TaskPicker
        least={0}
        parts={parts}
        tasks={value}
        onSet={(slot, action) =>
          onChange?.([
            ...value.filter((t) => t.slot !== slot),
            ...(action === 'none' ? [] : [{ slot, action }]),
          ])
        }
      />
    </div>
  );
}

function WhichDevice({ form: { models, model } }: { form: ReceiveState }) {
  return (
    <>
      <div className="row gap-8 high">
        <ReceiveField label={wording.serialOrOwnTag} field="tag" className="grow-150">
          <Input maxLength={60} autoComplete="off" />
        </ReceiveField>
        <ReceiveField label={wording.model} field="modelHash" className="grow-120">
          <Pick
            className="shrinks"
            placeholder={wording.choose}
            popupRender={(list) => (
              <>
                {list}
                <Link className="tap beside" to="/models#record">
                  {record.notInTheList}
                </Link>
              </>
            )}
            options={models.map((m) => ({
              value: m.hash,
              label: m.practice ? practiceName(m.name) : m.name,
            }))}
          />
        </ReceiveField>
      </div>
      {model && model.variants.length > 1 && (
        <div className="field">
          <span className="label">{wording.variant}</span>
          <ReceiveField field="variant">
            <Variants variants={model.variants} />
          </ReceiveField>
        </div>
      )}
    </>
  );
}
function Variants({
  variants,
  id,
  value,
  onChange,
  ...said
}: { variants: ModelChoice['variants'] } & Control<string>) {
  return (
    <div className="row gap-6" id={id} {...said} role="group" aria-label={wording.variant} tabIndex={-1}>
      {variants.map((v) => (
        <Button
          key={v.id}
          aria-pressed={v.id === value}
          type={v.id === value ? 'primary' : 'default'}
          onClick={() => onChange?.(v.id)}
        >
          {v.name}
        </Button>
      ))}
    </div>
  );
}

/** As many characters as a job takes. */
const most = 4000;
function Complaint({ form: { draft, errors } }: { form: ReceiveState }) {
  const { length } = draft.complaint ?? '';
  return (
    <ReceiveField
      label={wording.whatTheOwnerSaysIs}
      field="complaint"
      extra={
        length > most &&
        !errors.complaint && (
          <span className="error" role="status">
            {wording.charactersAtMost4000(length)}
          </span>
        )
      }
    >
      <Input.TextArea rows={2} />
    </ReceiveField>
  );
}

/** At the counter the first few are enough: what is typed there stands below. */
const atCounter = 2;
/** What a device takes that nobody has planned yet: usual minutes, no waits. */
const usualTakes = { ...usualHands, wait: 0 };
/** When it could be ready by the day as it is planned, and how surely by the wished time; its minutes are only usual ones. */
function WhenReady({ at, now, onTake }: { at: number | null; now: number; onTake: (at: number) => void }) {
  const { soon } = useFormats();
  const said = usePromise(usualTakes, at);
  if (!said) return null;
  return (
    <div className="stack gap-4">
      <p className="small m-0" data-testid="by-the-plan" suppressHydrationWarning>
        {wording.readyByThePlan(soon(said.readyAt, now))}
        {said.chance !== undefined && wording.keptSo(said.chance)}{' '}
        {said.pushed.length > 0 && (
          <span className="brick">
            {said.pushed.map((p) => wording.makesLate(p.name, minutes(p.byS / 60))).join('; ')}
          </span>
        )}
      </p>
      <FreeSlots slots={said.slots.slice(0, atCounter)} now={now} disabled={false} onTake={onTake} />
    </div>
  );
}
function WantedFor({ form: { draft, errors, change }, now }: { form: ReceiveState; now: number }) {
  const at = draft.promisedAt ?? null;
  const past = at !== null && at < now;
  return (
    <>
      <div className="row gap-8 high">
        <ReceiveField
          label={wording.wantedFor}
          field="promisedAt"
          className="grow-170"
          extra={
            past &&
            !errors.promisedAt && (
              <span className="error" role="status">
                {wording.thisTimeIsPast}
              </span>
            )
          }
        >
          <When now={now} invalid={past || !!errors.promisedAt} />
        </ReceiveField>
        <ReceiveField label={wording.becauseOf2} field="promisedAs" className="grow-110">
          <Input maxLength={60} placeholder={wording.aSailingSay} />
        </ReceiveField>
      </div>
      <WhenReady at={past ? null : at} now={now} onTake={(promisedAt) => change({ promisedAt })} />
    </>
  );
}
