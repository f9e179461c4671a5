import { generalItems, generalStations, generalTools } from '../methods/catalogue';
import { methodRows } from '../methods/methods';
import { functionsOf } from './functions-of';
import { type IndexedModel, indexModel } from './index-model';
import { type Chip, type DeviceModel, deviceModelSchema } from './schema';
import { padsOf } from '../rework/pads';
import { ofVariant } from './variant';

export interface ModelProblem {
  /** The field, as in `slots[3].ways[0].needs[1].slot`. */
  path: string;
  text: string;
}
export type CheckedModel =
  | { ok: true; model: DeviceModel; problems: [] }
  | { ok: false; problems: ModelProblem[] };

/** Writes a path the way a person reads it: `jobs[1].operations[3].duration`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.map((p, i) => (typeof p === 'number' ? `[${p}]` : `${i ? '.' : ''}${String(p)}`)).join('');
}

/**
 * Reads a device model from untrusted JSON: shape first, then what the shape alone cannot say.
 * Every problem found is returned, each with its path; a model with any problem is not used.
 */
export function checkModel(json: unknown): CheckedModel {
  const read = deviceModelSchema.safeParse(json);
  if (!read.success) {
    return {
      ok: false,
      problems: read.error.issues.map((i) => ({ path: pathText(i.path), text: i.message })),
    };
  }
  const model = read.data;
  const problems = [...uniqueIds(model), ...references(model), ...withinOutline(model)];
  if (problems.length === 0) {
    for (const variant of model.variants) problems.push(...variantProblems(model, variant.id));
  }
  return problems.length ? { ok: false, problems } : { ok: true, model, problems: [] };
}

const thingLists = ['slots', 'fasteners', 'connectors', 'bonds', 'catches'] as const;

function uniqueIds(model: DeviceModel): ModelProblem[] {
  const at = new Map<string, string>();
  const problems: ModelProblem[] = [];
  const note = (id: string, path: string) => {
    const first = at.get(id);
    if (first) problems.push({ path, text: `the id ${id} is already used at ${first}` });
    else at.set(id, path);
  };
  for (const list of thingLists) model[list].forEach((x, i) => note(x.id, `${list}[${i}].id`));
  model.variants.forEach((v, i) => note(v.id, `variants[${i}].id`));
  return problems;
}

/** Every id that is named must exist, in the base model or as an addition of some variant. */
/** Seals and gaskets of a piece, in every variant: a new one may bring them fitted. */
const sealsNaming = (model: DeviceModel, slot: string): string[] =>
  [model.bonds, ...model.variants.flatMap((v) => [v.add.bonds, v.replace.bonds])]
    .flat()
    .filter((b) => b.holds.includes(slot) && (b.kind === 'perimeter-seal' || b.kind === 'gasket'))
    .map((b) => b.id);

function references(model: DeviceModel): ModelProblem[] {
  const added = (list: (typeof thingLists)[number]) =>
    model.variants.flatMap((v) => (v.add[list] as { id: string }[]).map((x) => x.id));
  const known = Object.fromEntries(
    thingLists.map((list) => [list, new Set([...model[list].map((x) => x.id), ...added(list)])]),
  ) as Record<(typeof thingLists)[number], Set<string>>;
  const items = new Set([...generalItems, ...model.items].map((x) => x.id));
  const tools = new Set([...generalTools, ...model.tools].map((x) => x.id));
  const stations = new Set([...generalStations, ...model.stations].map((x) => x.id));
  const any = new Set(thingLists.flatMap((list) => [...known[list]]));
  const problems: ModelProblem[] = [];
  const need = (set: Set<string>, id: string, path: string, what: string) => {
    if (!set.has(id)) problems.push({ path, text: `there is no ${what} ${id}` });
  };
  const all = (set: Set<string>, ids: readonly string[], path: string, what: string) =>
    ids.forEach((id, i) => need(set, id, `${path}[${i}]`, what));
  model.slots.forEach((slot, i) => {
    const p = `slots[${i}]`;
    if (slot.carrier) need(known.slots, slot.carrier, `${p}.carrier`, 'slot');
    if (slot.partOf) need(known.slots, slot.partOf, `${p}.partOf`, 'slot');
    all(any, slot.covers, `${p}.covers`, 'thing');
    all(any, slot.leavesFree, `${p}.leavesFree`, 'thing');
    const own = new Set([...known.slots, ...sealsNaming(model, slot.id)]);
    all(own, slot.arrivesWith, `${p}.arrivesWith`, 'slot, or seal of this one,');
    all(any, slot.install?.after ?? [], `${p}.install.after`, 'thing');
    all(known.slots, slot.install?.under ?? [], `${p}.install.under`, 'slot');
    slot.ways.forEach((way, k) => {
      const q = `${p}.ways[${k}]`;
      way.needs.forEach((n, m) => need(known.slots, n.slot, `${q}.needs[${m}].slot`, 'slot'));
      all(known.fasteners, way.fasteners, `${q}.fasteners`, 'fastener');
      all(known.connectors, way.connectors, `${q}.connectors`, 'connector');
      all(known.bonds, way.bonds, `${q}.bonds`, 'bond');
      all(known.catches, way.catches, `${q}.catches`, 'catch');
      all(tools, way.tools, `${q}.tools`, 'tool');
      way.consumables.forEach((c, m) => need(items, c.item, `${q}.consumables[${m}].item`, 'item'));
    });
  });
  model.fasteners.forEach((f, i) => {
    all(known.slots, f.holds, `fasteners[${i}].holds`, 'slot');
    if (f.standsOn) need(known.fasteners, f.standsOn, `fasteners[${i}].standsOn`, 'fastener');
  });
  model.connectors.forEach((c, i) => all(known.slots, c.joins, `connectors[${i}].joins`, 'slot'));
  model.bonds.forEach((bond, i) => {
    all(known.slots, bond.holds, `bonds[${i}].holds`, 'slot');
    bond.release.forEach((release, k) => {
      all(tools, release.tools, `bonds[${i}].release[${k}].tools`, 'tool');
      if (release.station) need(stations, release.station, `bonds[${i}].release[${k}].station`, 'station');
    });
    bond.renewedBy.forEach((c, k) => need(items, c.item, `bonds[${i}].renewedBy[${k}].item`, 'item'));
    bond.orTape.forEach((c, k) => need(items, c.item, `bonds[${i}].orTape[${k}].item`, 'item'));
  });
  model.catches.forEach((c, i) => all(known.slots, c.holds, `catches[${i}].holds`, 'slot'));
  model.bootRules.forEach((r, i) =>
    all(known.connectors, r.connectors, `bootRules[${i}].connectors`, 'connector'),
  );
  for (const list of ['pairing', 'programming'] as const)
    model[list].forEach((r, i) => need(known.slots, r.slot, `${list}[${i}].slot`, 'slot'));
  model.chips?.forEach((chip, i) => {
    need(known.slots, chip.slot, `chips[${i}].slot`, 'slot');
    problems.push(...chipProblems(chip, `chips[${i}]`));
  });
  model.variants.forEach((v, i) => {
    all(any, v.remove, `variants[${i}].remove`, 'thing');
    for (const list of thingLists)
      (v.replace[list] as { id: string }[]).forEach((x, k) =>
        need(known[list], x.id, `variants[${i}].replace.${list}[${k}].id`, list.slice(0, -1)),
      );
  });
  return problems;
}

/** A ball field is a rectangle of rows, its balls do not touch, and what carries nothing is one of its pads. */
function chipProblems({ pattern, pitchMm, ballMm, unconnected }: Chip, path: string): ModelProblem[] {
  const pads = new Set(padsOf(pattern));
  const ragged = pattern.findIndex((row) => row.length !== pattern[0]!.length);
  return [
    ...(ragged > 0
      ? [
          {
            path: `${path}.pattern[${ragged}]`,
            text: `is not as long as the first row, ${pattern[0]!.length}`,
          },
        ]
      : []),
    ...(pads.size ? [] : [{ path: `${path}.pattern`, text: 'has no ball' }]),
    ...(ballMm < pitchMm
      ? []
      : [{ path: `${path}.ballMm`, text: `is not below the pitch of ${pitchMm} mm` }]),
    ...unconnected
      .filter((pad) => !pads.has(pad))
      .map((pad) => ({ path: `${path}.unconnected`, text: `there is no pad ${pad}` })),
  ];
}

function withinOutline(model: DeviceModel): ModelProblem[] {
  const { widthMm: w, heightMm: h } = model.outline;
  const problems: ModelProblem[] = [];
  const out = (path: string) => problems.push({ path, text: `lies outside the outline of ${w} x ${h} mm` });
  const point = (at: { x: number; y: number }, path: string) => {
    if (at.x > w || at.y > h) out(path);
  };
  model.slots.forEach((slot, i) => {
    if (slot.shape.x + slot.shape.w > w || slot.shape.y + slot.shape.h > h) out(`slots[${i}].shape`);
  });
  model.bonds.forEach((bond, i) => {
    if (bond.shape.x + bond.shape.w > w || bond.shape.y + bond.shape.h > h) out(`bonds[${i}].shape`);
  });
  model.fasteners.forEach((f, i) => point(f.at, `fasteners[${i}].at`));
  model.connectors.forEach((c, i) => point(c.at, `connectors[${i}].at`));
  model.catches.forEach((c, i) => point(c.at, `catches[${i}].at`));
  model.noGo.forEach((n, i) => {
    if (n.fromMm >= n.toMm || n.toMm > (n.edge === 'left' || n.edge === 'right' ? h : w)) out(`noGo[${i}]`);
  });
  return problems;
}

/** Nearer than this two screws of one layer are one hole written twice, mm. */
const onePointMm = 0.3;
function onePoint(model: DeviceModel, at: string): ModelProblem[] {
  const problems: ModelProblem[] = [];
  const seen = new Map<string, DeviceModel['fasteners']>();
  for (const fastener of model.fasteners) {
    const layer = `${fastener.face} ${fastener.layer} ${Math.round(fastener.at.x)}`;
    for (const near of [-1, 0, 1])
      for (const other of seen.get(
        `${fastener.face} ${fastener.layer} ${Math.round(fastener.at.x) + near}`,
      ) ?? [])
        if (
          Math.hypot(other.at.x - fastener.at.x, other.at.y - fastener.at.y) < onePointMm &&
          other.standsOn !== fastener.id &&
          fastener.standsOn !== other.id
        )
          problems.push({
            path: `${at}.fasteners(${fastener.id}).at`,
            text: `lies on the point of ${other.id}`,
          });
    seen.set(layer, [...(seen.get(layer) ?? []), fastener]);
  }
  return problems;
}
/** A plug lies on one of the parts that it joins; one of which only one end is known, may lie on what nobody has recorded. */
function plugsAway(model: DeviceModel, index: IndexedModel, at: string): ModelProblem[] {
  return model.connectors
    .filter(
      (connector) =>
        connector.joins[0] !== connector.joins[1] &&
        !connector.joins.some((j) => {
          const shape = index.slots.get(j)?.shape;
          return (
            shape &&
            connector.at.x >= shape.x &&
            connector.at.x <= shape.x + shape.w &&
            connector.at.y >= shape.y &&
            connector.at.y <= shape.y + shape.h
          );
        }),
    )
    .map((connector) => ({
      path: `${at}.connectors(${connector.id}).at`,
      text: `lies on neither part that it joins: ${connector.joins.join(', ')}`,
    }));
}

/** What is no fault and yet worth a look: things left out that the program then has to take the narrow view of. */
export function modelRemarks(model: DeviceModel): ModelProblem[] {
  const bare = model.fasteners.filter((f) => f.maxLengthMm === undefined);
  return model.fasteners.length && bare.length === model.fasteners.length
    ? [
        {
          path: 'fasteners',
          text: 'no screw has a greatest safe length: of each hole its own length counts as the limit',
        },
      ]
    : [];
}

/** Each variant is checked as a whole: what it removes may not be missed by anything that stays. */
function variantProblems(base: DeviceModel, variantId: string): ModelProblem[] {
  const model = ofVariant(base, variantId);
  const index = indexModel(model);
  const at = `variants(${variantId})`;
  const problems: ModelProblem[] = references({ ...model, variants: [] }).map((modelProblem) => ({
    ...modelProblem,
    path: `${at}.${modelProblem.path}`,
  }));
  for (const slot of model.slots) {
    const path = `${at}.slots(${slot.id})`;
    if (!slot.ways.some((w) => w.to === 'out'))
      problems.push({ path: `${path}.ways`, text: 'expected at least one way out' });
    for (const way of slot.ways)
      for (const [row, options] of Object.entries(way.guard.methods))
        for (const o of options ?? [])
          if (!methodRows.some((r) => r.id === row && r.options.some((x) => x.id === o)))
            problems.push({
              path: `${path}.ways(${way.id}).guard.methods.${row}`,
              text: `the house method has no option ${o}`,
            });
    if (!slot.install)
      problems.push({ path: `${path}.install`, text: 'expected a rule for putting it back' });
    if (functionsOf(index, slot.id).length === 0)
      problems.push({
        path: `${path}.functions`,
        text: 'nothing is tested when this is touched: name a function it serves',
      });
  }
  for (const fastener of model.fasteners) {
    if (fastener.maxLengthMm !== undefined && fastener.maxLengthMm < fastener.lengthMm)
      problems.push({
        path: `${at}.fasteners(${fastener.id}).maxLengthMm`,
        text: `expected at least its own length ${fastener.lengthMm} mm`,
      });
  }
  problems.push(...onePoint(model, at), ...plugsAway(model, index, at));
  const loosed = new Set(
    model.slots.flatMap((s) =>
      s.ways.flatMap((w) => [...w.fasteners, ...w.connectors, ...w.bonds, ...w.catches]),
    ),
  );
  for (const list of ['fasteners', 'connectors', 'bonds', 'catches'] as const) {
    for (const x of model[list])
      if (!loosed.has(x.id))
        problems.push({
          path: `${at}.${list}(${x.id})`,
          text: 'no way out looses it: what it holds would never be free',
        });
  }
  if (!index.cellConnector || !index.cellSlot)
    problems.push({ path: `${at}.connectors`, text: 'expected one connector of power that joins the cell' });
  return problems;
}
