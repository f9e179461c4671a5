import { useRef, useState } from 'react';
import { useRevalidator } from 'react-router';
import type { ModelSaid } from '../../../core/wire/library';
import * as wording from '../../../words/screens/models';

/** Files of one ZIP, and bytes of one of them, at most. */
const mostFiles = 1000;
const mostBytes = 5_000_000;
/** While one is on its way, the next is checked. */
const atOnce = 3;
/** How far a ZIP is. */
export interface Progress {
  done: number;
  of: number;
}
const refused = (form: string): ModelSaid => ({ ok: false, status: 400, errors: { form } });

/** One model file, as it is. */
const send = (body: BodyInit): Promise<ModelSaid> =>
  fetch('/bring-in', { method: 'POST', headers: { 'content-type': 'application/json' }, body })
    .then((answer) => answer.json() as Promise<ModelSaid | { error: string }>)
    .catch(() => ({ error: wording.notSent }))
    .then((came) => ('error' in came ? refused(came.error) : came));

/** The model files of a ZIP by name; or why it is none. */
async function filesOf(file: File): Promise<{ name: string; bytes: Uint8Array<ArrayBuffer> }[] | string> {
  const { unzipSync } = await import('fflate');
  let tooLarge: string | undefined;
  try {
    const all = unzipSync(new Uint8Array(await file.arrayBuffer()), {
      filter: ({ name, originalSize }) => {
        if (!/\.json$/i.test(name) || /(^|\/)(\.|__MACOSX)/.test(name)) return false;
        if (originalSize > mostBytes) tooLarge = name;
        return originalSize <= mostBytes;
      },
    });
    if (tooLarge) return wording.fileTooLarge(tooLarge);
    const files = Object.entries(all).map(([name, bytes]) => ({
      name,
      bytes: bytes as Uint8Array<ArrayBuffer>,
    }));
    if (files.length > mostFiles) return wording.tooMany(mostFiles);
    return files.length ? files : wording.emptyZip;
  } catch {
    return wording.noZip;
  }
}

/** Brings one model file in, or a ZIP of them a few at once, with how far it is and a way to stop. */
export function useBringIn() {
  const { revalidate } = useRevalidator();
  const [busy, setBusy] = useState(false);
  const [progress, setProgress] = useState<Progress>();
  const [said, setSaid] = useState<ModelSaid>();
  const stopped = useRef(false);
  const many = async (file: File): Promise<ModelSaid> => {
    const files = await filesOf(file);
    if (typeof files === 'string') return refused(files);
    const wrong: { path: string; text: string }[] = [];
    const waiting = [...files];
    let done = 0;
    const oneByOne = async () => {
      for (let next = waiting.shift(); next && !stopped.current; next = waiting.shift()) {
        const one = await send(next.bytes);
        if (!one.ok) wrong.push({ path: next.name, text: textOf(one) });
        setProgress({ done: ++done, of: files.length });
      }
    };
    setProgress({ done, of: files.length });
    await Promise.all(Array.from({ length: atOnce }, oneByOne));
    if (stopped.current) return { ok: true, said: wording.stopped(done - wrong.length, files.length) };
    const text = wording.zipDone(files.length - wrong.length, wrong.length);
    return wrong.length
      ? { ok: false, status: 400, errors: { form: text }, problems: wrong }
      : { ok: true, said: text };
  };
  const bring = async (file: File) => {
    setBusy(true);
    setSaid(undefined);
    stopped.current = false;
    const zip = /\.zip$/i.test(file.name) || file.type === 'application/zip';
    setSaid(zip ? await many(file) : await send(file));
    setProgress(undefined);
    setBusy(false);
    void revalidate();
  };
  return {
    ...{ busy, progress, said, bring },
    stop: () => {
      stopped.current = true;
    },
  };
}
/** Of a file that was not taken in, what is wrong with it and where, in one line. */
function textOf(one: Extract<ModelSaid, { ok: false }>): string {
  const [first] = one.problems ?? [];
  return `${one.errors.form ?? ''}${first ? ` ${first.path}: ${first.text}` : ''}`;
}
