/** The bench's clock corrected by the server's: known once the server has answered, within half the way there and back. */
let offsetMs = 0;
let known = false;
export function setServerTime(serverNow: number, askedAt = Date.now()): void {
  offsetMs = Math.round(serverNow - (askedAt + Date.now()) / 2);
  known = true;
}
export const benchTime = (): { at: number; clockKnown: boolean } => ({
  at: Date.now() + offsetMs,
  clockKnown: known,
});
