import { Button, type ButtonProps } from 'antd';
import type { MouseEvent } from 'react';
import { type To, useHref, useLinkClickHandler } from 'react-router';

interface Props extends Omit<ButtonProps, 'href' | 'htmlType'> {
  to: To;
  replace?: boolean;
  /** The page is asked for anew: for what must not be shown from this tab's copy. */
  reloadDocument?: boolean;
}
/** A link that looks like a button: it is a link for the keyboard, the middle mouse button and a screen reader. */
export function LinkButton({ to, replace, reloadDocument, onClick, ...look }: Props) {
  const follow = useLinkClickHandler(to, { replace: replace ?? false });
  return (
    <Button
      {...look}
      href={useHref(to)}
      onClick={(event) => {
        onClick?.(event);
        if (!event.defaultPrevented && !reloadDocument) follow(event as MouseEvent<HTMLAnchorElement>);
      }}
    />
  );
}
