import { partFaults, type PartFault } from '../../core/wire/identity';
import { createHash } from 'node:crypto';
import { createServer, type Server } from 'node:net';
import { crc32 } from 'node:zlib';
/** Identity data of a part: 64 bytes, as hex. */
const dataBytes = 64;
const dataOf = (serial: string) => createHash('sha512').update(`identity ${serial}`).digest('hex');
const crcOf = (hex: string) => crc32(Buffer.from(hex, 'hex'));

interface Seat {
  model: string;
  slot: string;
  serial: string;
  fault: PartFault;
}
/** Models it has adapters for; neighbouring generations share one. */
const adapters = ['mica-9', 'mica-9-wide', 'mica-4', 'dune-2', 'dune-3', 'atlas'];

/** What parts hold, by serial: shared by all conversations, as the parts are. */
const memory = new Map<string, string>();

function conversation() {
  const errors: [number, string][] = [];
  let seat: Seat | undefined;
  let adapter = '';
  const fail = (code: number, text: string): '' => {
    errors.push([code, text]);
    return '';
  };
  const need = (): Seat | undefined => {
    if (!seat) {
      fail(201, 'No part in the adapter');
      return undefined;
    }
    if (!adapter) {
      fail(202, 'No adapter selected');
      return undefined;
    }
    if (seat.fault === 'unreadable') {
      fail(203, 'Part does not answer');
      return undefined;
    }
    return seat;
  };
  const held = (s: Seat) => memory.get(s.serial) ?? dataOf(s.serial);
  /** One command or query. @returns its answer, `` for none, undefined when the line goes dead */
  return (text: string): string | undefined => {
    const [, head, rest] = /^(\S+)\s*(.*)$/.exec(text.trim()) ?? [];
    const args =
      (rest ?? '')
        .match(/"(?:[^"]|"")*"|[^,\s]+/g)
        ?.map((a) => a.replace(/^"|"$/g, '').replaceAll('""', '"')) ?? [];
    if (!head) return '';
    switch (head.toUpperCase()) {
      case '*IDN?':
        return 'SIMULATED,PART PROGRAMMER,0,1';
      case '*RST':
        seat = undefined;
        adapter = '';
        return '';
      case '*CLS':
        errors.length = 0;
        return '';
      case '*OPC?':
        return '1';
      case 'SYST:ERR?':
      case 'SYSTEM:ERROR?': {
        const e = errors.shift();
        return e ? `${e[0]},"${e[1]}"` : '0,"No error"';
      }
      case 'ADAP:CAT?':
        return adapters.map((a) => `"${a}"`).join(',');
      case 'ADAP:SEL':
        if (!adapters.includes(args[0] ?? '')) return fail(204, 'No such adapter');
        adapter = args[0]!;
        return '';
      // what a hand does: puts a part in the adapter, sound or not
      case 'SIM:SEAT':
        seat = {
          model: args[0] ?? '',
          slot: args[1] ?? '',
          serial: args[2] ?? '',
          fault: (partFaults as readonly string[]).includes(args[3] ?? '') ? (args[3] as PartFault) : 'none',
        };
        return '';
      case 'PART:MOD?': {
        const s = need();
        return s
          ? `"${s.fault === 'wrong model' ? 'another model' : s.model}","${s.slot}","${s.serial}"`
          : '';
      }
      case 'DATA:READ?': {
        const s = need();
        return s ? `"${held(s)}",${(crcOf(held(s)) ^ (s.fault === 'checksum' ? 1 : 0)) >>> 0}` : '';
      }
      case 'DATA:WRIT':
      case 'DATA:WRITE': {
        const s = need();
        if (!s) return '';
        const [hex = '', crc] = args;
        if (!/^([0-9a-f]{2})+$/.test(hex) || hex.length !== dataBytes * 2)
          return fail(-104, 'Data type error');
        if (Number(crc) !== crcOf(hex)) return fail(205, 'Checksum of what was sent is wrong');
        // half of it is in the part when the power goes
        if (s.fault === 'power') {
          memory.set(s.serial, hex.slice(0, dataBytes) + dataOf(s.serial).slice(dataBytes));
          return undefined;
        }
        // another first byte, whatever it was
        memory.set(
          s.serial,
          s.fault === 'checksum' ? `${hex.startsWith('00') ? 'ff' : '00'}${hex.slice(2)}` : hex,
        );
        return '';
      }
      default:
        return fail(-113, 'Undefined header');
    }
  };
}

/** Starts the stand-in on loopback. @returns the port, and how to end it */
export async function startProgrammer(port = 0): Promise<{ port: number; stop: () => Promise<void> }> {
  const server: Server = createServer((socket) => {
    const say = conversation();
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
          const a = say(part);
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
