import { checksDue } from '../checks/due';
import { type Command, type Context, decide, type Decision } from '../rules/decide';
import type { Body, BodyOf, JobEvent } from '../log/events';
import { evolve } from '../log/evolve';
import { instruct } from '../progress/instruct';
import { consentsFor, openConsents } from '../consents/consents';
import { leastWaits } from '../rules/interlock';
import type { Role } from '../vocabulary/roles';
import { replacedSlots } from '../log/view';
import { empty, flag, type JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { standingOf } from '../progress/standing';
import { indexOfJob } from '../record/model-of-job';
import type { Route, Standing } from '../steps/route';

/**
 * One technician at one bench with a clock of its own, who does what is asked: drives a job through `decide` and
 * keeps its log. Tests work with it, and the demo data is made by it, so that every log is one the app could write.
 */
export class Bench {
  state: JobState = empty();
  log: JobEvent[] = [];
  commands: Command[] = [];
  at = Date.UTC(2026, 4, 4, 8, 0, 0);
  paceMs = 5000;
  #n = 0;
  constructor(
    readonly base: IndexedModel,
    public route: Route | undefined,
    readonly person = 'p1',
    readonly role: Role = 'technician',
    readonly name = 'c',
  ) {}
  /** The model, with what has been met at this device. */
  get index(): IndexedModel {
    return indexOfJob(this.base, this.state);
  }
  get context(): Context {
    return { index: this.index, route: this.route, waits: leastWaits, person: this.person, role: this.role };
  }
  do(body: Body, more: Partial<Command> = {}): Decision {
    const command: Command = {
      id: `${this.name}:${++this.#n}`,
      job: 'j',
      body,
      at: this.at,
      clockKnown: true,
      ...more,
    };
    const decision = decide(this.context, this.state, command);
    this.commands.push(command);
    for (const event of decision.events) {
      this.state = evolve(this.state, event);
      this.log.push(event);
    }
    this.at += this.paceMs;
    return decision;
  }
  open(more: Partial<BodyOf<'opened'>> = {}): this {
    this.do({
      type: 'opened',
      modelHash: 'h',
      variant: 'standard',
      tag: 'T1',
      complaint: 'flat by noon',
      tasks: [{ slot: 'cell', action: 'replace' }],
      promisedAt: null,
      promisedAs: '',
      ...more,
    });
    this.answer('before', 'works');
    this.do({ type: 'received' });
    if (this.route) this.adopt(this.route);
    return this;
  }
  standing(): Standing {
    return standingOf(this.state, this.index);
  }
  /** Takes a route; before the first one the owner agrees to all that follows from it. */
  adopt(route: Route): void {
    const first = flag(this.state, 'routeHash') === undefined;
    if (first) this.agree(route.input.methods);
    this.route = route;
    this.do({
      type: 'routeAdopted',
      routeHash: route.hash,
      modelHash: route.modelHash,
      variant: route.variant,
    });
  }
  agree(methods = this.route?.input.methods): void {
    for (const consent of openConsents(
      consentsFor(this.index, this.state, methods, replacedSlots(this.state)),
      this.state,
    ))
      this.do({
        type: 'consentGiven',
        effect: consent.id,
        by: 'owner',
        ...(consent.answers ? { answer: consent.answers[1]! } : {}),
      });
  }
  answer(round: 'before' | 'mid' | 'after', result: 'works' | 'fails'): void {
    for (const dueCheck of checksDue(this.state, this.index, round))
      if (!dueCheck.passed) this.do({ type: 'checked', round, function: dueCheck.function, result });
  }
  /** One press of the pedal: does what is asked, answers checks with "works", waits out waits. */
  next(): Decision | undefined {
    const shown = instruct(this.context, this.state, { at: this.at, clockKnown: true });
    // one that leaks is told to its owner, and the rest is done
    const i = shown.kind === 'leaks' ? shown.then : shown;
    if (i.kind === 'checks') {
      this.answer(i.step.round!, 'works');
      return this.next();
    }
    if (i.kind === 'waiting') {
      this.at = Math.max(this.at, i.until);
      return this.do(i.body);
    }
    if (i.kind === 'do') {
      for (const finding of i.findings) if (finding.seconds) this.at += finding.seconds * 1000;
      return this.do(i.body);
    }
    return undefined;
  }
  finish(): this {
    for (let k = 0; k < 2000 && this.next(); k++);
    this.agree();
    return this;
  }
}
