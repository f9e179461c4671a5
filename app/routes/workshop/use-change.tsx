import type { FormInstance } from 'antd';
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
/**
 * That it is kept, or why it is not. What was found wrong with a field of `form` stands at that field; all else is said here,
 * so that no press is without an answer.
 */
export function Kept({ said, form }: { said: Changed | undefined; form?: FormInstance }) {
  if (!said) return null;
  if (said.ok)
    return (
      <span className="moss" role="status">
        {said.said}
      </span>
    );
  const fields = Object.keys((form?.getFieldsValue(true) ?? {}) as object);
  const text = Object.entries(said.errors).find(([name]) => !fields.includes(name))?.[1];
  return text ? (
    <span className="brick" role="alert">
      {text}
    </span>
  ) : null;
}
