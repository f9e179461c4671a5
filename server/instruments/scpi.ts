import { connect, type Socket } from 'node:net';

/**
 * One conversation with a bench instrument: lines of SCPI (SCPI-99, common commands of IEEE 488.2) over TCP. A query is
 * answered with one line; what went wrong is asked of the error queue.
 */
export class ScpiFault extends Error {
  /** `code` as the instrument gave it: negative by the standard, positive by its maker; 0 when the line itself failed. */
  constructor(
    readonly code: number,
    message: string,
  ) {
    super(message);
  }
}
const longestLine = 1_000_000;

export class Scpi {
  #socket: Socket;
  #text = '';
  #waiting: ((line: string) => void)[] = [];
  #failed: ((e: ScpiFault) => void)[] = [];
  #gone: ScpiFault | undefined;
  private constructor(
    socket: Socket,
    readonly timeoutMs: number,
  ) {
    this.#socket = socket;
    socket.setEncoding('utf8');
    socket.on('data', (d: string) => {
      this.#text += d;
      if (this.#text.length > longestLine) {
        this.#lose('the answer has no end');
        return;
      }
      for (let i = this.#text.indexOf('\n'); i >= 0; i = this.#text.indexOf('\n')) {
        const line = this.#text.slice(0, i).replace(/\r$/, '');
        this.#text = this.#text.slice(i + 1);
        this.#failed.shift();
        this.#waiting.shift()?.(line);
      }
    });
    socket.on('error', (e) => this.#lose(e.message));
    socket.on('close', () => this.#lose('the instrument has gone'));
  }
  #lose(why: string): void {
    this.#gone ??= new ScpiFault(0, why);
    for (const f of this.#failed.splice(0)) f(this.#gone);
    this.#waiting = [];
    this.#socket.destroy();
  }
  /** @throws ScpiFault with code 0 when nobody answers there */
  static open(host: string, port: number, timeoutMs = 4000): Promise<Scpi> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port, timeout: timeoutMs });
      const fail = (why: string) => {
        socket.destroy();
        reject(new ScpiFault(0, why));
      };
      socket.once('error', (e) => fail(e.message));
      socket.once('timeout', () => fail('no answer'));
      socket.once('connect', () => {
        socket.removeAllListeners();
        socket.setTimeout(0);
        resolve(new Scpi(socket, timeoutMs));
      });
    });
  }
  /** Sends a query and waits for its line. */
  ask(query: string): Promise<string> {
    return new Promise((resolve, reject) => {
      if (this.#gone) {
        reject(this.#gone);
        return;
      }
      const timer = setTimeout(() => this.#lose('no answer'), this.timeoutMs);
      this.#waiting.push((line) => {
        clearTimeout(timer);
        resolve(line);
      });
      this.#failed.push((scpiFault) => {
        clearTimeout(timer);
        reject(scpiFault);
      });
      this.#socket.write(`${query}\n`);
    });
  }
  /** Sends a command, waits until it is done, and throws what the error queue holds. */
  async tell(command: string): Promise<void> {
    await this.ask(`${command};*OPC?`);
    await this.check();
  }
  /** @throws ScpiFault with the oldest entry of the error queue, if there is one */
  async check(): Promise<void> {
    const [code, ...text] = (await this.ask('SYST:ERR?')).split(',');
    if (Number(code) !== 0) throw new ScpiFault(Number(code), text.join(',').replaceAll('"', ''));
  }
  close(): void {
    this.#gone ??= new ScpiFault(0, 'closed');
    this.#socket.end();
  }
}
/** A text as a SCPI string parameter. */
export const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;
