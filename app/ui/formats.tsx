import { createContext, type ReactNode, useContext } from 'react';
import { type Formats, formatsOf } from '../../words/formats';
import type { ShopSettings } from '../../core/wire/who';

const Given = createContext<Formats>(formatsOf({ currency: 'EUR' }));
/** Times, days and money as the workshop writes them. */
export const useFormats = (): Formats => useContext(Given);
export function FormatsOf({ settings, children }: { settings: ShopSettings; children: ReactNode }) {
  return <Given value={formatsOf(settings)}>{children}</Given>;
}
