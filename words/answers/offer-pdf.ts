export const offerAndAgreement = (number: number): string => `Offer and agreement, job ${number}`;
export const toBeDone = 'What is to be done';
export const actOnPart = (act: string, part: string): string => `${act} the ${part}.`;
export const nothingChosen = 'Nothing has been chosen yet.';
export const priceSpread = (from: string, to: string, median: string): string =>
  `Eight of ten such repairs cost ${from} to ${to}; half of them up to ${median}.`;
export const priceLimit = (limit: string): string => `Not above ${limit} without asking.`;
export const advice = (advised: string): string => `Our advice: ${advised}.`;
export const noPrice = 'No price has been recorded yet.';
export const promisedFor = (at: string, as: string | undefined): string =>
  `Promised for ${at}${as ? ` (${as})` : ''}.`;
export const agreedTo = 'What you should know, and have agreed to';
export const priceAgreed = (from: string, to: string): string => `The price: ${from} to ${to}.`;
export const nothingBeside = (price: string): string => `Nothing beside: ${price} as above.`;
export const signatureOf = (name: string): string => `Signature of ${name}`;
