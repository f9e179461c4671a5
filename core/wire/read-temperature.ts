/** What the bench's thermometer said when it was asked. */
export type ReadTemperature = { ok: true; celsius: number } | { ok: false; said: string };
