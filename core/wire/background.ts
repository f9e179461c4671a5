/** What the server does by itself, beside what is asked of it. */
export const taskStates = ['waiting', 'running', 'done', 'failed', 'stopped'] as const;
export type TaskState = (typeof taskStates)[number];
export type TaskKind = 'backup' | 'erase' | 'export' | 'import';

/** One of them, as a page shows it. */
export interface TaskLine {
  id: string;
  kind: TaskKind;
  state: TaskState;
  /** 0 to 1. */
  progress: number;
  /** What came of it, or what it is at. */
  said: string;
  file: string | null;
  /** Milliseconds since 1970. */
  at: number;
}
