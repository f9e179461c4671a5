import { createServer, type Server } from 'node:net';

/** What one line to an instrument has said so far. */
export interface Conversation {
  /** One command or query. @returns its answer, `` for none, undefined when the line goes dead */
  say(text: string): string | undefined;
}
/** The commands that every instrument of a stand-in knows (IEEE 488.2, SCPI-99), and its queue of errors. */
export abstract class StandIn implements Conversation {
  #errors: [number, string][] = [];
  protected abstract readonly name: string;
  protected abstract reset(): void;
  /** What this instrument knows beside them. */
  protected abstract answer(head: string, args: readonly string[]): string | undefined;

  say(text: string): string | undefined {
    const [, head, rest] = /^(\S+)\s*(.*)$/.exec(text.trim()) ?? [];
    if (!head) return '';
    const args =
      (rest ?? '')
        .match(/"(?:[^"]|"")*"|[^,\s]+/g)
        ?.map((a) => a.replace(/^"|"$/g, '').replaceAll('""', '"')) ?? [];
    switch (head.toUpperCase()) {
      case '*IDN?':
        return `SIMULATED,${this.name},0,1`;
      case '*RST':
        this.reset();
        return '';
      case '*CLS':
        this.#errors = [];
        return '';
      case '*OPC?':
        return '1';
      case 'SYST:ERR?':
      case 'SYSTEM:ERROR?': {
        const e = this.#errors.shift();
        return e ? `${e[0]},"${e[1]}"` : '0,"No error"';
      }
      default:
        return this.answer(head.toUpperCase(), args);
    }
  }
  protected fail(code: number, text: string): '' {
    this.#errors.push([code, text]);
    return '';
  }
}

/** Starts a stand-in on loopback. @returns the port, and how to end it */
export async function serveScpi(
  begin: () => Conversation,
  port = 0,
): Promise<{ port: number; stop: () => Promise<void> }> {
  const server: Server = createServer((socket) => {
    const conversation = begin();
    let text = '';
    socket.setEncoding('utf8');
    socket.on('error', () => socket.destroy());
    socket.on('data', (d: string) => {
      text += d;
      for (let i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n')) {
        const line = text.slice(0, i);
        text = text.slice(i + 1);
        const answers: string[] = [];
        for (const part of line.split(';')) {
          const a = conversation.say(part);
          if (a === undefined) {
            socket.destroy();
            return;
          }
          if (part.includes('?')) answers.push(a);
        }
        if (answers.length) socket.write(`${answers.join(';')}\n`);
      }
    });
  });
  await new Promise<void>((r) => server.listen(port, '127.0.0.1', r));
  server.unref();
  return {
    port: (server.address() as { port: number }).port,
    stop: () =>
      new Promise((r) => {
        server.close(() => r());
      }),
  };
}
