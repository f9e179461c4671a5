/** What came of a badge, or of unlocking a bench. */
export type TakenOver =
  | { ok: true; name: string }
  | {
      ok: false;
      /** Whose number or password is wanted now. */
      asks?: string;
      error?: string;
    };
