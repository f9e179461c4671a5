export type Changed =
  | { ok: true; said: string }
  | { ok: false; status: 400 | 403 | 409; errors: Record<string, string> };
