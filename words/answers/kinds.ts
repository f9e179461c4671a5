export const stopped = 'Stopped.';
