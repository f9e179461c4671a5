import type { TaskKind } from '../../core/wire/background';

/** What waits in the queue: which task of which workshop. */
export interface Waiting {
  shop: string;
  id: string;
  kind: TaskKind;
}
/** What a task comes to: what it says of itself, and the name of a file. */
export interface Done {
  said: string;
  file?: string;
}
/** Thrown by a task whose end was asked for: what it had begun it has taken back, or done to the end of one piece. */
export class Stopped extends Error {}
