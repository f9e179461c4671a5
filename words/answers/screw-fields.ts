export const giveMillimetres = 'Give it in mm.';
export const giveThread = 'Give the thread, such as M1.2.';
