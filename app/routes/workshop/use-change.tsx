import { useFetcher } from 'react-router';
import type { Changed } from '../../../core/wire/changed';

/** Each part of the page saves by itself, at once; what came of it stands beside it. */
export function useChange() {
  const fetcher = useFetcher<Changed>();
  const change = (ask: Record<string, unknown>) => {
    void fetcher.submit(JSON.stringify(ask), {
      method: 'post',
      encType: 'application/json',
      // at once: a box that is ticked is ticked
      flushSync: true,
    });
  };
  const said = fetcher.data;
  return {
    change,
    /** What is being asked for: shown at once, until the server has answered. */
    asked: fetcher.json as Record<string, unknown> | undefined,
    busy: fetcher.state !== 'idle',
    said,
    errors: said && !said.ok ? said.errors : undefined,
  };
}
/** That it is kept, or why it is not where that is not one field's fault. */
export function Kept({ said }: { said: Changed | undefined }) {
  if (!said) return null;
  if (said.ok)
    return (
      <span className="moss" role="status">
        {said.said}
      </span>
    );
  const text = said.errors.form ?? said.errors.role;
  return text ? (
    <span className="brick" role="alert">
      {text}
    </span>
  ) : null;
}
