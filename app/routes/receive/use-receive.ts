import { useCallback, useEffect, useRef, useState } from 'react';
import { useActionData, useNavigation, useSubmit } from 'react-router';
import type { DraftBody, FieldErrors } from '../../../core/forms/receipt-fields';
import { readReceipt } from '../../../core/forms/receipt-fields';
import type { FunctionId } from '../../../core/vocabulary/trade';
import type { ModelChoice } from '../../../core/wire/model-choice';
import { ownerKey } from '../../job/outbox';
import { useFrame } from '../../ui/frame';
import { usePhotoUpload } from './photo-upload';
import { useDraft } from './use-draft';

/** What the form says is wrong: found here before it is sent, and what only the server knows. */
function useProblems(answered: FieldErrors | undefined) {
  const [errors, setErrors] = useState<FieldErrors>({});
  useEffect(() => {
    if (answered) setErrors(answered);
  }, [answered]);
  useEffect(() => {
    // the first on the page, whatever their order is
    Object.keys(errors)
      .map((field) => document.getElementById(field))
      .filter((at) => at !== null)
      .sort((a, b) => (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1))[0]
      ?.focus();
  }, [errors]);
  return { errors, setErrors };
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
  const { draft, change, keeping } = useDraft(id, loaded);
  const [passcode, setPasscode] = useState('');
  const { errors, setErrors } = useProblems(useActionData<{ errors?: FieldErrors }>()?.errors);
  const submit = useSubmit();
  const busy = useNavigation().state !== 'idle';
  const model = models.find((m) => m.hash === draft.modelHash);
  const list = (model?.shortList ?? []) as FunctionId[];
  const photos = draft.photos ?? [];
  const latest = useRef(photos);
  latest.current = photos;
  const kept = useCallback(
    (p: { id: string; mark?: string }) => change({ photos: [...latest.current, p] }),
    [change],
  );
  const upload = usePhotoUpload(id, ownerKey(who.shopId, who.personId), kept);
  const photoUrl = (p: string) => `/jobs/${id}/photos/${p}`;
  const send = () => {
    const form = { ...draft, ...(passcode ? { passcode } : {}) };
    const found = readReceipt(
      form,
      (hash) => {
        const m = models.find((x) => x.hash === hash);
        return m && { ...m, places: m.parts.map((p) => p.id) };
      },
      Date.now(),
    );
    setErrors(found.errors);
    if (found.receipt) void submit(JSON.stringify(form), { method: 'post', encType: 'application/json' });
  };
  return {
    id,
    models,
    draft,
    change,
    keeping,
    passcode,
    setPasscode,
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
