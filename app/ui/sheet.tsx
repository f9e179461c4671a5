import { Modal } from 'antd';
import { type ReactNode, useEffect, useRef } from 'react';

/** A question on top of the screen: keeps the focus in it, closes with Escape, gives the focus back. Without `onClose` it must be answered. */
export function Sheet({
  title,
  onClose,
  children,
}: {
  title: string;
  onClose?: () => void;
  children: ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  // what must be answered is answered by looking, never by a pedal that is pressed once more: no answer has the focus
  const must = onClose === undefined;
  useEffect(() => {
    const before = document.activeElement;
    // what lies behind it is out of reach, as behind a dialog of the browser's own
    const behind = document.querySelector('.frame');
    const already = behind?.hasAttribute('inert');
    behind?.setAttribute('inert', '');
    return () => {
      if (!already) behind?.removeAttribute('inert');
      if (before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true });
    };
  }, []);
  return (
    <Modal
      open
      title={title}
      footer={null}
      width={640}
      centered
      destroyOnHidden
      closable={must ? false : { 'aria-label': 'Back' }}
      keyboard={!must}
      mask={{ closable: false }}
      onCancel={() => onClose?.()}
      afterOpenChange={(open) => {
        if (open) (box.current?.querySelector<HTMLElement>('[data-first]') ?? box.current)?.focus();
      }}
    >
      <div className="stack" ref={box} tabIndex={-1}>
        {children}
      </div>
    </Modal>
  );
}
