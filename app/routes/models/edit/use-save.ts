import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { applyEdits, difference, type Edit, editKey } from '../../../../core/model/edit';
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
  const goTo = useGoingOn(editor);
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
      if (!answer.ok || !answer.hash || answer.hash === hash) {
        setSaid(answer);
        return;
      }
      // that it is kept is said by the page of what was kept, once that is there to be worked at
      goTo(answer.hash, applyEdits(base, edits));
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
      goTo(newer.hash, base);
      await navigate(`/models/${newer.hash}/edit`, {
        replace: true,
        state: { said: wording.merged(newer.by, clashing) },
      });
    } catch {
      setSaid({ ok: false, status: 400, errors: { form: wording.notKept } });
    } finally {
      setBusy(false);
    }
  };
  return { busy, said, save, takeTheirs };
}
/**
 * Where an editor goes on in another version: what is changed until that is there is found in it again, and nothing is left
 * of the one before.
 * @returns says where, and what of the model that version already has
 */
function useGoingOn(editor: Editor): (hash: string, kept: DeviceModel) => void {
  const latest = useRef(editor);
  latest.current = editor;
  const going = useRef<{ hash: string; kept: DeviceModel }>(undefined);
  useEffect(
    () => () => {
      const { hash, whole } = latest.current;
      if (!going.current) return;
      leaveEdits(going.current.hash, difference(going.current.kept, whole));
      forgetEdits(hash);
    },
    [],
  );
  return (hash, kept) => {
    going.current = { hash, kept };
  };
}
/** The things that both have changed, by id. */
function bothChanged(theirs: readonly Edit[], own: readonly Edit[]): string[] {
  const thing = (edit: Edit) => editKey(edit).split(' ').at(-1)!;
  const theirThings = new Set(theirs.map(thing));
  return [...new Set(own.map(thing))].filter((id) => theirThings.has(id));
}
