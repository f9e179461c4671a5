export const faultOpen = 'fault open';
export const recording = 'recording';
export const snavek = 'snavek';
export const main = 'Main';
export const openDevices = 'Open devices';
export const over = 'over';
export const more = 'more';
export const kept = (kept: number): string => `${kept} kept · `;
export const signOut = 'Sign out';
