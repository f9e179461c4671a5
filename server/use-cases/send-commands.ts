import { type SentOverride, commandSchema, type SentCommand, type Answer } from '../../core/wire/commands';
import type { z } from 'zod';
import type { Command } from '../../core/rules/decide';
import { type Body, isGate, type JobEvent } from '../../core/log/events';
import { pathText } from '../../core/model/check-model';
import { trustOf } from '../../core/leak/self-test';
import { flag } from '../../core/log/state';
import { appendCommand, lockedJob, type Written } from '../append-command';
import { sessionKey } from '../auth/session';
import { appendToLog, type HeldJob, heldJob, holdJob, SignedOut, type Writing } from '../db/job-log';
import { dropPrivate } from '../db/job-private';
import { indexOf, knownIndex } from '../db/models';
import { inShop, isDatabaseAway } from '../db/orm';
import { knownRoute, routeOf } from '../db/routes';
import { afterOf, contextFor, type Grounds, judge } from '../decide-command';
import { log } from '../log';
import { countCommands, noteKept } from '../metrics';
import type { Outcome } from '../../core/wire/outcome';
import type { Who } from '../../core/wire/who';
import { confirmingPerson } from './sign-in';

/** For the door: what a bench says of its outbox. */
export { noteKept };
/** For the door: without the database it answers that it is away, not that it failed. */
export { isDatabaseAway };
/** Names the session of a request, on which what it sends hangs. */
export { sessionKey };

/** For the door, too: nothing of what a session sends is written once it has ended. */
export { SignedOut };

/**
 * Decides commands one after another, in the order given: those of one job that follow each other are written at once.
 * A command that is already known gets its stored outcome again; an unknown job or another workshop's job is refused.
 * @param session what the batch hangs on, beside who asks
 * @throws SignedOut
 */
export async function sendCommands(
  who: Who,
  commands: readonly { id: string; [field: string]: unknown }[],
  session?: string,
): Promise<Answer[]> {
  const outcomes: (Outcome | undefined)[] = commands.map(() => undefined);
  let run: { at: number; command: SentCommand }[] = [];
  const finish = async () => {
    const done = run.length
      ? await writeRun(
          who,
          run.map((r) => r.command),
          session,
        )
      : [];
    for (const [k, outcome] of done.entries()) outcomes[run[k]!.at] = outcome;
    run = [];
  };
  for (const [at, sent] of commands.entries()) {
    const read = commandSchema.safeParse(sent);
    if (!read.success) {
      outcomes[at] = notUnderstood(read.error);
      continue;
    }
    const command = asKnownHere(who, read.data);
    const follows = run.length === 0 || run[0]!.command.job === command.job;
    if (!follows || !isPlain(command) || run.some((r) => r.command.id === command.id)) await finish();
    if (isPlain(command)) run.push({ at, command });
    else outcomes[at] = await writeOne(who, command, session);
  }
  await finish();
  const answers = commands.map((sent, at) => ({ id: sent.id, outcome: outcomes[at]! }));
  countCommands(
    answers,
    commands.map((sent) => sent.at),
    Date.now(),
  );
  return answers;
}
/**
 * That a leak tester had found its reference leak is for the server to say, which knows when it last did; and figures of a
 * tester that is read come from the server alone, so that what a bench sends of them is no proof.
 */
function asKnownHere(who: Who, command: SentCommand): SentCommand {
  const { body, at } = command;
  if (body.type !== 'leakTested' || body.proved === undefined) return command;
  const found = trustOf(who.settings.leakSelfTest, at) === 'good';
  return { ...command, body: { ...body, proved: body.proved && found && body.measured === undefined } };
}
const notUnderstood = (error?: z.ZodError): Outcome => ({
  status: 'refused',
  seq: 0,
  refused: {
    code: 'not understood',
    problems: error?.issues.slice(0, 20).map((i) => ({ path: pathText(i.path), text: i.message })) ?? [],
  },
  findings: [],
});
/** What only the log must know. The rest is decided in a transaction with the stock, a signature or a route. */
const isPlain = ({ body, passedAt }: SentCommand): boolean =>
  !withOthers.has(body.type) &&
  !(body.type === 'consentGiven' && body.signature !== undefined) &&
  (passedAt === undefined || !isGate(body));
const withOthers: ReadonlySet<Body['type']> = new Set<Body['type']>([
  'partChosen',
  'partDropped',
  'substituted',
  'routeAdopted',
  'jobClosed',
]);

/** A run at once; where that fails because of one of it, one after another. */
async function writeRun(who: Who, run: readonly SentCommand[], session?: string): Promise<Outcome[]> {
  const outcomes: Outcome[] = [];
  try {
    return await writePlain(who, run, session);
  } catch (e) {
    if (!isItsOwn(e)) throw e;
    if (run.length === 1) return [failed(run[0]!, e)];
  }
  for (const command of run) outcomes.push(...(await writeRun(who, [command], session)));
  return outcomes;
}
async function writeOne(who: Who, command: SentCommand, session?: string): Promise<Outcome> {
  try {
    return await writeWithOthers(who, command, session);
  } catch (e) {
    if (!isItsOwn(e)) throw e;
    return failed(command, e);
  }
}
/** Without the database, or a session, nothing can be said of any: the outbox keeps them all and asks again. */
const isItsOwn = (e: unknown) => !isDatabaseAway(e) && !(e instanceof SignedOut);
/** What one command is given more than its schema sees is its own misfortune: it is refused, and those behind it go on. */
function failed(command: SentCommand, e: unknown): Outcome {
  log.error({ err: e, command: command.id, type: command.body.type }, 'a command failed');
  return notUnderstood();
}
/** An override with the second person in place of their password; that is somebody else, and not a trainee. */
export async function confirmed(who: Who, sent: SentOverride | undefined): Promise<Command['override']> {
  if (!sent) return undefined;
  const second = sent.confirm && (await confirmingPerson(who, sent.confirm.login, sent.confirm.password));
  const confirmedBy =
    second && second.personId !== who.personId && second.role !== 'trainee' ? second.personId : undefined;
  return { rules: sent.rules, reason: sent.reason, ...(confirmedBy ? { confirmedBy } : {}) };
}
const refuse = (code: 'no such job' | 'another person' | 'used before'): Outcome => ({
  status: 'refused',
  seq: 0,
  refused: { code },
  findings: [],
});
/** So far a bench's clock, corrected by what it knows of ours, may be ahead, ms. */
const clockPlayMs = 60_000;
/** A command as it is decided. A bench whose clock is ahead of ours would end every wait before its time: its clock counts as not known. */
async function asDecided(who: Who, sent: SentCommand): Promise<Command> {
  const { person: _sender, override, ...rest } = sent;
  const now = Date.now();
  const ahead = sent.at > now + clockPlayMs;
  return {
    ...rest,
    override: await confirmed(who, override),
    at: ahead ? now : sent.at,
    clockKnown: sent.clockKnown && !ahead,
  };
}

/** A bench beside which others write on the same job is told what is newer, and decides again; so many times. */
const tries = 50;
/** Writes commands of one job, of which only its log must know, in one call. */
async function writePlain(who: Who, run: readonly SentCommand[], session?: string): Promise<Outcome[]> {
  const done = new Map<string, Outcome>();
  const commands: Command[] = [];
  for (const sent of run) {
    if (sent.person === who.personId) commands.push(await asDecided(who, sent));
    else done.set(sent.id, refuse('another person'));
  }
  const jobId = run[0]!.job;
  const at = { shopId: who.shopId, jobId, session };
  let left = commands;
  let base = heldJob(who.shopId, jobId);
  for (let k = 0; left.length && k < tries; k++) {
    const decided = await decideAll(who, base, left);
    const said = await appendToLog(at, base, decided.writing);
    if (said.answer === 'signed out') throw new SignedOut();
    if (said.answer === 'no such job') {
      for (const command of left) done.set(command.id, refuse('no such job'));
      left = [];
    } else if (said.answer === 'newer') {
      base = said.job;
    } else if (said.answer === 'known') {
      for (const [id, { job, outcome }] of Object.entries(said.known))
        done.set(id, job === jobId ? outcome : refuse('used before'));
      left = left.filter((c) => !done.has(c.id));
    } else {
      holdJob(who.shopId, jobId, decided.job!);
      for (const c of decided.writing.commands) done.set(c.id, c.outcome);
      left = [];
    }
  }
  if (left.length) throw new Error(`others wrote on job ${jobId} all the time`);
  return run.map((sent) => done.get(sent.id)!);
}
/** Decides commands on what is held of a job; without that, nothing but that they are asked for. */
async function decideAll(
  who: Who,
  job: HeldJob | undefined,
  commands: readonly Command[],
): Promise<{ job?: HeldJob; writing: Writing }> {
  const nothing = notUnderstood();
  if (!job)
    return { writing: { commands: commands.map(({ id }) => ({ id, outcome: nothing })), events: [] } };
  const context = contextFor(who, await groundsOf(who.shopId, job));
  let { state } = job;
  const events: JobEvent[] = [];
  const decided = commands.map((command) => {
    const judged = judge(context, state, command);
    state = judged.state;
    events.push(...judged.events);
    return { id: command.id, outcome: judged.outcome };
  });
  const { at } = commands[commands.length - 1]!;
  return {
    job: { ...job, state },
    writing: { commands: decided, events, ...(events.length ? { after: afterOf(context, state, at) } : {}) },
  };
}
/** What a job is decided by: of this process where it has it, else of the database. */
async function groundsOf(shopId: string, { state, modelHash, variant }: HeldJob): Promise<Grounds> {
  const model = [flag(state, 'modelHash') ?? modelHash, flag(state, 'variant') ?? variant] as const;
  const routeHash = flag(state, 'routeHash');
  const index = knownIndex(...model);
  const route = knownRoute(shopId, routeHash);
  if (index && (route || !routeHash)) return { index, route };
  return inShop(shopId, async (em) => ({
    index: await indexOf(em, ...model),
    route: await routeOf(em, routeHash),
  }));
}

/** Writes a command of which the stock, a signature or a route must know, too. */
async function writeWithOthers(who: Who, sent: SentCommand, session?: string): Promise<Outcome> {
  if (sent.person !== who.personId) return refuse('another person');
  const command = await asDecided(who, sent);
  const written = await inShop(who.shopId, async (em): Promise<Written | undefined> => {
    const job = await lockedJob(em, sent.job);
    if (!job) return undefined;
    const done = await appendCommand(em, who, command, job, session);
    // a passcode is there for the checks, and goes with the job
    if (done.outcome.status === 'recorded' && sent.body.type === 'jobClosed')
      await dropPrivate(em, sent.job, 'passcode');
    return done;
  });
  if (!written) return refuse('no such job');
  holdJob(who.shopId, sent.job, written.job);
  return written.outcome;
}
