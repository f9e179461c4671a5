/** What came of asking for an address of the calendar: its end, said this once. */
export type CalendarSaid =
  | { ok: true; said: string; path?: string }
  | { ok: false; status: 400 | 403; errors: Record<string, string> };
