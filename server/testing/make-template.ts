import pg from 'pg';
import { asOwner, closeOrm, databaseUrl, migrate } from '../db/orm';
import { seedDemo, shipModels } from '../seed/seed';

/** With the shipped models and nothing else: server/testing/own-database.ts begins with a copy of it. */
const shippedOnly = 'snavek_shipped';

// A database with the shipped models and the demo workshop, for scripts/test-db.sh to begin with instead of making it anew.
await asOwner(migrate);
await shipModels();
// what is copied may have nobody connected to it
await closeOrm();
const elsewhere = new URL(databaseUrl());
elsewhere.pathname = '/snavek';
const client = new pg.Client({ connectionString: elsewhere.href });
await client.connect();
await client.query(`create database ${shippedOnly} template ${new URL(databaseUrl()).pathname.slice(1)}`);
await client.end();
await seedDemo(Date.now());
await closeOrm();
