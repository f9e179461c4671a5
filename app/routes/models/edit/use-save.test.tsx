// @vitest-environment jsdom
import { act, cleanup, render } from '@testing-library/react';
import { createMemoryRouter, RouterProvider, useLocation, useParams } from 'react-router';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { applyEdits, type Edit } from '../../../../core/model/edit';
import type { DeviceModel } from '../../../../core/model/schema';
import { dune2 } from '../../../../core/testing/demo-models';
import { type Editor, useEditor } from './use-editor';
import { type Saving, useSave } from './use-save';

const named = (name: string): Edit[] => [{ do: 'set', field: 'name', value: name }];
const made = (maker: string): Edit[] => [{ do: 'set', field: 'maker', value: maker }];
/** The versions that the server has, and what it answers when one is kept: let go by hand. */
let versions: Record<string, DeviceModel>;
let asked: { hash: string; edits: Edit[] }[];
let answer: (said: object) => Promise<void>;
/** Lets the next page come. */
let come: () => Promise<void>;
let it: { editor: Editor; saving: Saving; said: string | undefined };

function Editing({ hash }: { hash: string }) {
  const editor = useEditor(hash, versions[hash]!);
  const { said } = (useLocation().state ?? {}) as { said?: string };
  it = { editor, saving: useSave(editor), said };
  return <p>{hash}</p>;
}
function Page() {
  const { hash } = useParams();
  return <Editing key={hash} hash={hash!} />;
}
beforeEach(async () => {
  localStorage.clear();
  versions = { old: dune2 };
  asked = [];
  let waiting: Promise<void> | undefined;
  vi.stubGlobal('fetch', (url: string, init?: { body: string }) => {
    if (!init) return Promise.resolve(Response.json(versions[/models\/(\w+)\.json/.exec(url)![1]!]!));
    asked.push(JSON.parse(init.body) as (typeof asked)[0]);
    return new Promise((resolve) => {
      answer = (said) => act(async () => resolve(Response.json(said)));
    });
  });
  const router = createMemoryRouter(
    [
      {
        ...{ path: '/models/:hash/edit', element: <Page />, hydrateFallbackElement: <p /> },
        loader: async () => (await waiting) ?? null,
      },
    ],
    { initialEntries: ['/models/old/edit'] },
  );
  await act(async () => void render(<RouterProvider router={router} />));
  waiting = new Promise((resolve) => {
    come = () => act(async () => resolve());
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const press = (ask = { offer: false }) => act(async () => void it.saving.save(ask));
const change = (edits: Edit[]) => act(() => it.editor.change(edits));

test('what is kept is sent, and goes on as the version that it has become; then it is said', async () => {
  change(named('Own'));
  await press();
  expect(asked).toEqual([{ hash: 'old', edits: named('Own'), offer: false }]);
  versions.new = applyEdits(dune2, named('Own'));
  await answer({ ok: true, said: 'Kept.', hash: 'new' });
  // until the page of what was kept is there, nobody is told that it is done
  expect(it.saving).toMatchObject({ busy: true, said: undefined });
  await come();
  expect(it.editor.hash).toBe('new');
  expect(it.said).toBe('Kept.');
  expect(it.editor.edits).toEqual([]);
  expect(localStorage.length).toBe(0);
});

test('what is changed while it is being kept, and while the next page comes, is there in what was kept', async () => {
  change(named('Own'));
  await press();
  change(made('Mine'));
  versions.new = applyEdits(dune2, named('Own'));
  await answer({ ok: true, said: 'Kept.', hash: 'new' });
  change([{ do: 'set', field: 'openMaxDeg', value: 80 }]);
  await come();
  expect(it.editor.hash).toBe('new');
  expect(it.editor.whole).toMatchObject({ name: 'Own', maker: 'Mine', openMaxDeg: 80 });
  expect(it.editor.edits).toHaveLength(2);
  // it is one step, taken back as any other
  act(() => it.editor.undo());
  expect(it.editor.whole).toEqual(versions.new);
});

test('of a version that somebody has made meanwhile all of one’s own is put upon theirs', async () => {
  change(named('Own'));
  await press();
  versions.theirs = applyEdits(dune2, made('Theirs'));
  const newer = { hash: 'theirs', by: 'Marek' };
  await answer({ ok: false, status: 409, errors: { form: 'newer' }, newer });
  expect(it.saving).toMatchObject({ busy: false, said: { ok: false, newer } });
  await act(async () => void it.saving.takeTheirs(newer));
  change([{ do: 'set', field: 'openMaxDeg', value: 80 }]);
  await come();
  expect(it.editor.hash).toBe('theirs');
  expect(it.editor.whole).toMatchObject({ name: 'Own', maker: 'Theirs', openMaxDeg: 80 });
});

test('what cannot be kept stays here, and why is said; what is kept as it was goes nowhere', async () => {
  change(named('Own'));
  await press();
  await answer({ error: 'not now' });
  expect(it.saving.said).toMatchObject({ ok: false, errors: { form: 'not now' } });
  expect(it.editor.edits).toEqual(named('Own'));
  await press({ offer: true });
  expect(asked[1]).toMatchObject({ offer: true });
  await answer({ ok: true, said: 'As it was.', hash: 'old' });
  expect(it.saving).toMatchObject({ busy: false, said: { said: 'As it was.' } });
  expect(it.editor.hash).toBe('old');
});
