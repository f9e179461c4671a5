import { bare, type JobState, type TableName, type Tables, type Undo } from './state';

/** Where an event writes: copies a table before its first change, or writes in place when folding a whole log. */
export class Writer {
  readonly undo: Undo[] = [];
  #copied: Set<TableName> | undefined;
  constructor(
    readonly state: JobState,
    copy: boolean,
  ) {
    this.#copied = copy ? new Set() : undefined;
  }
  set<T extends TableName>(table: T, key: string, value: Tables[T][string] | undefined): void {
    const before = this.state[table][key];
    if (before === value) return;
    this.undo.push(before === undefined ? [table, key] : [table, key, before as object]);
    this.write(table, key, value);
  }
  write(table: TableName, key: string, value: unknown): void {
    if (this.#copied && !this.#copied.has(table)) {
      (this.state as unknown as Record<string, unknown>)[table] = bare(this.state[table] as object);
      this.#copied.add(table);
    }
    const record = this.state[table] as Record<string, unknown>;
    if (value === undefined) delete record[key];
    else record[key] = value;
  }
}
