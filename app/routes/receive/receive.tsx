import { Button, Input } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { redirect, useActionData, useNavigation, useSubmit } from 'react-router';
import { z } from 'zod';
import { symptomIds, symptomsIn } from '../../../core/diagnose/knowledge/symptoms';
import type { FunctionId } from '../../../core/model/schema';
import { receivePage } from '../../../server/use-cases/drafts';
import { receiveJob } from '../../../server/use-cases/receive-job';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { ownerKey } from '../../job/outbox';
import { TaskPicker } from '../../ui/task-picker';
import { symptomName } from '../../words/fault';
import { PhoneAsked } from './phone-asked';
import type { Route } from './+types/receive';
import { BeforeCheck } from './before-check';
import { PhotoButton } from '../../ui/photo-button';
import { When } from '../../ui/when';
import { OutlineMarks } from './outline-marks';
import { usePhotoUpload } from './photo-upload';
import { SeenBefore, useSeen } from './seen-before';
import { useDraft } from './use-draft';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { Note } from '../../ui/note';

const isId = (id: string) => z.uuid().safeParse(id).success;

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  if (!isId(params.draft)) throw new Response(null, { status: 404, statusText: 'No such draft' });
  const page = await receivePage(who, params.draft);
  if (page.opened) throw redirect(`/jobs/${params.draft}/offer`);
  return { who, ...page, id: params.draft, now: Date.now() };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  if (!isId(params.draft)) throw new Response(null, { status: 404, statusText: 'No such draft' });
  const done = await receiveJob(who, params.draft, await jsonBody(request), Date.now());
  if (done.ok) throw redirect(`/jobs/${done.job}/${done.next}`);
  return { errors: done.errors };
}

export default function Receive({ loaderData }: Route.ComponentProps) {
  const { who, models, id } = loaderData;
  const { draft, change, keeping } = useDraft(id, loaderData.draft);
  const [passcode, setPasscode] = useState('');
  const [allSymptoms, setAllSymptoms] = useState(false);
  const errors: Record<string, string> = useActionData<typeof action>()?.errors ?? {};
  const busy = useNavigation().state !== 'idle';
  const submit = useSubmit();
  const first = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const f = Object.keys(errors)[0];
    if (f) document.getElementById(f)?.focus();
  }, [errors]);
  useEffect(() => {
    first.current?.querySelector('input')?.focus();
  }, []);
  const model = models.find((m) => m.hash === draft.modelHash);
  const before = draft.before ?? {};
  const marks = draft.marks ?? [];
  const symptoms = draft.symptoms ?? [];
  const list = (model?.shortList ?? []) as FunctionId[];
  const answered = list.filter((f) => before[f]).length;
  const seen = useSeen(id, draft.tag ?? '');
  const photos = draft.photos ?? [];
  const latest = useRef(photos);
  latest.current = photos;
  const kept = useCallback(
    (p: { id: string; mark?: string }) => change({ photos: [...latest.current, p] }),
    [change],
  );
  const upload = usePhotoUpload(id, ownerKey(who.shopId, who.personId), kept);
  const photoUrl = (p: string) => `/jobs/${id}/photos/${p}`;
  const dropPhoto = (p: string) => {
    void fetch(photoUrl(p), { method: 'DELETE' }).catch(() => {});
    change({ photos: photos.filter((x) => x.id !== p) });
  };
  const suggested = symptomsIn(draft.complaint ?? '').filter((s) => !symptoms.includes(s));
  const setSymptom = (s: (typeof symptomIds)[number], on: boolean) =>
    change({ symptoms: on ? [...symptoms, s] : symptoms.filter((x) => x !== s) });
  const err = (f: string) =>
    errors[f] && (
      <span className="error" id={`${f}-error`} role="alert">
        {errors[f]}
      </span>
    );
  const aria = (f: string) => ({
    id: f,
    'aria-invalid': !!errors[f],
    ...(errors[f] ? { 'aria-describedby': `${f}-error` } : {}),
  });
  const send = () => {
    void submit(JSON.stringify({ ...draft, ...(passcode ? { passcode } : {}) }), {
      method: 'post',
      encType: 'application/json',
    });
  };
  const sending = upload.uploads.some((u) => u.state === 'sending');
  const keys = useRef<(e: KeyboardEvent) => void>(undefined);
  keys.current = (e) => {
    if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
      e.preventDefault();
      send();
    } else if (e.key === 'F2') {
      e.preventDefault();
      nextSection(e.shiftKey ? -1 : 1, clicked.current);
    }
  };
  const clicked = useRef<Element>(undefined);
  useEffect(() => {
    const down = (e: KeyboardEvent) => keys.current?.(e);
    const click = (e: PointerEvent) => {
      clicked.current = e.target as Element;
    };
    window.addEventListener('keydown', down);
    window.addEventListener('pointerdown', click);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('pointerdown', click);
    };
  }, []);
  const past =
    draft.promisedAt !== null && draft.promisedAt !== undefined && draft.promisedAt < loaderData.now;
  return (
    <main className="page stack gap-8">
      <div className="spread">
        <h1>Receive a device</h1>
        <span className="row">
          <span className="muted small">
            <kbd>F2</kbd> next part <kbd>Ctrl ↵</kbd> receive
          </span>
          <span className="muted" role="status">
            {keeping}
          </span>
          <Button
            type="primary"
            size="large"
            loading={busy}
            disabled={sending}
            onClick={send}
            title="Ctrl + Enter"
          >
            Receive
          </Button>
        </span>
      </div>
      {Object.keys(errors).length > 0 && (
        <Note
          tone="stop"
          role="alert"
        >{`${Object.keys(errors).length} ${Object.keys(errors).length === 1 ? 'thing is' : 'things are'} missing or wrong below. Nothing you typed is lost.`}</Note>
      )}
      <div className="cols three high">
        <section
          className="card stack"
          aria-label="Device and owner"
          ref={first as React.RefObject<HTMLElement>}
        >
          <div className="row gap-8 high">
            <Field label="Serial or own tag" htmlFor="tag" className="grow-150">
              <Input
                {...aria('tag')}
                value={draft.tag ?? ''}
                maxLength={60}
                autoComplete="off"
                onChange={(e) => change({ tag: e.target.value })}
              />
              {err('tag')}
            </Field>
            <Field label="Model" htmlFor="modelHash" className="grow-120">
              <Pick
                {...aria('modelHash')}
                className="shrinks"
                placeholder="choose…"
                value={draft.modelHash || undefined}
                onChange={(value) => {
                  const m = models.find((x) => x.hash === value);
                  if (m)
                    change({
                      modelHash: m.hash,
                      variant: m.variants[0]!.id,
                      tasks: [],
                      before: {},
                      marks: [],
                    });
                }}
                options={models.map((m) => ({ value: m.hash, label: m.name }))}
              />
              {err('modelHash')}
            </Field>
          </div>
          {model && model.variants.length > 1 && (
            <div className="field">
              <span className="label">Variant</span>
              <div className="row gap-6" {...aria('variant')}>
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
              {err('variant')}
            </div>
          )}
          <SeenBefore
            seen={seen}
            onAsLastTime={(j) => {
              const m =
                models.find((x) => x.hash === j.modelHash) ?? models.find((x) => x.name === model?.name);
              change({
                ...(m ? { modelHash: m.hash } : {}),
                variant: j.variant,
                marks: j.marks,
                ...(j.owner && !draft.owner ? { owner: j.owner } : {}),
              });
            }}
          />
          <Field label="Owner’s name" htmlFor="owner">
            <Input
              {...aria('owner')}
              value={draft.owner ?? ''}
              maxLength={80}
              onChange={(e) => change({ owner: e.target.value })}
            />
            {err('owner')}
          </Field>
          <Field label="What the owner says is wrong" htmlFor="complaint">
            <Input.TextArea
              {...aria('complaint')}
              rows={2}
              value={draft.complaint ?? ''}
              onChange={(e) => change({ complaint: e.target.value })}
            />
            {(draft.complaint ?? '').length > 4000 && (
              <span
                className="error"
                role="status"
              >{`${draft.complaint!.length} characters; at most 4 000 are taken. Keep what matters for the repair.`}</span>
            )}
            {err('complaint')}
          </Field>
          <div className="field" role="group" aria-label="Symptoms">
            <div className="row gap-5">
              {symptomIds
                .filter((s) => allSymptoms || symptoms.includes(s) || suggested.includes(s))
                .map((s) => {
                  const on = symptoms.includes(s);
                  return (
                    <Button
                      key={s}
                      aria-pressed={on}
                      type={on ? 'primary' : 'default'}
                      onClick={() => setSymptom(s, !on)}
                    >
                      {on ? `${symptomName(s)} ×` : `+ ${symptomName(s)}`}
                    </Button>
                  );
                })}
              {!allSymptoms && (
                <Button aria-expanded={false} onClick={() => setAllSymptoms(true)}>
                  symptoms…
                </Button>
              )}
            </div>
          </div>
          {model && (
            <div className="field">
              <span className="label">Tasks, if they are known</span>
              <div {...aria('tasks')} tabIndex={-1}>
                <TaskPicker
                  least={0}
                  parts={model.parts}
                  tasks={draft.tasks ?? []}
                  onSet={(slot, a) =>
                    change({
                      tasks: [
                        ...(draft.tasks ?? []).filter((t) => t.slot !== slot),
                        ...(a === 'none' ? [] : [{ slot, action: a }]),
                      ],
                    })
                  }
                />
              </div>
              {err('tasks')}
            </div>
          )}
          <div className="row gap-8 high">
            <Field label="Wanted for" htmlFor="promisedAt" className="grow-170">
              <When
                id="promisedAt"
                value={draft.promisedAt ?? null}
                now={loaderData.now}
                invalid={past || !!errors.promisedAt}
                onChange={(promisedAt) => change({ promisedAt })}
              />
              {past && !errors.promisedAt && (
                <span className="error" role="status">
                  This time is past.
                </span>
              )}
              {err('promisedAt')}
            </Field>
            <Field label="because of" htmlFor="promisedAs" className="grow-110">
              <Input
                {...aria('promisedAs')}
                value={draft.promisedAs ?? ''}
                maxLength={60}
                placeholder="a sailing, say"
                onChange={(e) => change({ promisedAs: e.target.value })}
              />
              {err('promisedAs')}
            </Field>
          </div>
          <PhoneAsked draft={draft} change={change} error={err} />
          <Field label="Passcode for the checks" htmlFor="passcode">
            <Input
              {...aria('passcode')}
              value={passcode}
              maxLength={60}
              autoComplete="off"
              onChange={(e) => setPasscode(e.target.value)}
            />
            <span className="muted small">never part of a draft; deleted when the job is closed</span>
            {err('passcode')}
          </Field>
        </section>
        <section className="card stack" aria-label="State on arrival">
          <div className="spread mid">
            <h2>State on arrival</h2>
            {model && (
              <span className="row gap-6">
                {photos
                  .filter((p) => !p.mark)
                  .map((p) => (
                    <span key={p.id} className="relative">
                      <a href={photoUrl(p.id)} target="_blank" rel="noreferrer">
                        <img
                          src={photoUrl(p.id)}
                          alt="The device on arrival"
                          width={44}
                          height={44}
                          style={{ objectFit: 'cover', borderRadius: 8, display: 'block' }}
                        />
                      </a>
                    </span>
                  ))}
                <PhotoButton label="Photograph the device" text="Photo" onFiles={(f) => upload.add(f)} />
              </span>
            )}
          </div>
          {upload.uploads.map((u) => (
            <Note
              key={u.id}
              tone={u.state === 'failed' ? 'stop' : 'warn'}
              className="small"
              role={u.state === 'failed' ? 'alert' : 'status'}
            >
              <div className="spread mid">
                <span>{u.state === 'sending' ? `Sending ${u.file.name ?? 'a photograph'}…` : u.error}</span>
                {u.state === 'failed' && (
                  <span className="row gap-6 one-line">
                    <Button onClick={() => upload.again(u.id)}>Again</Button>
                    <Button
                      aria-label={`Forget ${u.file.name ?? 'the photograph'}`}
                      onClick={() => upload.drop(u.id)}
                    >
                      ×
                    </Button>
                  </span>
                )}
              </div>
            </Note>
          ))}
          {model ? (
            <OutlineMarks
              outline={model.outline}
              marks={marks}
              photos={photos}
              photoUrl={photoUrl}
              onChange={(m) => {
                for (const p of photos) if (p.mark && !m.some((k) => k.id === p.mark)) dropPhoto(p.id);
                change({ marks: m });
              }}
              onPhoto={(f, mark) => upload.add(f, mark)}
            />
          ) : (
            <p className="muted">Choose the model: its outlines stand here to be marked.</p>
          )}
        </section>
        <section className="card stack gap-6" aria-label="Before-check">
          <div className="spread">
            <h2>Before: what works</h2>
            {model && (
              <span className="strong">
                {answered} / {list.length}
              </span>
            )}
          </div>
          {err('before')}
          {model ? (
            <div {...aria('before')} tabIndex={-1}>
              <BeforeCheck list={list} before={before} onChange={(b) => change({ before: b })} />
            </div>
          ) : (
            <p className="muted">
              Cold, before anything is warmed: the list that belongs to the model stands here.
            </p>
          )}
        </section>
      </div>
    </main>
  );
}
/** Puts the focus into the part of the page after the one that has it, or before. */
function nextSection(by: 1 | -1, clicked: Element | undefined): void {
  const parts = [...document.querySelectorAll('main section')];
  const has = (what: Element | null | undefined) => parts.findIndex((s) => what && s.contains(what));
  // a click on an outline leaves the focus nowhere: then the part that was clicked is where one is
  const at = Math.max(0, has(document.activeElement) >= 0 ? has(document.activeElement) : has(clicked));
  parts[(at + by + parts.length) % parts.length]
    ?.querySelector<HTMLElement>('input:not([type=file]), [tabindex="0"], button')
    ?.focus();
}
