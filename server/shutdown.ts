import { setMaxListeners } from 'node:events';

const g = globalThis as { __stop?: AbortController };
/** Aborted when the process is asked to end: event streams close first, they would hold the server open for ever. */
export const stopping = (g.__stop ??= new AbortController());
// one listener for each open stream
setMaxListeners(0, stopping.signal);
