import { useCallback, useEffect, useState } from 'react';
import type { PlateSaid } from '../../../../core/wire/hot-plate';

/** How often it is asked, ms. */
const everyMs = 2000;
export interface Plate {
  /** Undefined before it has answered, or while nobody asks. */
  said: PlateSaid | undefined;
  set: (on: boolean, setC: number) => void;
}
/** The bench's plate, read again and again while a step is about it. */
export function usePlate(asked: boolean): Plate {
  const [said, setSaid] = useState<PlateSaid>();
  const speak = useCallback(
    (init?: RequestInit) =>
      fetch('/hot-plate', init)
        .then((res) => res.json() as Promise<PlateSaid>)
        .catch((): PlateSaid => ({ ok: false, said: '' }))
        .then(setSaid),
    [],
  );
  useEffect(() => {
    if (!asked) return;
    void speak();
    const timer = setInterval(() => void speak(), everyMs);
    return () => clearInterval(timer);
  }, [asked, speak]);
  const set = (on: boolean, setC: number) =>
    void speak({
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ on, setC }),
    });
  return { said: asked ? said : undefined, set };
}
