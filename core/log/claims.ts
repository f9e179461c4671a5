import type { IndexedModel } from '../model/index-model';
import type { Body } from './events';
import type { TableName } from './state';
import { holderOf } from '../vocabulary/pieces';

/**
 * What an event says of one thing: of a piece where it lies, of a plug, a bond or a slot how it stands. Two benches that
 * say different things without having heard of each other cannot both be right: their claims stand side by side until a
 * person who has looked names the truth.
 */
export function claimOf(body: Body): { about: string; value: string } | undefined {
  switch (body.type) {
    case 'screwOut':
      return { about: `piece ${body.piece}`, value: `mat/${body.fastener}` };
    case 'screwIn':
      return { about: `piece ${body.piece}`, value: `hole/${body.fastener}` };
    case 'lost':
      return { about: `piece ${body.piece}`, value: 'adrift' };
    case 'found':
      return {
        about: `piece ${body.piece}`,
        value: body.tray ? 'tray' : `mat/${body.piece.slice(0, body.piece.lastIndexOf('#'))}`,
      };
    case 'connectorOff':
      return { about: `connector ${body.connector}`, value: 'off' };
    case 'connectorOn':
      return { about: `connector ${body.connector}`, value: 'on' };
    case 'bondReleased':
      return { about: `bond ${body.bond}`, value: body.torn ? 'torn' : 'released' };
    case 'bondRenewed':
      return { about: `bond ${body.bond}`, value: 'renewed' };
    case 'catchFreed':
      return { about: `catch ${body.catch}`, value: 'free' };
    case 'catchHooked':
      return { about: `catch ${body.catch}`, value: 'hooked' };
    case 'pieceSetAside':
      return { about: `piece ${body.piece}`, value: `aside/${body.to}` };
    case 'truthNamed':
      return { about: body.about, value: body.value };
    default:
      return undefined;
  }
}
/** How a thing could stand besides what was claimed: two benches may both be wrong. A plug or a hook has only two ways. */
export function otherTruths(index: IndexedModel, about: string, claimed: readonly string[]): string[] {
  const [kind, id] = [about.slice(0, about.indexOf(' ')), about.slice(about.indexOf(' ') + 1)];
  const all =
    kind === 'bond'
      ? ['released', 'torn', 'renewed']
      : kind === 'piece' && index.fasteners.has(holderOf(id))
        ? [`hole/${holderOf(id)}`, `mat/${holderOf(id)}`, 'adrift']
        : [];
  return all.filter((v) => !claimed.includes(v));
}
const tableOf: Record<string, TableName> = {
  piece: 'place',
  connector: 'connector',
  bond: 'bond',
  catch: 'catch',
};

/** Writes the truth that a person named about a thing. An unknown kind of thing writes nothing. */
export function putTruth(
  set: (table: TableName, key: string, value: string) => void,
  about: string,
  value: string,
): void {
  const space = about.indexOf(' ');
  const table = tableOf[about.slice(0, space)];
  if (table) set(table, about.slice(space + 1), value);
}
