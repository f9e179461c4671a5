import { expect, test } from 'vitest';
import { loggedPath } from './log';

test.each([
  ['/d/3HXU7LFKTBPL', '/d/…'],
  ['/d/3HXU7LFKTBPL/results', '/d/…/results'],
  ['/d/3HXU7LFKTBPL.data?_routes=x', '/d/….data'],
  ['/invite/a-long-secret', '/invite/…'],
  ['/jobs/1/work?x=1', '/jobs/1/work'],
  ['/day', '/day'],
])('of %s the log says %s: a link is a secret', (url, logged) => {
  expect(loggedPath(url)).toBe(logged);
});
