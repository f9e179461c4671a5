export const demoSignInWorksOn = 'Demo sign-in works on this machine only, with demo data.';
export const loginOrPasswordIsWrong = 'Login or password is wrong.';
export const tooManyAttemptsTryAgain = (ceil: number): string =>
  `Too many attempts. Try again in ${ceil} min.`;
export const everyScrewConnectorAndStep = 'Every screw, connector and step of the repair, computed and kept.';
export const theDatabaseCannotBeReached =
  'The database cannot be reached. Signing in works again when it is back.';
export const signIn = 'Sign in';
export const login = 'Login';
export const password = 'Password';
export const demoPeople = 'Demo people';
export const offeredOnThisMachineOnly = 'Offered on this machine only, with demo data.';
export const giveYourLogin = 'Give your login name.';
export const giveYourPassword = 'Give your password.';
export const atMostCharacters = (most: number): string => `At most ${most} characters.`;
