import { useEffect, useState } from 'react';
import { z } from 'zod';
import { drives } from '../../../core/vocabulary/trade';

const kept = z.array(
  z.object({
    id: z.string(),
    drive: z.enum(drives).optional(),
    lengthMm: z.number(),
    headMm: z.number().optional(),
  }),
);
export type Measured = z.output<typeof kept>[number];

/** What has been measured stays in this browser until it is on the mat. */
export function useMeasuredScrews(job: string): [Measured[], (m: Measured[]) => void] {
  const key = `snavek-mixed-${job}`;
  const [list, setList] = useState<Measured[]>([]);
  useEffect(() => {
    try {
      setList(kept.parse(JSON.parse(localStorage.getItem(key) ?? '[]')));
    } catch {
      setList([]);
    }
  }, [key]);
  return [
    list,
    (m) => {
      setList(m);
      try {
        if (m.length) localStorage.setItem(key, JSON.stringify(m));
        else localStorage.removeItem(key);
      } catch {
        /* private window */
      }
    },
  ];
}
