import type { InputRef } from 'antd';
import { useEffect, useRef } from 'react';
import { useFetcher } from 'react-router';
import type { JobLine } from '../../server/use-cases/bench-page';
import { startChannel } from '../job/channel';
import { setServerTime } from '../job/clock';
import { useStrip } from './head';
import { usePageKeys } from './page-keys';

/** What the drawers of the stock have in common: the open devices, the search by `/`, and asking for a change with its answer. */
export function useStock<Said>(page: { strip: JobLine[]; now: number }) {
  const strip = useStrip(page.strip);
  const search = useRef<InputRef>(null);
  const fetcher = useFetcher<Said>();
  const ask = (body: Record<string, unknown>) => {
    void fetcher.submit(JSON.stringify(body), { method: 'post', encType: 'application/json' });
  };
  useEffect(() => {
    setServerTime(page.now);
    startChannel();
  }, [page.now]);
  usePageKeys(strip, { search: () => search.current?.focus() });
  return { strip, search, ask, said: fetcher.data, busy: fetcher.state !== 'idle' };
}
