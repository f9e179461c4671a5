import { type Command, type Context, decide, type Decision } from '../../core/rules/decide';
import { type Body, isGate, type JobEvent, needsServer } from '../../core/log/events';
import { evolve } from '../../core/log/evolve';
import { empty, type JobState } from '../../core/log/state';
import { indexModel } from '../../core/model/index-model';
import { indexOfJob } from '../../core/record/model-of-job';
import type { Route } from '../../core/steps/route';
import type { JobPage } from '../../core/wire/job-page';
import type { Answer, SentCommand } from '../../core/wire/commands';
import type { Who } from '../../core/wire/who';
import { listen, tell } from './channel';
import { benchTime } from './clock';
import { type Kept, keep, keptFor, rememberedPage, rememberPage, rememberState } from './outbox';
import type { Sender } from './sender';

export interface View {
  state: JobState;
  context: Context;
  /** Own commands that the server has not confirmed yet. */
  kept: number;
  /** Counts up when somebody else's event came in. */
  foreign: number;
  /** The last thing that another bench did, for the person who is surprised by it. */
  lastForeign: JobEvent | undefined;
}
export type Report = Omit<Partial<Command>, 'override'> & { override?: SentCommand['override'] };

/**
 * One job in this tab: the confirmed state, and on top of it what is kept here, decided by the same core as on the
 * server. Answers a press at once; the server's word replaces it when it comes.
 */
export class Replica {
  #base: JobState;
  #route: Route | undefined;
  #kept: Command[] = [];
  #own = new Set<string>();
  #watchers = new Set<() => void>();
  #syncing: Promise<void> | undefined;
  view: View;

  page: JobPage;
  who: Who;

  constructor(
    page: JobPage,
    who: Who,
    readonly sender: Sender,
  ) {
    this.page = page;
    this.who = who;
    this.#base = page.state;
    this.#route = page.route ?? undefined;
    this.#remembered = this.#route;
    this.view = {
      state: page.state,
      context: this.#context(page.state),
      kept: 0,
      foreign: 0,
      lastForeign: undefined,
    };
  }
  /**
   * The page of this job has been loaded anew. It is as old as its request: what has been pressed since stands already, and
   * must not go away for the moment until it has been read again. A press in that moment would answer what was there before.
   */
  renew(page: JobPage, who: Who): void {
    if (page === this.page && who === this.who) return;
    this.page = page;
    this.who = who;
    if (page.state.seq >= this.#base.seq) {
      this.#base = page.state;
      this.#route = page.route ?? undefined;
    }
    this.#kept = this.#kept.filter((command) => !this.#isConfirmed(command.id));
    this.#paint({});
  }
  #context(state: JobState): Context {
    return {
      index: indexOfJob(indexModel(this.page.model), state),
      route: this.#route,
      waits: this.who.settings.waits,
      person: this.who.personId,
      role: this.who.role,
    };
  }
  #painted: unknown[] = [];
  watch = (w: () => void) => {
    this.#watchers.add(w);
    return () => void this.#watchers.delete(w);
  };
  snapshot = () => this.view;
  #paint(change?: Partial<View>): void {
    // what is painted already is not worked out again: the outbox and the other tabs say the same thing more than once
    const from = [this.#base, this.#route, ...this.#kept.map((c) => c.id)];
    if (!change && from.length === this.#painted.length && from.every((x, k) => x === this.#painted[k]))
      return;
    this.#painted = from;
    let state = this.#base;
    for (const command of this.#kept)
      for (const event of decide(this.#context(state), state, command).events) state = evolve(state, event);
    const context = this.#context(state);
    this.view = { ...this.view, ...change, state, context, kept: this.#kept.length };
    for (const w of this.#watchers) w();
  }

  /** Takes part in what the server and the other tabs say. */
  start(): () => void {
    this.#stopped = false;
    const stop = listen((message) => {
      if (message.type === 'changed' && message.job === this.page.id && message.seq > this.#base.seq)
        void this.sync();
      if (message.type === 'resync') void this.sync();
      if (message.type === 'kept' || (message.type === 'settled' && message.job === this.page.id))
        void this.#reload();
    });
    this.sender.onAnswer = (kept, answer) => this.#answered(kept, answer);
    void this.#catchUp()
      .then(() => this.#reload())
      .then(() => {
        this.sender.flush();
        return this.sync();
      });
    return () => {
      this.#stopped = true;
      clearTimeout(this.#again);
      stop();
    };
  }
  #stopped = false;
  /** A page that was kept without the server may be older than this browser's copy of the job. */
  async #catchUp(): Promise<void> {
    const known = await rememberedPage<JobPage>(this.page.id).catch(() => undefined);
    if (!known || known.owner !== this.sender.owner || known.page.state.seq <= this.#base.seq) return;
    this.#base = { ...empty(), ...known.page.state };
    this.#route = known.page.route ?? this.#route;
    this.#paint();
  }
  /** What is kept may come from another tab, or from before a reload. */
  async #reload(): Promise<void> {
    const all = await keptFor(this.sender.owner);
    const mine = all
      .filter((k) => k.command.job === this.page.id && !this.#isConfirmed(k.command.id))
      .map((k) => asCommand(k.command));
    for (const command of mine) this.#own.add(command.id);
    const settled = this.#kept.length > mine.length;
    // a press that is not durable yet is in memory only, and so is one whose entry is still to be fetched: keep it on top
    const unsaved = this.#kept.filter((c) => this.#saving.has(c.id) || this.#awaited.has(c.id));
    this.#kept = [...mine, ...unsaved.filter((c) => !mine.some((m) => m.id === c.id))];
    if (settled) await this.sync();
    this.#paint();
  }
  /**
   * Answered, or in the log already. It may lie in the outbox a moment longer: done once more on top of the log, an entry
   * that has been taken back meanwhile would be there again.
   */
  #isConfirmed(id: string): boolean {
    return (
      this.#answeredIds.has(id) ||
      this.#base.retracted[id] !== undefined ||
      this.#base.trail.some((t) => t.event === id)
    );
  }
  #answeredIds = new Set<string>();
  #saving = new Set<string>();
  #answered(kept: Kept, answer: Answer): void {
    if (kept.command.job !== this.page.id) return;
    this.#answeredIds.add(answer.id);
    const { outcome } = answer;
    if (outcome.status === 'recorded')
      for (const event of outcome.events)
        if (event.seq === this.#base.seq + 1) this.#base = evolve(this.#base, event);
    // what is recorded stays on top until the copy holds it: dropped now, the screen would for a moment show what was before
    if (outcome.status !== 'refused' && outcome.seq > this.#base.seq)
      this.#awaited.set(answer.id, outcome.seq);
    else this.#kept = this.#kept.filter((c) => c.id !== answer.id);
    this.#paint();
    this.#remember();
    if (outcome.seq > this.#base.seq) void this.sync();
  }
  /** Recorded, at this place of the log, which this copy has not reached: by command. */
  #awaited = new Map<string, number>();
  #dropReached(): void {
    for (const [id, seq] of this.#awaited)
      if (seq <= this.#base.seq) {
        this.#awaited.delete(id);
        this.#kept = this.#kept.filter((c) => c.id !== id);
      }
  }
  #remembered: Route | undefined;
  #remembering = false;
  #stale = false;
  /** What is confirmed goes into this browser's copy at once: it must not fall behind when the page or the server goes away. */
  #remember(): void {
    if (this.#remembering) {
      this.#stale = true;
      return;
    }
    this.#remembering = true;
    this.#stale = false;
    const { id } = this.page;
    // the large part is written when there is another route, the small one with every entry
    const whole = this.#route !== this.#remembered;
    this.#remembered = this.#route;
    void (
      whole
        ? rememberPage(id, this.sender.owner, { ...this.page, state: this.#base, route: this.#route ?? null })
        : rememberState(id, this.sender.owner, this.#base)
    )
      .catch(() => {})
      .finally(() => {
        this.#remembering = false;
        if (this.#stale) this.#remember();
      });
  }
  /**
   * Fetches what is missing since the last confirmed event. What is told while a fetch is on its way may be newer than
   * its answer: it is fetched again right after.
   */
  sync(): Promise<void> {
    this.#told = true;
    return (this.#syncing ??= (async () => {
      try {
        while (this.#told) {
          this.#told = false;
          await this.#fetchNews();
        }
      } finally {
        this.#syncing = undefined;
      }
    })());
  }
  #told = false;
  /** Asks again after a while: the word of what has happened came, what it was has not. */
  #again: ReturnType<typeof setTimeout> | undefined;
  #againMs = 400;
  #askAgain(): void {
    if (this.#stopped) return;
    clearTimeout(this.#again);
    this.#again = setTimeout(() => void this.sync(), this.#againMs);
    this.#againMs = Math.min(this.#againMs * 2, 5000);
  }
  async #fetchNews(): Promise<void> {
    try {
      const res = await fetch(`/jobs/${this.page.id}/events?after=${this.#base.seq}`, {
        signal: AbortSignal.timeout(10_000),
      });
      if (res.status >= 500) this.#askAgain();
      if (!res.ok) return;
      clearTimeout(this.#again);
      this.#againMs = 400;
      const { events, route } = (await res.json()) as { events: JobEvent[]; route?: Route };
      if (route) this.#route = route;
      let foreign: JobEvent | undefined;
      for (const event of events) {
        if (event.seq !== this.#base.seq + 1) continue;
        this.#base = evolve(this.#base, event);
        const id = event.id.split('.')[0]!;
        if (!this.#own.has(id) && event.by !== this.who.personId) foreign = event;
        this.#kept = this.#kept.filter((c) => c.id !== id);
      }
      this.#dropReached();
      if (events.length)
        this.#paint(foreign ? { foreign: this.view.foreign + 1, lastForeign: foreign } : undefined);
      if (events.length) this.#remember();
    } catch {
      // the link is shown by the sender; the stream asks when it is back, but it may never have been gone
      this.#askAgain();
    }
  }

  /**
   * Reports something or asks to pass a gate. Answers at once from this tab's copy; a fact, or a gate that the copy
   * lets pass, is kept and sent. What needs the server is sent and waited for.
   */
  async report(body: Body, more: Report = {}): Promise<Decision> {
    const command: Command = {
      id: crypto.randomUUID(),
      job: this.page.id,
      body,
      ...benchTime(),
      ...(more.override
        ? {
            override: {
              rules: more.override.rules,
              reason: more.override.reason,
              ...(more.override.confirm ? { confirmedBy: 'asked' } : {}),
            },
          }
        : {}),
    };
    const decision = decide(this.view.context, this.view.state, command);
    const direct = needsServer.has(body.type) || more.override?.confirm !== undefined;
    if (!direct && (decision.refused || decision.already)) return decision;
    const gate = isGate(body) && !direct && body.type !== 'retracted';
    const sent: SentCommand = {
      id: command.id,
      job: command.job,
      person: this.who.personId,
      body,
      at: command.at,
      clockKnown: command.clockKnown,
      ...(more.override ? { override: more.override } : {}),
      ...(gate ? { passedAt: this.view.state.seq } : {}),
      seen: this.#base.seq,
    };
    if (direct) return this.#ask(sent, decision);
    this.#own.add(command.id);
    this.#saving.add(command.id);
    // the copy has decided: what it shows until the server answers must not be asked twice
    this.#kept.push(gate ? { ...command, passedAt: this.view.state.seq } : command);
    this.#paint();
    await keep(this.sender.owner, sent);
    this.#saving.delete(command.id);
    tell({ type: 'kept' });
    this.sender.flush();
    return decision;
  }
  async #ask(sent: SentCommand, local: Decision): Promise<Decision> {
    this.#own.add(sent.id);
    try {
      const res = await fetch('/commands', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ commands: [sent] }),
        signal: AbortSignal.timeout(15_000),
      });
      if (!res.ok) return { events: [], findings: local.findings, refused: { code: 'needs the server' } };
      const outcome = ((await res.json()) as { answers: Answer[] }).answers[0]!.outcome;
      await this.sync();
      tell({ type: 'settled', job: this.page.id });
      return outcome.status === 'refused'
        ? { events: [], findings: outcome.findings, refused: outcome.refused as never }
        : { events: outcome.events, findings: outcome.findings };
    } catch {
      return { events: [], findings: local.findings, refused: { code: 'needs the server' } };
    }
  }
}
const asCommand = (c: SentCommand): Command => ({
  id: c.id,
  job: c.job,
  body: c.body,
  at: c.at,
  clockKnown: c.clockKnown,
  ...(c.override ? { override: { rules: c.override.rules, reason: c.override.reason } } : {}),
  ...(c.passedAt !== undefined ? { passedAt: c.passedAt } : {}),
});
