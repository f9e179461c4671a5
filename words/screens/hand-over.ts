export const seenTo = 'Looked at in the hand';
export const allTheSame = (button: string): string => `${button} all the same`;
export const thingIs = 'thing is';
export const thingsAre = 'things are';
export const stillDue = (count: number, text: string): string => `${count} ${text} still due`;
export const readyToHandOver = 'Ready to hand over';
export const howTheJobEnds = 'How the job ends';
export const noteForTheReport = 'Note for the report';
export const giveTheReasonInThe = 'Give the reason in the note: it stays in the record.';
export const theLedgerBalancesChecksAre = 'The ledger balances, checks are passed, nothing is open.';
export const whatTheOwnerWasTold = 'What the owner was told';
export const nothingChangesForTheOwner = 'Nothing changes for the owner.';
export const ownerAgrees = 'Owner agrees';
export const identityDataOfThe = (thingName: string, text: string): string =>
  `Identity data of the ${thingName}: ${text}`;
export const ownerAcceptsTheNotice = 'owner accepts the notice';
export const declined = 'Declined';
export const theRecordIsCompletePasscode =
  'The record is complete. Passcode and session data of this job are gone; the log stays.';
export const report = 'Report';
export const reportAsPdf = 'Report as PDF';
export const logAsJson = 'Log as JSON';
export const agreed = (how: string): string => `agreed: ${how}`;
export const closedAs = (ending: string): string => `Closed: ${ending}`;
export const heldOfOwner = 'What is held of the owner';
export const heldOf = (name: string): string =>
  `The name ${name}, signatures and photographs. In the file is every job that carries this name.`;
export const heldOfNobody = 'No name. What the log says of the device stays.';
export const heldAsFile = 'All of it as a file';
export const eraseIt = 'Erase it…';
export const eraseAsk = 'Erase what is known of the owner?';
export const eraseGoes =
  'Name, signatures and photographs of this job are gone for good; from backups they go as those are thrown away.';
export const eraseStays =
  'The log stays: what was done to the device, by whom, and the words of the complaint. Look whether a name stands in those.';
export const eraseForGood = 'Erase for good';
export const keepIt = 'Keep it';
