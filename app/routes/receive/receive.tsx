import * as wording from '../../../words/screens/receive';
import { Button, Form } from 'antd';
import { redirect } from 'react-router';
import { z } from 'zod';
import type { DraftBody } from '../../../forms/receipt-fields';
import type { FunctionId } from '../../../core/vocabulary/trade';
import type { ModelChoice } from '../../../core/wire/model-choice';
import { receivePage } from '../../../server/use-cases/drafts';
import { receiveJob } from '../../../server/use-cases/receive-job';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { tell } from '../../job/channel';
import { fromServerOr, NoNetwork, signedInOwner } from '../../job/offline-page';
import { dropReceipt, keepReceipt, rememberData, rememberedData } from '../../job/outbox';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';
import { plural } from '../../../words/things';
import type { Route } from './+types/receive';
import { ArrivalSection } from './arrival-section';
import { BeforeCheck } from './before-check';
import { DeviceSection } from './device-section';
import { type Control, ReceiveField, type ReceiveFields } from './receive-field';
import { useFormKeys } from './use-form-keys';
import { type ReceiveState, useReceive } from './use-receive';

const isId = (id: string) => z.uuid().safeParse(id).success;

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  if (!isId(params.draft)) throw new Response(null, { status: 404, statusText: 'No such draft' });
  const page = await receivePage(who, params.draft);
  if (page.opened) throw redirect(`/jobs/${params.draft}/offer`);
  const { models, draft } = page;
  return { models, draft, id: params.draft, now: Date.now() };
}
/** Without the server it starts with the models that this browser has seen last. */
export async function clientLoader({ params, serverLoader }: Route.ClientLoaderArgs) {
  const owner = signedInOwner();
  const page = await fromServerOr(serverLoader, async () => {
    const models = owner && ((await rememberedData('models', owner)) as ModelChoice[] | undefined);
    if (!models) throw new NoNetwork();
    return { models, draft: {}, id: params.draft, now: Date.now() };
  });
  if (owner) await rememberData('models', owner, page.models).catch(() => {});
  return page;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  if (!isId(params.draft)) throw new Response(null, { status: 404, statusText: 'No such draft' });
  const done = await receiveJob(who, params.draft, await jsonBody(request), Date.now());
  if (done.ok) throw redirect(`/jobs/${done.job}/${done.next}`);
  return { errors: done.errors };
}
/** Without the server the device waits in this browser to be received; its passcode is not kept. */
export async function clientAction({ request, params, serverAction }: Route.ClientActionArgs) {
  const { passcode, ...body } = (await request.clone().json()) as Record<string, unknown>;
  await dropReceipt(params.draft).catch(() => {});
  return fromServerOr(serverAction, async () => {
    const owner = signedInOwner();
    if (!owner) throw new NoNetwork();
    await keepReceipt({ id: params.draft, owner, tag: String(body.tag ?? ''), body });
    tell({ type: 'kept' });
    throw redirect(
      `/?received=${encodeURIComponent(String(body.tag))}${passcode ? '&passcode=dropped' : ''}`,
    );
  });
}

/** A device comes over the counter: whose it is, what is wrong with it, how it looks, what works. */
export default function Receive({ loaderData }: Route.ComponentProps) {
  const form = useReceive(loaderData);
  useFormKeys(form.send);
  const wrong = Object.keys(form.errors).length;
  return (
    <main className="page stack gap-8">
      <div className="spread">
        <h1>{wording.receiveADevice}</h1>
        <span className="row">
          <span className="muted small">
            <kbd>F2</kbd> {wording.nextPart} <kbd>Ctrl ↵</kbd> {wording.receive}
          </span>
          <span className="muted" role="status">
            {form.keeping}
          </span>
          <Button
            type="primary"
            size="large"
            loading={form.busy}
            disabled={form.sending}
            onClick={form.send}
            title={wording.ctrlEnter}
          >
            {wording.receiveLabel}
          </Button>
        </span>
      </div>
      {loaderData.models.length === 0 && (
        <Note tone="warn" layout="spread">
          <span>{wording.noModelYet}</span>
          <LinkButton to="/workshop">{wording.toTheModels}</LinkButton>
        </Note>
      )}
      {wrong > 0 && (
        <Note tone="stop" role="alert">
          {wording.missingOrWrongBelowNothing(plural(wrong, wording.thingIs, wording.thingsAre))}
        </Note>
      )}
      {/* no form of the browser's: the Enter that a scanner types after a serial must not send it */}
      <Form<ReceiveFields>
        component={false}
        layout="vertical"
        form={form.form}
        initialValues={form.loaded}
        onValuesChange={form.typed}
      >
        <div className="cols three high">
          <DeviceSection form={form} now={loaderData.now} />
          <ArrivalSection form={form} />
          <BeforeSection form={form} />
        </div>
      </Form>
    </main>
  );
}

function BeforeSection({ form: { model, list, draft } }: { form: ReceiveState }) {
  const before = draft.before ?? {};
  return (
    <section className="card stack gap-6" aria-label={wording.beforeCheck}>
      <div className="spread">
        <h2>{wording.beforeWhatWorks}</h2>
        {model && (
          <span className="strong">
            {list.filter((f) => before[f]).length} / {list.length}
          </span>
        )}
      </div>
      {model ? (
        <ReceiveField field="before" className="error-above">
          <Before list={list} />
        </ReceiveField>
      ) : (
        <p className="muted">{wording.coldBeforeAnythingIsWarmed}</p>
      )}
    </section>
  );
}
function Before({
  list,
  id,
  value = {},
  onChange,
  ...said
}: { list: FunctionId[] } & Control<NonNullable<DraftBody['before']>>) {
  return (
    <div id={id} {...said} role="group" aria-label={wording.beforeWhatWorks} tabIndex={-1}>
      <BeforeCheck list={list} before={value} onChange={(before) => onChange?.(before)} />
    </div>
  );
}
