import { checksDue } from '../checks/due';
import { type Command, type Context, decide, type Decision } from '../job/decide';
import type { Body, JobEvent } from '../job/events';
import { evolve } from '../job/evolve';
import { instruct } from '../job/instruct';
import { leastWaits, type Role } from '../job/interlocks';
import { empty, type JobState } from '../job/state';
import { consentsNeeded } from '../pairing/effects';
import type { IndexedModel } from '../model/index-model';
import type { Route } from '../route/types';

/** One technician at one bench with a clock of its own: drives a job through `decide` and keeps its log. */
export class Bench {
  state: JobState = empty();
  log: JobEvent[] = [];
  at = Date.UTC(2026, 4, 4, 8, 0, 0);
  #n = 0;
  constructor(readonly index: IndexedModel, public route: Route | undefined, readonly person = 'p1', readonly role: Role = 'technician') {}
  get context(): Context {
    return { index: this.index, route: this.route, waits: leastWaits, person: this.person, role: this.role };
  }
  do(body: Body, more: Partial<Command> = {}): Decision {
    const command: Command = { id: `c${++this.#n}`, job: 'j', body, at: this.at, clockKnown: true, ...more };
    const d = decide(this.context, this.state, command);
    for (const e of d.events) { this.state = evolve(this.state, e); this.log.push(e); }
    this.at += 5000;
    return d;
  }
  open(): this {
    this.do({ type: 'opened', modelHash: 'h', variant: 'standard', tag: 'T1', complaint: 'flat by noon', tasks: [{ slot: 'cell', action: 'replace' }], promisedAt: null, promisedAs: '' });
    this.answer('before', 'works');
    this.do({ type: 'received' });
    if (this.route) this.do({ type: 'routeAdopted', routeHash: this.route.hash, modelHash: this.route.modelHash, variant: this.route.variant });
    return this;
  }
  answer(round: 'before' | 'mid' | 'after', result: 'works' | 'fails'): void {
    for (const c of checksDue(this.state, this.index, round)) if (!c.passed) this.do({ type: 'checked', round, function: c.function, result });
  }
  /** One press of the pedal: does what is asked, answers checks with "works", waits out waits. */
  next(): Decision | undefined {
    const i = instruct(this.context, this.state, { at: this.at, clockKnown: true });
    if (i.kind === 'checks') { this.answer(i.step.round!, 'works'); return this.next(); }
    if (i.kind === 'waiting') { this.at = Math.max(this.at, i.until); return this.do(i.body); }
    if (i.kind === 'do') {
      for (const f of i.findings) if (f.seconds) this.at += f.seconds * 1000;
      return this.do(i.body);
    }
    return undefined;
  }
  finish(): this {
    for (let k = 0; k < 2000 && this.next(); k++);
    for (const e of consentsNeeded(this.route?.effects ?? [])) this.do({ type: 'consentGiven', effect: e.id, by: 'owner' });
    return this;
  }
}
