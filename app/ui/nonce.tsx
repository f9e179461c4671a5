import { createContext, type ReactNode, useContext } from 'react';

const NonceContext = createContext<string | undefined>(undefined);
/** The word by which the browser knows the scripts of one answer as the app's own. In the browser there is none: it has run. */
export function Nonce({ value, children }: { value: string; children: ReactNode }) {
  return <NonceContext value={value}>{children}</NonceContext>;
}
export const useNonce = (): string | undefined => useContext(NonceContext);
