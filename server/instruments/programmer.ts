import type { ProgrammerFault } from '../../core/wire/identity';
import { crc32 } from 'node:zlib';
import { quoted, Scpi, ScpiFault } from './scpi';
import { startProgrammer } from './programmer-simulator';
import { type Asker, instrumentAt } from './instrument-at';
import type { ModuleAnswer, PartFault } from '../../core/wire/identity';

/** A part as it lies in the programmer's adapter. Only the stand-in is told; a real one sees for itself. */
export interface Seated {
  model: string;
  slot: string;
  serial: string;
  fault: PartFault;
}
export type Read =
  | { ok: true; hex: string; serial: string; programmer: string }
  | { ok: false; fault: ProgrammerFault; said: string };
export type Written =
  | { ok: true; hex: string }
  | { ok: false; fault: ProgrammerFault; said: string; begun: boolean };

const faultOf = (e: unknown): { fault: ProgrammerFault; said: string } => {
  if (!(e instanceof ScpiFault)) throw e;
  return {
    fault:
      e.code === 0
        ? 'no programmer'
        : e.code === 204
          ? 'no adapter'
          : e.code === 203 || e.code === 201
            ? 'unreadable'
            : e.code === 205
              ? 'checksum'
              : 'unreadable',
    said: e.message,
  };
};
const strings = (line: string) => [...line.matchAll(/"((?:[^"]|"")*)"/g)].map((m) => m[1]!);

/** Opens the programmer, seats the part, and sees that it is the one that is meant. */
async function withPart<T>(
  asker: Asker,
  part: Seated,
  work: (scpi: Scpi, serial: string, idn: string) => Promise<T>,
): Promise<T | { ok: false; fault: ProgrammerFault; said: string }> {
  let scpi: Scpi | undefined;
  try {
    const at = await instrumentAt(asker, 'programmer', startProgrammer);
    scpi = await Scpi.open(at.host, at.port);
    const idn = await scpi.ask('*IDN?');
    await scpi.tell('*RST');
    await scpi.ask('*CLS;*OPC?');
    await scpi.tell(`ADAP:SEL ${quoted(part.model)}`);
    if (at.simulated)
      await scpi.tell(`SIM:SEAT ${[part.model, part.slot, part.serial, part.fault].map(quoted).join(',')}`);
    const says = await scpi.ask('PART:MOD?');
    await scpi.check();
    const [model, slot, serial = ''] = strings(says);
    if (model !== part.model || slot !== part.slot)
      return { ok: false, fault: 'wrong model', said: `${model}, ${slot}` };
    return await work(scpi, serial, idn);
  } catch (e) {
    return { ok: false, ...faultOf(e) };
  } finally {
    scpi?.close();
  }
}
async function readHere(scpi: Scpi): Promise<{ hex: string; good: boolean }> {
  const line = await scpi.ask('DATA:READ?');
  await scpi.check();
  const hex = strings(line)[0] ?? '';
  return { hex, good: hex !== '' && crc32(Buffer.from(hex, 'hex')) === Number(line.split(',').at(-1)) };
}

/** Tests a module part by part. */
export function testModule(asker: Asker, part: Seated): Promise<ModuleAnswer> {
  return withPart(asker, part, async (scpi): Promise<ModuleAnswer> => {
    const line = await scpi.ask('MOD:TEST?');
    await scpi.check();
    const answers = line.split(',');
    const fails = strings(line).filter((_, k) => answers[2 * k + 1]?.trim() === '0');
    return { ok: true, fails };
  });
}
/** Reads a part's identity data; what its checksum does not cover is not taken. */
export function readPart(asker: Asker, part: Seated): Promise<Read> {
  return withPart(asker, part, async (scpi, serial, programmer): Promise<Read> => {
    const { hex, good } = await readHere(scpi);
    return good ? { ok: true, hex, serial, programmer } : { ok: false, fault: 'checksum', said: 'checksum' };
  });
}
/** Writes identity data to a part, reads them back and compares. `begun`: the part may hold half of it. */
export async function writePart(asker: Asker, part: Seated, hex: string): Promise<Written> {
  let begun = false;
  const done = await withPart(asker, part, async (scpi): Promise<Written> => {
    begun = true;
    try {
      await scpi.tell(`DATA:WRIT ${quoted(hex)},${crc32(Buffer.from(hex, 'hex'))}`);
    } catch (e) {
      const f = faultOf(e);
      return {
        ok: false,
        begun,
        ...(f.fault === 'no programmer' ? { fault: 'power lost' as const, said: f.said } : f),
      };
    }
    const back = await readHere(scpi);
    return back.hex === hex
      ? { ok: true, hex }
      : { ok: false, begun, fault: 'differs', said: 'read back differs' };
  });
  return 'begun' in done || done.ok ? done : { ...done, begun };
}
