import { useState } from 'react';
import { useNavigate } from 'react-router';
import { difference, type Edit, editKey } from '../../../../core/model/edit';
import type { DeviceModel } from '../../../../core/model/schema';
import type { ModelSaid } from '../../../../core/wire/library';
import * as wording from '../../../../words/screens/edit-model';
import { forgetEdits, leaveEdits, type Editor } from './use-editor';

export interface Ask {
  offer: boolean;
  copyAs?: string;
  beside?: boolean;
}
export interface Saving extends ReturnType<typeof useSave> {}
/** Keeps a model on the server, and goes on with what has been kept; somebody else's version meanwhile is put under one's own changes. */
export function useSave(editor: Editor) {
  const { hash, base, edits } = editor;
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<ModelSaid>();
  const save = async (ask: Ask): Promise<void> => {
    setBusy(true);
    try {
      const res = await fetch(`/models/${hash}/keep`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ hash, edits, ...ask }),
      });
      const answer = (await res.json()) as ModelSaid | { error: string };
      if ('error' in answer) throw new Error(answer.error);
      setSaid(answer);
      if (!answer.ok || !answer.hash) return;
      forgetEdits(hash);
      if (answer.hash !== hash)
        await navigate(`/models/${answer.hash}/edit`, { replace: true, state: { said: answer.said } });
    } catch (e) {
      const why = e instanceof TypeError ? wording.notKept : (e as Error).message;
      setSaid({ ok: false, status: 400, errors: { form: why } });
    } finally {
      setBusy(false);
    }
  };
  /** Takes the other version as what one's own changes stand on. */
  const takeTheirs = async (newer: { hash: string; by: string }): Promise<void> => {
    setBusy(true);
    try {
      const theirs = (await (await fetch(`/models/${newer.hash}.json`)).json()) as DeviceModel;
      const clashing = bothChanged(difference(base, theirs), edits);
      leaveEdits(newer.hash, edits);
      forgetEdits(hash);
      await navigate(`/models/${newer.hash}/edit`, {
        replace: true,
        state: { said: wording.merged(newer.by, clashing) },
      });
      setSaid(undefined);
    } catch {
      setSaid({ ok: false, status: 400, errors: { form: wording.notKept } });
    } finally {
      setBusy(false);
    }
  };
  return { busy, said, save, takeTheirs };
}
/** The things that both have changed, by id. */
function bothChanged(theirs: readonly Edit[], own: readonly Edit[]): string[] {
  const thing = (edit: Edit) => editKey(edit).split(' ').at(-1)!;
  const theirThings = new Set(theirs.map(thing));
  return [...new Set(own.map(thing))].filter((id) => theirThings.has(id));
}
