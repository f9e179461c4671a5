/** What PostgreSQL says where a role may not end a session (appendix A of its manual). */
const mayNot = '42501';

/**
 * Drops a database whatever is still connected to it. By force PostgreSQL ends all sessions in it; where the autovacuum is
 * at it, which is the superuser's, it refuses that to any other role: without force it ends the autovacuum by itself.
 * @param run runs one statement, outside of any transaction, in another database
 */
export async function dropDatabase(run: (sql: string) => Promise<unknown>, name: string): Promise<void> {
  try {
    await run(`drop database ${name} with (force)`);
  } catch (e) {
    if ((e as { code?: string }).code !== mayNot) throw e;
    await run(`drop database ${name}`);
  }
}
