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
