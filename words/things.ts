import type { IndexedModel } from '../core/model/index-model';
import { generalItems, generalStations, generalTools } from '../core/methods/catalogue';
import type { Face, FunctionId } from '../core/vocabulary/trade';
import { functionName } from './functions';
import { left } from './time';

/** One answer of a check in words; the parts notice is compared with what the owner was told. */
export const resultOf = (fn: string, result: keyof typeof resultName): string =>
  fn === 'notice' && result === 'works'
    ? 'as told'
    : fn === 'notice' && result === 'fails'
      ? 'not as told'
      : resultName[result];
export const resultName = {
  works: 'works',
  fails: 'does not',
  untested: 'could not be tested',
  same: 'same as before, accepted',
} as const;

/** The trade's name of anything in a model: `cell bracket`, `screw C3`, `cell connector`. */
export function thingName(index: IndexedModel, id: string): string {
  const slot = index.slots.get(id);
  if (slot) return slot.name;
  const fastener = index.fasteners.get(id);
  if (fastener) return `${fastener.kind} ${id}`;
  const connector = index.connectors.get(id);
  if (connector) return `${connector.name} connector`;
  return index.bonds.get(id)?.name ?? index.catches.get(id)?.name ?? functionName[id as FunctionId] ?? id;
}
/** The name of a tool, a station or an item: the model's own, else the catalogue's. */
export const toolName = (index: IndexedModel, id: string) =>
  (index.model.tools.find((x) => x.id === id) ?? generalTools.find((x) => x.id === id))?.name ?? id;
export const stationName = (index: IndexedModel, id: string) =>
  (index.model.stations.find((x) => x.id === id) ?? generalStations.find((x) => x.id === id))?.name ?? id;
/** `2 ml isopropyl alcohol`. */
export function itemAmount(index: IndexedModel, used: { item: string; quantity: number }): string {
  const i = index.model.items.find((x) => x.id === used.item) ?? generalItems.find((x) => x.id === used.item);
  return `${used.quantity} ${i && i.unit !== 'piece' ? `${i.unit} ` : ''}${i?.name ?? used.item}`;
}
/** A piece by what it is: `screw C3`, `new cell`, `old cell`. */
export function pieceName(index: IndexedModel, piece: string, replaced: readonly string[] = []): string {
  const [holder, n] = [
    piece.slice(0, piece.lastIndexOf('#')),
    Number(piece.slice(piece.lastIndexOf('#') + 1)),
  ];
  const name = thingName(index, holder);
  return n > 1 ? `new ${name}` : replaced.includes(holder) ? `old ${name}` : name;
}
export const list = (words: readonly string[], most = 4): string => {
  const shown = words.slice(0, most);
  const rest = words.length - shown.length;
  if (rest > 0) return `${shown.join(', ')} and ${rest} more`;
  return shown.length > 1 ? `${shown.slice(0, -1).join(', ')} and ${shown.at(-1)}` : (shown[0] ?? '');
};
export const driveName: Record<string, string> = {
  P2: 'five-lobe P2',
  P5: 'five-lobe P5',
  Y000: 'Y-tip Y000',
  PH000: 'cross PH000',
  PH00: 'cross PH00',
  standoff: 'standoff bit',
  hex: 'hex',
  slot: 'slotted',
};
/** What runs by itself, in a word. */
const runningName: Record<string, string> = {
  'take it off': 'take it off',
  heat: 'heat',
  'open by': 'open within',
  solvent: 'alcohol',
  press: 'press',
  cure: 'glue',
  'leak test': 'leak test',
};
/** What runs on a device and how long still, or that it is over, with what to do then where that is not plain. */
export function runningText(running: { what: string; until: number; offBy?: number }, time: number): string {
  const name = runningName[running.what] ?? running.what;
  if (running.what === 'take it off') return 'take it off now';
  if (running.offBy !== undefined && running.until <= time)
    return time < running.offBy ? `off in ${left((running.offBy - time) / 1000)}` : 'take it off now';
  if (running.until > time) return `${name} ${left((running.until - time) / 1000)}`;
  return running.what === 'open by' ? 'cooled: warm it again' : `${name} over`;
}
/** What is told aloud and in a notification when it is over. */
export const runningOver = (running: { what: string }): string =>
  running.what === 'take it off'
    ? 'take it off now'
    : running.what === 'open by'
      ? 'it has cooled: warm it again'
      : `${runningName[running.what] ?? running.what} is over`;
export const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;
/** Where a piece is, read after its name: `is on the mat`. */
export function placeText(place: string): string {
  const [where, what] = [place.split('/')[0], place.split('/')[1] ?? ''];
  return (
    {
      hole: `is in ${what}`,
      slot: 'is in its place',
      mat: 'is on the mat',
      mixed: 'lies mixed up',
      tray: 'is in the tray',
      adrift: 'is adrift',
      aside: `is put aside: ${what}`,
    }[where as 'hole'] ?? place
  );
}
/** With a capital, as a sentence or a heading begins. */
export const cap = (s: string) => (s ? s[0]!.toUpperCase() + s.slice(1) : s);

/** Which side is shown. */
export const faceText = (face: Face): string => (face === 'back' ? 'back side up' : 'display side up');

/** A model that is there to learn with. */
export const practiceName = (model: string): string => `${model} (practice)`;

/** A kind as people write it: `ear speaker` of `ear-speaker`. */
export const kindName = (kind: string): string => kind.replaceAll('-', ' ');

/** What a held act is about: its targets are `thing:start` and `thing:end`. */
export const thingOf = (target: string): string => target.split(':')[0]!;
