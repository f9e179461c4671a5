import { existsSync } from 'node:fs';
import type pg from 'pg';

/** A program of PostgreSQL's of the server's own version, where Debian's packages put it; else the one on the path. */
export async function programOf(client: pg.Client, name: 'pg_dump' | 'pg_restore'): Promise<string> {
  const { rows } = await client.query<{ server_version_num: string }>('show server_version_num');
  const major = Math.floor(Number(rows[0]!.server_version_num) / 10_000);
  const own = `/usr/lib/postgresql/${major}/bin/${name}`;
  return existsSync(own) ? own : name;
}
