import type { Instrument } from '../../core/wire/instruments';
import type { Who } from '../../core/wire/who';
import { Scpi, ScpiFault } from './scpi';

/** Whose instruments are asked for. */
export type Asker = Pick<Who, 'demo' | 'settings'>;

/** The variable of the environment that names an instrument for the whole installation, as host:port. */
const variable = (instrument: Instrument): string =>
  `SNAVEK_${instrument.toUpperCase().replaceAll('-', '_')}`;
const addressOf = ({ settings }: Asker, instrument: Instrument): string | undefined =>
  settings.instruments?.[instrument] ?? process.env[variable(instrument)];

/** Whether a stand-in takes an instrument's place: in the demo alone, and only where no address is set. */
export const isStandIn = (asker: Asker, instrument: Instrument): boolean =>
  asker.demo && addressOf(asker, instrument) === undefined;

const standIns = new Map<Instrument, Promise<{ port: number }>>();
/**
 * Where an instrument listens. A workshop of one's own has none before somebody sets it up: what a stand-in would say there
 * would be taken for a reading.
 * @throws ScpiFault with code 0 where there is none
 */
export async function instrumentAt(
  asker: Asker,
  instrument: Instrument,
  standIn: () => Promise<{ port: number }>,
): Promise<{ host: string; port: number; simulated: boolean }> {
  const given = addressOf(asker, instrument);
  if (given) {
    const [host, port] = given.split(':');
    return { host: host!, port: Number(port), simulated: false };
  }
  if (!asker.demo) throw new ScpiFault(0, 'not set up: Workshop, Instruments');
  const begun = standIns.get(instrument) ?? standIn();
  standIns.set(instrument, begun);
  return { host: '127.0.0.1', port: (await begun).port, simulated: true };
}

/** Asks whatever listens at an address for its name (IEEE 488.2, `*IDN?`). @throws ScpiFault where nothing answers */
export async function nameAt(address: string): Promise<string> {
  const [host, port] = address.split(':');
  const scpi = await Scpi.open(host!, Number(port), 3000);
  try {
    return (await scpi.ask('*IDN?'))
      .replaceAll(/[^\x20-\x7e]/g, ' ')
      .trim()
      .slice(0, 120);
  } finally {
    scpi.close();
  }
}
