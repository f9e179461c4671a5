export type Changed =
  | {
      ok: true;
      said: string;
      /** A link that is shown this once, with the name of whom it is for. */
      link?: { path: string; name: string };
      /** A badge that is shown this once, with the name of whose it is. */
      badge?: { code: string; name: string };
    }
  | { ok: false; status: 400 | 403 | 409 | 429; errors: Record<string, string> };
