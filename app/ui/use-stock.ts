import type { InputRef } from 'antd';
import { useRef } from 'react';
import { useFetcher } from 'react-router';
import { useKeys } from './keys';

/** What the drawers of the stock have in common: the open devices, the search by `/`, and asking for a change with its answer. */
export function useStock<Said>() {
  const search = useRef<InputRef>(null);
  const fetcher = useFetcher<Said>();
  const ask = (body: Record<string, unknown>) => {
    void fetcher.submit(JSON.stringify(body), { method: 'post', encType: 'application/json' });
  };
  useKeys({ search: () => search.current?.focus() });
  return { search, ask, said: fetcher.data, busy: fetcher.state !== 'idle' };
}
