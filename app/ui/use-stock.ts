import { useFetcher } from 'react-router';

/** Asking for a change in a drawer of the stock, with the answer to it. */
export function useStock<Said>() {
  const fetcher = useFetcher<Said>();
  const ask = (body: Record<string, unknown>) => {
    void fetcher.submit(JSON.stringify(body), { method: 'post', encType: 'application/json' });
  };
  return { ask, said: fetcher.data, busy: fetcher.state !== 'idle' };
}
