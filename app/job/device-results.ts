import type { DeviceAnswer, DeviceResult } from '../../core/wire/device-page';

/** What a phone has measured waits in its own browser until the bench has taken it; each is sent until it is answered. */
export type Waiting = Omit<DeviceResult, 'holder'>;
type Store = Pick<Storage, 'getItem' | 'setItem'>;
type Listener = (result: Waiting, answer: DeviceAnswer) => void;
const firstAgainMs = 1000;
const lastAgainMs = 8000;

export class DeviceResults {
  #waiting: Waiting[];
  #sending = false;
  #againMs = firstAgainMs;
  #timer: ReturnType<typeof setTimeout> | undefined;
  /** The bench could not be reached the last time. */
  #away = false;
  constructor(
    readonly token: string,
    readonly holder: string,
    private readonly store: Store,
    private readonly post: (result: DeviceResult) => Promise<DeviceAnswer>,
    private readonly answered: Listener,
    private readonly changed: (waiting: number, away: boolean) => void,
  ) {
    this.#waiting = read(store, key(token));
  }
  /** The functions whose results have not been taken yet. */
  get waiting(): readonly Waiting[] {
    return this.#waiting;
  }
  add(result: Waiting): void {
    this.#keep([...this.#waiting, result]);
    void this.send();
  }
  /** Sends what waits, one after another; what the bench cannot be reached for is tried again later. */
  async send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    clearTimeout(this.#timer);
    try {
      for (let next = this.#waiting[0]; next; next = this.#waiting[0]) {
        const answer = await this.post({ ...next, holder: this.holder });
        const rest = this.#waiting.filter((w) => w.id !== next.id);
        // too many at once are taken a little later
        if (!answer.ok && answer.why === 'too many') throw new Error(answer.why);
        this.#away = false;
        this.#keep(rest);
        this.#againMs = firstAgainMs;
        this.answered(next, answer);
      }
    } catch {
      this.#away = true;
      this.changed(this.#waiting.length, this.#away);
      this.#timer = setTimeout(() => void this.send(), this.#againMs);
      this.#againMs = Math.min(this.#againMs * 2, lastAgainMs);
    } finally {
      this.#sending = false;
    }
  }
  stop(): void {
    clearTimeout(this.#timer);
  }
  #keep(waiting: Waiting[]): void {
    this.#waiting = waiting;
    try {
      this.store.setItem(key(this.token), JSON.stringify(waiting));
    } catch {
      /* no room, or a private window: it waits in this page alone */
    }
    this.changed(waiting.length, this.#away);
  }
}
const key = (token: string) => `snavek-device ${token}`;
function read(store: Store, name: string): Waiting[] {
  try {
    const kept: unknown = JSON.parse(store.getItem(name) ?? '[]');
    return Array.isArray(kept) ? (kept as Waiting[]) : [];
  } catch {
    return [];
  }
}
/** The word of this browser's own, by which two phones on one link are told apart. */
export function holderWord(store: Store, make: () => string): string {
  const name = 'snavek-device-holder';
  const known = store.getItem(name);
  if (known && known.length >= 16) return known;
  const word = make();
  try {
    store.setItem(name, word);
  } catch {
    /* it holds as long as the page does */
  }
  return word;
}
