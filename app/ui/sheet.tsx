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
  const box = useRef<HTMLDialogElement>(null);
  // what must be answered is answered by looking, never by a pedal that is pressed once more: no answer has the focus
  const must = onClose === undefined;
  useEffect(() => {
    const d = box.current!;
    if (!d.open) d.showModal();
    // the browser would take the button that closes it
    (
      d.querySelector<HTMLElement>('[data-first]') ?? (must ? d.querySelector<HTMLElement>('h2') : null)
    )?.focus();
    return () => d.close();
  }, [must]);
  return (
    <dialog
      ref={box}
      aria-label={title}
      onCancel={(e) => {
        e.preventDefault();
        onClose?.();
      }}
      style={{
        border: '1px solid var(--line)',
        borderRadius: 10,
        background: 'var(--card)',
        color: 'var(--ink)',
        padding: '20px 24px',
        width: 'min(640px, 94vw)',
      }}
    >
      <div className="stack">
        <div className="spread">
          <h2 tabIndex={-1} style={{ outline: 'none' }}>
            {title}
          </h2>
          {onClose && (
            <button type="button" className="btn slim" onClick={onClose}>
              Back
            </button>
          )}
        </div>
        {children}
      </div>
    </dialog>
  );
}
