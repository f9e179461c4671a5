import { Form, type FormInstance } from 'antd';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useActionData, useNavigation, useSubmit } from 'react-router';
import type { DraftBody, FieldErrors } from '../../../forms/receipt-fields';
import { readReceipt, receiptFieldNames } from '../../../forms/receipt-fields';
import type { FunctionId } from '../../../core/vocabulary/trade';
import type { ModelChoice } from '../../../core/wire/model-choice';
import { ownerKey } from '../../job/outbox';
import { useFrame } from '../../ui/frame';
import type { ReceiveFields } from './receive-field';
import { usePhotoUpload } from './photo-upload';
import { useDraft } from './use-draft';

/** What is wrong stands at its field and the first on the page has the focus: found here before it is sent, and what only the server knows. */
function useProblems(form: FormInstance<ReceiveFields>, answered: FieldErrors | undefined) {
  const [errors, setErrors] = useState<FieldErrors>({});
  const show = useCallback(
    (found: FieldErrors) => {
      setErrors(found);
      form.setFields(
        receiptFieldNames.map((name) => ({ name, errors: found[name] === undefined ? [] : [found[name]] })),
      );
      // the first on the page, whatever their order is
      Object.keys(found)
        .map((field) => document.getElementById(field))
        .filter((at) => at !== null)
        .sort((a, b) => (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1))[0]
        ?.focus();
    },
    [form],
  );
  useEffect(() => {
    if (answered) show(answered);
  }, [answered, show]);
  /** What is changed is no longer wrong as it was. */
  const settle = (names: readonly string[]) =>
    setErrors((all) =>
      names.some((n) => n in all)
        ? Object.fromEntries(Object.entries(all).filter(([n]) => !names.includes(n)))
        : all,
    );
  return { errors, show, settle };
}

/** The form at the counter: what has been filled in, what of it is wrong, and that it is sent. */
export function useReceive({
  id,
  models,
  draft: loaded,
}: {
  id: string;
  models: ModelChoice[];
  draft: DraftBody;
}) {
  const { who } = useFrame();
  const [form] = Form.useForm<ReceiveFields>();
  const { draft, change: keep, keeping } = useDraft(id, loaded, (found) => form.setFieldsValue(found));
  const { errors, show, settle } = useProblems(form, useActionData<{ errors?: FieldErrors }>()?.errors);
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const model = models.find((m) => m.hash === draft.modelHash);
  const list = (model?.shortList ?? []) as FunctionId[];
  const change = (part: Partial<DraftBody>) => {
    form.setFields(
      Object.entries(part).map(([name, value]) => ({ name: name as keyof DraftBody, value, errors: [] })),
    );
    settle(Object.keys(part));
    keep(part);
  };
  /** What was typed or chosen at a field; with another model the rest that belongs to it begins anew. */
  const typed = ({ passcode: _, ...part }: ReceiveFields) => {
    const chosen = models.find((m) => m.hash === part.modelHash);
    if (chosen) change({ ...part, variant: chosen.variants[0]!.id, tasks: [], before: {}, marks: [] });
    else if (Object.keys(part).length) change(part);
  };
  const photos = draft.photos ?? [];
  const latest = useRef(photos);
  latest.current = photos;
  const kept = useCallback(
    (p: { id: string; mark?: string }) => keep({ photos: [...latest.current, p] }),
    [keep],
  );
  const upload = usePhotoUpload(id, ownerKey(who.shopId, who.personId), kept);
  const photoUrl = (p: string) => `/jobs/${id}/photos/${p}`;
  const send = () => {
    const passcode = form.getFieldValue('passcode') as string | undefined;
    const receipt = { ...draft, ...(passcode ? { passcode } : {}) };
    const found = readReceipt(
      receipt,
      (hash) => {
        const modelChoice = models.find((x) => x.hash === hash);
        return modelChoice && { ...modelChoice, places: modelChoice.parts.map((p) => p.id) };
      },
      Date.now(),
    );
    show(found.errors);
    if (found.receipt) void submit(JSON.stringify(receipt), { method: 'post', encType: 'application/json' });
  };
  return {
    id,
    models,
    draft,
    change,
    keeping,
    form,
    loaded,
    typed,
    errors,
    busy,
    sending: upload.uploads.some((u) => u.state === 'sending'),
    model,
    list,
    photos,
    photoUrl,
    upload,
    send,
    dropPhoto: (p: string) => {
      void fetch(photoUrl(p), { method: 'DELETE' }).catch(() => {});
      change({ photos: photos.filter((x) => x.id !== p) });
    },
  };
}
export type ReceiveState = ReturnType<typeof useReceive>;
