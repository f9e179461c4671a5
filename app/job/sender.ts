import type { Answer } from '../../core/wire/commands';
import { noteConfirmed } from './remembered-job';
import { listen, tell } from './channel';
import {
  type Kept,
  confirmed,
  dropPhoto,
  keptFor,
  type KeptReceipt,
  keptPhotos,
  keptReceipts,
  setAside,
} from './outbox';
import { sendPhotos } from './photos';
import { sendReceipts } from './receipts';

/** Sends what is kept, in order, one tab at a time, until it is confirmed. */
/**
 * `photos`: pictures that the server will not have, with what it said. `counted`: the outbox has been looked at; before
 * that nobody knows whether all is confirmed.
 */
export type SendState = {
  kept: number;
  counted: boolean;
  photos: { id: string; job: string; error: string }[];
  /** Devices received without the server. */
  receipts: KeptReceipt[];
  link: 'ok' | 'no server' | 'signed out';
  refused: { id: string; job: string; outcome: Extract<Answer['outcome'], { status: 'refused' }> }[];
};

/** Before anything has been looked at. */
export const nothingSent: SendState = {
  kept: 0,
  counted: false,
  photos: [],
  receipts: [],
  link: 'ok',
  refused: [],
};

export class Sender {
  state = nothingSent;
  #watchers = new Set<() => void>();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #running: Promise<void> | undefined;
  #again = false;
  #retryMs = 400;
  /** Called with each answer, in order, before the command leaves the outbox. */
  onAnswer: ((kept: Kept, answer: Answer) => void) | undefined;

  constructor(
    readonly owner: string,
    readonly person: string,
  ) {
    listen((message) => {
      if (message.type === 'kept' || message.type === 'settled') void this.count();
      if (message.type === 'online' && message.online) this.flush();
    });
  }
  watch = (w: () => void) => {
    this.#watchers.add(w);
    return () => void this.#watchers.delete(w);
  };
  snapshot = () => this.state;
  #set(change: Partial<SendState>): void {
    this.state = { ...this.state, ...change };
    for (const w of this.#watchers) w();
  }
  async count(): Promise<void> {
    const pictures = (await keptPhotos(this.owner)).filter((p) => !p.draft);
    const bad = pictures.flatMap((p) => (p.error ? [{ id: p.id, job: p.job, error: p.error }] : []));
    const receipts = await keptReceipts(this.owner);
    const good = receipts.filter((r) => !r.error).length;
    const n = (await keptFor(this.owner)).length + pictures.length - bad.length + good;
    const of = (list: KeptReceipt[]) => list.map((r) => `${r.id} ${r.error ?? ''}`).join();
    if (
      !this.state.counted ||
      n !== this.state.kept ||
      bad.length !== this.state.photos.length ||
      of(receipts) !== of(this.state.receipts)
    )
      this.#set({ kept: n, counted: true, photos: bad, receipts });
  }
  /** Lets a picture go that the server will not have. */
  async forgetPhoto(id: string): Promise<void> {
    await dropPhoto(id);
    await this.count();
  }
  dismiss(id: string): void {
    this.#set({ refused: this.state.refused.filter((r) => r.id !== id) });
  }

  /** Sends now, or right after what is being sent. */
  flush(): void {
    clearTimeout(this.#timer);
    if (this.#running) {
      this.#again = true;
      return;
    }
    this.#running = this.#lock(() => this.#send()).finally(() => {
      this.#running = undefined;
      if (this.#again) {
        this.#again = false;
        this.flush();
      }
    });
  }
  #lock(work: () => Promise<void>): Promise<void> {
    return navigator.locks ? navigator.locks.request('snavek-send', work) : work();
  }
  #later(): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => this.flush(), this.#retryMs);
    this.#retryMs = Math.min(this.#retryMs * 1.7, 4000);
  }
  /** Sending one at a time, to find the one that the server cannot take. */
  #alone = false;
  /** One entry that the server cannot take is kept aside and shown; those behind it go on. */
  async #setAside(kept: Kept, outcome?: Extract<Answer['outcome'], { status: 'refused' }>): Promise<void> {
    await setAside(kept);
    const refused = outcome ?? {
      status: 'refused' as const,
      seq: 0,
      refused: { code: 'not understood' as const, problems: [] },
      findings: [],
    };
    this.#set({
      refused: [...this.state.refused, { id: kept.command.id, job: kept.command.job, outcome: refused }],
    });
  }
  async #send(): Promise<void> {
    for (;;) {
      // a device is received before anything of it is sent
      if (!(await sendReceipts(this.owner))) {
        this.#set({ link: 'no server' });
        this.#later();
      }
      // a picture that has arrived puts its word into the log
      if (!(await sendPhotos(this.owner, this.person))) {
        this.#set({ link: 'no server' });
        this.#later();
      }
      const kept = await keptFor(this.owner);
      await this.count();
      if (!kept.length) return;
      const batch = kept.slice(0, this.#alone ? 1 : 50);
      let answers: Answer[];
      try {
        const res = await fetch('/commands', {
          method: 'POST',
          headers: {
            'content-type': 'application/json',
            'x-snavek-kept': String(kept.length - batch.length),
          },
          body: JSON.stringify({ commands: batch.map((k) => k.command) }),
          signal: AbortSignal.timeout(15_000),
        });
        if (res.status === 401) {
          this.#set({ link: 'signed out' });
          return;
        }
        // the server has answered: it is there, and one of these is what it stumbles over
        if (res.status >= 400 && res.status !== 503 && res.status !== 429) {
          if (batch.length > 1) {
            this.#alone = true;
            continue;
          }
          await this.#setAside(batch[0]!);
          continue;
        }
        if (!res.ok) throw new Error(`status ${res.status}`);
        answers = ((await res.json()) as { answers: Answer[] }).answers;
      } catch {
        this.#set({ link: 'no server' });
        this.#later();
        return;
      }
      this.#retryMs = 400;
      this.#alone = false;
      const jobs = new Set<string>();
      for (const [i, answer] of answers.entries()) {
        const k = batch[i]!;
        // another person's entry stays where it is until they sign in again
        if (answer.outcome.status === 'refused' && answer.outcome.refused.code === 'another person') {
          this.#set({ link: 'signed out' });
          return;
        }
        // an entry that this server cannot read is never thrown away: it stays here, out of the way of the others
        if (answer.outcome.status === 'refused' && answer.outcome.refused.code === 'not understood') {
          await this.#setAside(k, answer.outcome);
          continue;
        }
        this.onAnswer?.(k, answer);
        // a job that is not on this screen: its copy in this browser must know, too
        if (answer.outcome.status === 'recorded')
          await noteConfirmed(k.command.job, this.owner, answer.outcome.events);
        await confirmed(k.n);
        jobs.add(k.command.job);
        if (answer.outcome.status === 'refused')
          this.#set({
            refused: [...this.state.refused, { id: answer.id, job: k.command.job, outcome: answer.outcome }],
          });
      }
      this.#set({ link: 'ok' });
      await this.count();
      for (const job of jobs) tell({ type: 'settled', job });
    }
  }
}

const senders = new Map<string, Sender>();
/** The sender of one owner's outbox in this tab. */
export function senderFor(owner: string, person: string): Sender {
  const known = senders.get(owner);
  if (known) return known;
  const made = new Sender(owner, person);
  senders.set(owner, made);
  return made;
}
