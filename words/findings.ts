import { finalText } from './log';
import type { RimPart } from '../core/vocabulary/steps';
import { consentName } from './consents';
import { testName } from './fault';
import type { Refusal } from '../core/rules/decide';
import type { Finding } from '../core/rules/interlocks';
import type { IndexedModel } from '../core/model/index-model';
import { list, pieceName, thingName } from './things';
import { left } from './time';

type Said = { what: string; instead: string };
const names = (index: IndexedModel, ids: readonly string[]) =>
  list(ids.map((id) => (id.includes('#') ? pieceName(index, id.split('/')[0]!) : thingName(index, id))));

type Found = Pick<Finding, 'rule' | 'ids'> & { seconds?: number };
/** What an interlock's words are made with. */
interface Stopped {
  index: IndexedModel;
  f: Found;
  /** What it names, as a list in words. */
  n: string;
  /** How long it still takes, where it is a wait. */
  wait: string;
}
const texts: Record<Finding['rule'], (s: Stopped) => Said> = {
  'cell first off': () => ({
    what: 'The cell is still on: a connector that moves now can blow a rail.',
    instead: 'Unplug the cell first.',
  }),
  'cell last on': ({ n, f }) => ({
    what: `The cell would go on while the ${n} ${f.ids.length > 1 ? 'are' : 'is'} still off.`,
    instead: 'Plug those in first; the cell goes on last.',
  }),
  'still held': ({ n }) => ({
    what: `Still held by ${n}: lifting now bends or tears it.`,
    instead: 'Free those first.',
  }),
  'torn and still stuck': ({ n }) => ({
    what: `${n[0]?.toUpperCase() ?? ''}${n.slice(1)} tore: what is left of it holds, and pulling bends the cell.`,
    instead: 'Under Trouble, “It tore”: alcohol along the edge, 30 to 60 s, then a wide flat tool.',
  }),
  'no heat on this cell': ({ f }) => ({
    what: `The device is marked ${list(f.ids)}: heat can set the cell on fire.`,
    instead: 'Use alcohol without heat. Only an owner or lead clears the mark, after looking at the cell.',
  }),
  'no press on this cell': ({ f }) => ({
    what: `The device is marked ${list(f.ids)}: pressing can set the cell on fire.`,
    instead: 'Seal it by hand, with little force.',
  }),
  'adrift under the press': ({ f }) => ({
    what: `Not found, or loose inside: ${list(f.ids)}. Under the press it may go through the panel or into the cell.`,
    instead: 'Find it first, or seal it by hand.',
  }),
  'identity data unread': ({ n }) => ({
    what: `The data of the ${n} have not been read: once it is gone they are lost.`,
    instead: 'Read and save them first, or record that the notice is accepted.',
  }),
  'soak cut short': ({ f }) => ({
    what: `It came off the heat too early${f.seconds ? `, ${f.seconds} s short` : ''}: a cold seal splits the panel from its frame.`,
    instead: 'Warm it again, or plan it by alcohol alone.',
  }),
  'cooled again': () => ({
    what: 'It has cooled since it left the heat: what holds it is no longer soft.',
    instead: 'Warm it again before the blade goes on.',
  }),
  'chip work not agreed': ({ n }) => ({
    what: `The owner has not agreed to chip work at the ${n}: it can take the part with it.`,
    instead: 'Ask on the Offer screen, with the chance that is said there.',
  }),
  'live under the iron': () => ({
    what: 'The cell is still on: hot air or an iron at a live board shorts it.',
    instead: 'Unplug the cell first.',
  }),
  'extraction off': () => ({
    what: 'The extraction is not on: flux, solder and coatings make fumes that are not breathed.',
    instead: 'Turn it on, and say so with the switch above the step.',
  }),
  'data unread before air': ({ n }) => ({
    what: `The data of the ${n} have not been read: heat can end them.`,
    instead: 'Read and save them first, or record that the notice is accepted.',
  }),
  'unread before it is cut': ({ n }) => ({
    what: `The data of the ${n} are neither read nor declined: they are lost when it is cut.`,
    instead: 'Read and save them first, or record that the customer goes without.',
  }),
  'untested before it is cut': ({ n }) => ({
    what: `The ${n} was not tested at the programmer: what is opened cannot be tested any more.`,
    instead: 'Test the module first: it names what fails.',
  }),
  'pad that carries lifted': ({ f }) => ({
    what: `${list(f.ids)} ${f.ids.length > 1 ? 'carry' : 'carries'} something and ${f.ids.length > 1 ? 'are' : 'is'} lifted.`,
    instead: 'Wire it and mark it as wired, ask the customer whether to go on without, or end the work.',
  }),
  'ball bridged or loose': ({ f }) => ({
    what: `${list(f.ids)} ${f.ids.length > 1 ? 'have' : 'has'} run together with another ball, or ${f.ids.length > 1 ? 'do' : 'does'} not hold.`,
    instead: 'Part it or set it anew, warm the balls again, and mark it as good.',
  }),
  'rework failed': ({ n }) => ({
    what: `The work at the ${n} did not succeed.`,
    instead: 'Ask the customer: a new part, without it, or an end. Work asks for it.',
  }),
  'rework not ended': ({ n }) => ({
    what: `The work at the ${n} was begun and has not ended.`,
    instead: 'Finish it at the rework bench, and say there how it ended.',
  }),
  'charge over the limit': () => ({
    what: 'The battery is charged above 25 %: pierced, it burns harder.',
    instead: 'Let it run down first, or say what it shows now.',
  }),
  'source is cold': () => ({
    what: 'What warms it is not warm, or nobody has said that it is.',
    instead: 'Let it come to its temperature first: no time counts on a cold one.',
  }),
  'solvent still wet': ({ wait }) => ({
    what: 'Alcohol or acetone has not flashed off: heat would light it.',
    instead: `Ventilate and wait.${wait}`,
  }),
  'still hot': ({ wait }) => ({
    what: 'The device is on heat or has just left it: alcohol and acetone would catch fire.',
    instead: `Heat source off, let it cool.${wait}`,
  }),
  'rim not clean': ({ f }) => ({
    what: f.ids.some((id) => id.startsWith('rim:'))
      ? `Not seen to yet: ${list(f.ids.map((id) => rimPartName[id.slice(4) as RimPart]))}.`
      : 'The rim is not recorded as clean: the seal fails where glue is left.',
    instead: 'Clean it, then lay the seal.',
  }),
  'mid check open': ({ n }) => ({
    what: `The check before closing is open: ${n}.`,
    instead: 'Answer it now; it is the last moment at which a mistake is cheap.',
  }),
  'round open': ({ n }) => ({
    what: `Not answered yet: ${n}.`,
    instead: 'Test these, or say that it was so before.',
  }),
  'seal missing': ({ f }) => ({
    what: f.ids.includes('liner') ? 'The last liner of the seal is still on.' : 'No new seal is on.',
    instead: f.ids.includes('liner')
      ? 'Take the liner off.'
      : 'Lay the seal, or record that it is closed without one.',
  }),
  'not all inside': ({ n }) => ({ what: `Not inside yet: ${n}.`, instead: 'Put them in before closing.' }),
  'piece adrift': ({ n }) => ({
    what: `Adrift: ${n}. A loose screw inside cracks the panel from below.`,
    instead: 'Find it: look at magnets and sticky edges. Another screw in its hole does not account for it.',
  }),
  'stray inside': ({ f }) => ({
    what: `A piece that is not this device’s was seen inside: ${list(f.ids)}.`,
    instead: 'Take it out and say so.',
  }),
  'crumbs not looked for': () => ({
    what: 'Nobody has said that every crumb of glass is out: one that is left presses into the battery for months.',
    instead: 'Look for crumbs first, under good light.',
  }),
  'film still on': () => ({ what: 'A film or masking tape is still on.', instead: 'Peel it off first.' }),
  'connector open': ({ n }) => ({ what: `Still unplugged: ${n}.`, instead: 'Plug in before closing.' }),
  'screw of another hole': ({ f }) => ({
    what: `That is the screw of ${f.ids[0] ?? '?'}: in ${f.ids[1] ?? 'this hole'} it does not fit or reaches too deep.`,
    instead: 'Take the hole’s own screw.',
  }),
  'too long screw inside': ({ f }) => ({
    what: `In ${list(f.ids)} sits a screw that is longer than the hole bears: it may reach the board or the panel.`,
    instead: 'Take it out, measure it again, put another one in.',
  }),
  'tested without its plugs': ({ n }) => ({
    what: `Not plugged in: ${n}. Without them a good part can show nothing.`,
    instead: 'Cell off, plug those in, cell on, then test.',
  }),
  'cell over its limit': ({ f }) => ({
    what: `On this source the cell of two devices in ten like this one is at its limit of 60 °C after ${left(f.seconds ?? 0)} min.`,
    instead: 'A shorter soak, a cooler source, or heat along the edge only.',
  }),
  'open on the heat': () => ({
    what: 'The device stands open with its cell in: a plate would warm the cell itself.',
    instead: 'Warm only the edge, with a dryer or a pouch, or use alcohol; or take the cell out first.',
  }),
  'glue not set': ({ n, wait }) => ({
    what: `Not set yet: ${n}.`,
    instead: `Leave it clamped.${wait}`,
  }),
  'glue has a skin': ({ n }) => ({
    what: `Open for longer than its glue stays open: ${n}. It has a skin, and would not hold.`,
    instead: 'Take it off, clean both faces, lay it anew, and put the part in at once.',
  }),
  'leak not told': () => ({
    what: 'The leak test failed: the device is not tight.',
    instead:
      'Open it and lay the seal anew; or tell the owner, and give that as the reason. Nothing is claimed about water.',
  }),
  'screw too long': ({ f }) => ({
    what: `The screw of ${f.ids[1] ?? 'this hole'} was measured longer than the hole bears: it would reach what lies below.`,
    instead: 'Take one from the spares box that is not longer than is safe.',
  }),
  'substitute does not fit': ({ f }) => ({
    what: `This screw does not fit ${f.ids[0] ?? 'that hole'}: other thread, too long or too short, or its head is too wide.`,
    instead: 'Choose one of those that fit.',
  }),
  'forgotten on the old one': ({ n }) => ({
    what: `Still on the old part and due on the new one: ${n}.`,
    instead: 'Move it over, or say on the list what becomes of it.',
  }),
  'trouble open': ({ f }) => ({
    what: `Trouble that is not settled: ${list(f.ids)}.`,
    instead: 'Settle it under Trouble, with what was done.',
  }),
  'two accounts': () => ({
    what: 'Two benches say different things of the same thing.',
    instead: 'Look, and say how it really is.',
  }),
  'tested without the cell': () => ({
    what: 'The cell is off: nothing can be tested.',
    instead: 'Plug the cell in last, then test.',
  }),
  'place already taken': ({ n }) => ({
    what: `There is already a piece there: ${n}.`,
    instead: 'Say where that one is.',
  }),
  'piece is elsewhere': ({ n }) => ({
    what: `By the record, ${n} is somewhere else.`,
    instead: 'Check which one it is.',
  }),
  'device not closed': () => ({
    what: 'The device is not closed yet.',
    instead: 'Close it, then the outside screws.',
  }),
  'question open': () => ({
    what: 'A question about what happened is not answered.',
    instead: 'Answer it first.',
  }),
  'only a lead clears': ({ f }) => ({
    what: `Only an owner or lead clears “${list(f.ids)}”.`,
    instead: 'Ask one of them to look at the cell.',
  }),
  'before check open': ({ n }) => ({
    what: `No answer from before the work: ${n}.`,
    instead: 'Answer each one, if need be with “could not be tested”.',
  }),
  'device open': () => ({ what: 'The device is still open.', instead: 'Close it first.' }),
  'ledger does not balance': ({ n }) => ({
    what: `Not accounted for: ${n}.`,
    instead: 'Put each in its place or say where it is.',
  }),
  'after check open': ({ n }) => ({
    what: `The check after closing is open: ${n}.`,
    instead: 'Answer it on Checks.',
  }),
  'consent open': ({ f, index }) => ({
    what: `The owner has not agreed yet: ${list(f.ids.map((c) => consentName(index, c)))}.`,
    instead: 'Tell them at the counter and record it on Offer.',
  }),
  'harmless first': ({ f }) => ({
    what: `Not tried yet, though it opens nothing and could explain it: ${list(f.ids.map(testName))}.`,
    instead: 'Do it, decline it with a reason, or state what the fault is.',
  }),
  'no charging this cell': ({ f }) => ({
    what: `The device is marked ${list(f.ids)}: it must not be charged.`,
    instead: 'Leave the charger off; look at the cell first.',
  }),
  'data would be erased': () => ({
    what: 'This erases everything on the phone.',
    instead: 'Ask for the backup, and take the owner’s consent on Offer first.',
  }),
  'part locked': ({ f }) => ({
    what: `${list(f.ids)}: still locked to a former owner’s account.`,
    instead: 'Ask its supplier for proof of release; until then it is not used.',
  }),
  'part of another slot': ({ n }) => ({
    what: `Nothing is to be replaced there: ${n}.`,
    instead: 'Add the task first.',
  }),
  'identity data open': ({ n }) => ({
    what: `Identity data not settled: ${n}.`,
    instead: 'Write and verify it, or record that it is declined.',
  }),
  'enrolment not proved': ({ f }) => ({
    what: `Enrolled, and not proved yet: ${list(f.ids)}.`,
    instead: 'Lock it, unlock it twice, and once more after a knock on the table; each is noted on Checks.',
  }),
  'enrolment left': ({ f }) => ({
    what: `Made for testing and still on the phone: ${list(f.ids)}.`,
    instead: 'Remove it before the owner gets the phone.',
  }),
};
/** One interlock in plain words: what would happen, and what to do instead. */
export function findingText(index: IndexedModel, found: Found): Said {
  return texts[found.rule]({
    index,
    f: found,
    n: names(index, found.ids),
    wait: found.seconds ? ` ${found.seconds} s to go.` : '',
  });
}

/** What became of a refused command, in one sentence. */
export function refusalText(
  index: IndexedModel,
  r:
    | Refusal
    | { code: 'no such job' }
    | { code: 'another person' }
    | { code: 'used before' }
    | { code: 'no such part' }
    | { code: 'part taken' }
    | { code: 'not understood' },
): string {
  switch (r.code) {
    case 'interlock': {
      const said = findingText(index, r.findings[0]!);
      return `${said.what} ${said.instead}`;
    }
    case 'closed':
      return 'The job is closed: only notes and corrections can be added.';
    case 'reason missing':
      return 'Give the reason: it stays in the record.';
    case 'second person needed':
      return 'A trainee’s override is confirmed by a second person with their own password.';
    case 'not the latest':
      return 'Something else has happened since. Take back the latest first.';
    case 'somebody else’s':
      return 'The latest entry is somebody else’s: put it right with a correction.';
    case 'cannot be taken back':
      return `That cannot be taken back: ${finalText[r.why]}.`;
    case 'needs the server':
      return 'This needs the server.';
    case 'unknown thing':
      return `This model has no ${r.id}.`;
    case 'not opened':
      return 'This job has not been opened.';
    case 'no such job':
      return 'This workshop has no such job.';
    case 'no such part':
      return 'This part is no longer in the stock.';
    case 'part taken':
      return 'This part has just been chosen for another job. Choose another one.';
    case 'not understood':
      return 'The server does not understand this entry: it was made by another version of the app. It is kept here; load the page again.';
    case 'used before':
      return 'This entry carries the number of an entry of another job. It is kept here; load the page again and report it anew.';
    case 'another person':
      return 'That was kept by another person and is sent when they sign in.';
  }
}
const rimPartName: Record<RimPart, string> = {
  other: 'the rim of the cover',
  mesh: 'the ear mesh in its seat',
  dry: 'that all is dry',
};
