import { useEffect, useState } from 'react';

/** A curve that an instrument took, by its address; undefined until it has come, or where it is not there. */
export function useCurve<Curve>(address: string): Curve | undefined {
  const [curve, setCurve] = useState<Curve>();
  useEffect(() => {
    const gone = new AbortController();
    void fetch(address, { signal: gone.signal })
      .then(async (res) => (res.ok ? ((await res.json()) as Curve) : undefined))
      .then(setCurve)
      .catch(() => {});
    return () => gone.abort();
  }, [address]);
  return curve;
}
