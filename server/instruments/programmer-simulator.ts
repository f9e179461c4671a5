import { partFaults, type PartFault } from '../../core/wire/identity';
import { createHash } from 'node:crypto';
import { crc32 } from 'node:zlib';
import { serveScpi, StandIn } from './scpi-server';
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

/** What a face module is made of. */
const moduleParts = ['infrared camera', 'dot projector', 'flood light', 'memory'];
/** What parts hold, by serial: shared by all conversations, as the parts are. */
const memory = new Map<string, string>();

/** One conversation with the programmer: the part in it, and the adapter chosen. */
class Programmer extends StandIn {
  protected readonly name = 'PART PROGRAMMER';
  #seat: Seat | undefined;
  #adapter = '';

  protected reset(): void {
    this.#seat = undefined;
    this.#adapter = '';
  }
  protected answer(head: string, args: readonly string[]): string | undefined {
    switch (head) {
      case 'ADAP:CAT?':
        return adapters.map((a) => `"${a}"`).join(',');
      case 'ADAP:SEL':
        if (!adapters.includes(args[0] ?? '')) return this.fail(204, 'No such adapter');
        this.#adapter = args[0]!;
        return '';
      // what a hand does: puts a part in the adapter, sound or not
      case 'SIM:SEAT':
        this.#seat = seatOf(args);
        return '';
      case 'PART:MOD?':
        return this.#withPart(
          (s) => `"${s.fault === 'wrong model' ? 'another model' : s.model}","${s.slot}","${s.serial}"`,
        );
      // parts of a module and whether they answer
      case 'MOD:TEST?':
        return this.#withPart((s) =>
          moduleParts
            .map((part) => `"${part}",${s.fault === 'module' && part === 'dot projector' ? 0 : 1}`)
            .join(','),
        );
      case 'DATA:READ?':
        return this.#withPart(
          (s) => `"${held(s)}",${(crcOf(held(s)) ^ (s.fault === 'checksum' ? 1 : 0)) >>> 0}`,
        );
      case 'DATA:WRIT':
      case 'DATA:WRITE':
        return this.#withPart((s) => this.#write(s, args));
      default:
        return this.fail(-113, 'Undefined header');
    }
  }
  #withPart(answer: (seat: Seat) => string | undefined): string | undefined {
    if (!this.#seat) return this.fail(201, 'No part in the adapter');
    if (!this.#adapter) return this.fail(202, 'No adapter selected');
    if (this.#seat.fault === 'unreadable') return this.fail(203, 'Part does not answer');
    return answer(this.#seat);
  }
  #write(seat: Seat, [hex = '', crc]: readonly string[]): string | undefined {
    if (!/^([0-9a-f]{2})+$/.test(hex) || hex.length !== dataBytes * 2)
      return this.fail(-104, 'Data type error');
    if (Number(crc) !== crcOf(hex)) return this.fail(205, 'Checksum of what was sent is wrong');
    // half of it is in the part when the power goes
    if (seat.fault === 'power') {
      memory.set(seat.serial, hex.slice(0, dataBytes) + dataOf(seat.serial).slice(dataBytes));
      return undefined;
    }
    // another first byte, whatever it was
    const wrong = `${hex.startsWith('00') ? 'ff' : '00'}${hex.slice(2)}`;
    memory.set(seat.serial, seat.fault === 'checksum' ? wrong : hex);
    return '';
  }
}
const held = (s: Seat) => memory.get(s.serial) ?? dataOf(s.serial);
const seatOf = ([model = '', slot = '', serial = '', fault = '']: readonly string[]): Seat => ({
  model,
  slot,
  serial,
  fault: (partFaults as readonly string[]).includes(fault) ? (fault as PartFault) : 'none',
});

/** Starts the stand-in on loopback. @returns the port, and how to end it */
export const startProgrammer = (port = 0): Promise<{ port: number; stop: () => Promise<void> }> =>
  serveScpi(() => new Programmer(), port);
