import type { Bond, Catch, Connector, DeviceModel, Fastener, Slot } from './schema';

/** A model with its things by id: what every question about a device starts from. */
export interface IndexedModel {
  model: DeviceModel;
  slots: ReadonlyMap<string, Slot>;
  fasteners: ReadonlyMap<string, Fastener>;
  connectors: ReadonlyMap<string, Connector>;
  bonds: ReadonlyMap<string, Bond>;
  catches: ReadonlyMap<string, Catch>;
  /** The cell's own connector: the one that carries power and joins a slot of kind `cell`; while no cell is known, that which carries power. */
  cellConnector: string | undefined;
  cellSlot: string | undefined;
  /** The slot whose moving opens the device: the display, or the back where the display is not on the route. */
  coverSlots: readonly string[];
}

const seen = new WeakMap<DeviceModel, IndexedModel>();
const byId = <T extends { id: string }>(list: T[]) => new Map(list.map((x) => [x.id, x]));

/** Indexes a model once; the same model object gives the same index. */
export function indexModel(model: DeviceModel): IndexedModel {
  const known = seen.get(model);
  if (known) return known;
  const slots = byId(model.slots);
  const hasCell = model.slots.some((s) => s.kind === 'cell');
  const joinsCell = (c: Connector) => c.joins.some((s) => slots.get(s)?.kind === 'cell');
  const index: IndexedModel = {
    model,
    slots,
    fasteners: byId(model.fasteners),
    connectors: byId(model.connectors),
    bonds: byId(model.bonds),
    catches: byId(model.catches),
    cellConnector: model.connectors.find((c) => c.carries === 'power' && (joinsCell(c) || !hasCell))?.id,
    cellSlot: model.slots.find((s) => s.kind === 'cell')?.id,
    coverSlots: model.slots.filter((s) => s.kind === 'display' || s.kind === 'back').map((s) => s.id),
  };
  seen.set(model, index);
  return index;
}
