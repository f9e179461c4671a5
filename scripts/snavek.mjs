// node scripts/snavek.mjs VERB [FILE]: the command line, built anew when its sources are newer.
import { pathToFileURL } from 'node:url';
import { tools } from './tools.mjs';
await import(pathToFileURL(tools()).href);
