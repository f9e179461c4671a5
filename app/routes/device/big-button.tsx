import type { ComponentPropsWithoutRef } from 'react';

/** A button of the page on the phone: large, for wet and gloved fingers, and light, since that page brings no component package. */
export const BigButton = ({
  tone,
  ...rest
}: ComponentPropsWithoutRef<'button'> & { tone?: 'go' | 'bad' }) => (
  <button type="button" className={tone} {...rest} />
);
