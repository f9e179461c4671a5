// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import type { FormInstance } from 'antd';
import { afterEach, expect, test } from 'vitest';
import type { Changed } from '../../../core/wire/changed';
import { Kept } from './use-change';

afterEach(cleanup);
const form = { getFieldsValue: () => ({ from: '', to: '' }) } as unknown as FormInstance;
const refused = (errors: Record<string, string>): Changed => ({ ok: false, status: 400, errors });
const shown = (said: Changed | undefined, fields?: FormInstance) => {
  render(<Kept said={said} {...(fields ? { form: fields } : {})} />);
  return screen.queryByRole('alert')?.textContent ?? screen.queryByRole('status')?.textContent;
};

test.each<[string, Changed | undefined, FormInstance | undefined, string | undefined]>([
  ['nothing was asked', undefined, undefined, undefined],
  ['it is kept', { ok: true, said: 'Kept.' }, form, 'Kept.'],
  ['a field of the form says it itself', refused({ to: 'later' }), form, undefined],
  ['what is no field of it is said here', refused({ to: 'later', week: 'seven days' }), form, 'seven days'],
  ['the form as a whole', refused({ form: 'not yours' }), form, 'not yours'],
  ['where there is no form all is', refused({ role: 'one owner stays' }), undefined, 'one owner stays'],
])('%s', (_what, said, fields, text) => {
  expect(shown(said, fields)).toBe(text);
});
