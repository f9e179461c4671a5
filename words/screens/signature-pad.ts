export const signAgain = 'Sign again';
export const signatureGiven = 'Signature, given';
export const signatureEmpty = 'Signature, empty';
