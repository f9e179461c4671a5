import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { empty } from '../../core/log/state';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import type { LeanPage } from './fixed';
import { rememberPage } from './outbox';

const away = () => Promise.reject(new TypeError('fetch failed'));
const who = (personId: string) => ({ shopId: 's', personId }) as Who;
/** As in a tab that was just opened: nobody is known yet. */
let tab: typeof import('./offline-page');
beforeEach(async () => {
  vi.resetModules();
  tab = await import('./offline-page');
});

describe('what a screen asks the server for', () => {
  test('comes from it; without an answer, or with one of an ill server, from elsewhere', async () => {
    const { fromServerOr } = tab;
    expect(
      await fromServerOr(
        async () => 'server',
        () => 'copy',
      ),
    ).toBe('server');
    expect(await fromServerOr<string>(away, () => 'copy')).toBe('copy');
    const answers = (status: number) => () => Promise.reject(new Response('', { status }));
    expect(await fromServerOr<string>(answers(503), () => 'copy')).toBe('copy');
    expect(await fromServerOr<string>(answers(500), () => 'copy')).toBe('copy');
    // an answer that says no is an answer
    await expect(fromServerOr<string>(answers(499), () => 'copy')).rejects.toMatchObject({ status: 499 });
    await expect(fromServerOr<string>(answers(404), () => 'copy')).rejects.toMatchObject({ status: 404 });
  });
  test('is known of a tab only once somebody has signed in', () => {
    expect(tab.signedInOwner()).toBeUndefined();
    tab.notePerson(who('p1'));
    expect(tab.signedInOwner()).toBe('s/p1');
  });
});
describe('a job without the server', () => {
  const page = { id: 'j', modelHash: 'h', variant: 'v', model: {}, mat: [], route: null, state: empty() };
  const asked = () => tab.fromServerOrCopy('j', away as () => Promise<{ page: LeanPage }>);
  test('is this browser’s copy, for whose it is', async () => {
    await rememberPage('j', 's/p1', page as unknown as JobPage);
    tab.notePerson(who('p1'));
    expect((await asked()).page).toMatchObject({ id: 'j', modelAt: '/fixed/models/h/v.json' });
  });
  test('is shown to nobody else, nor before it is known who is there, nor where there is none', async () => {
    await rememberPage('j', 's/p1', page as unknown as JobPage);
    await expect(asked()).rejects.toThrow(tab.NoNetwork);
    tab.notePerson(who('p2'));
    await expect(asked()).rejects.toThrow(tab.NoNetwork);
    tab.notePerson(who('p1'));
    await expect(tab.fromServerOrCopy('another', away as () => Promise<{ page: LeanPage }>)).rejects.toThrow(
      tab.NoNetwork,
    );
  });
});
