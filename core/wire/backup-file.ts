/** A backup that lies beside the data. */
export interface BackupFile {
  name: string;
  bytes: number;
  /** Milliseconds since 1970. */
  madeAt: number;
}
