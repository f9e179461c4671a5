import { readFileSync, writeSync } from 'node:fs';
import { main } from './snavek';

/** All of it, even into a pipe that is full for the moment. */
function write(fd: number, text: string): void {
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length; ) {
    try {
      at += writeSync(fd, bytes, at);
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== 'EAGAIN') throw e;
    }
  }
}
process.exitCode = main(
  process.argv.slice(2),
  (t) => write(1, t),
  (t) => write(2, t),
  () => readFileSync(0, 'utf8'),
  () => performance.now(),
);
