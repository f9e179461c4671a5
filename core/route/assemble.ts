import { plugsOf } from '../checks/reseat';
import { badCell } from '../vocabulary/conditions';
import type { IndexedModel } from '../model/index-model';
import { holderOf, newPiece } from '../vocabulary/pieces';
import { ridersOf, transfersOf } from '../model/riders';
import { isSeal } from '../model/seals';
import { bootConnectors } from '../model/system';
import { effectsOf } from '../pairing/effects';
import { bringsSeal, priceOf, type Setting } from './facts';
import type { Candidate } from './joint';
import { chipCautions, chipSteps, chipTools, dataSteps } from './identity-steps';
import { checkStep, type Draft, faceOf, holdStep, type PhasedDraft, plainStep, toolsOf } from './draft';
import { merge, wetOnce } from './merge-steps';
import { pressed, pressS, rimStep } from './seal-steps';
import { stepsBack } from './steps-back';
import { stepsOut } from './steps-out';
import { cellIsIn, trialEnd, trialPlugs, trialSteps } from './trial';
import type { Work } from './tasks';
import { around, handsS, times } from './times';
import type { Kit, Step } from '../steps/route';
import type { Caution, Phase } from '../vocabulary/steps';
import { type Operation, precedencesOut } from './way-out';

/** Pieces that move from housing to housing, the small ones with them: dozens (common practice; the number is ours). */
const piecesOfHousing = 60;
/** Seconds of charging that bring a cell well past the least charge of a calibration (a guess; the phone shows it). */
const rechargeS = 900;
/** Seconds of the leak test's hold: common practice. */
const leakHoldS = 20;

/** The steps of a planned job: the operations in their order, and between them what the gates, conditions and methods ask for. */
export function assemble(s: Setting, work: Work, c: Candidate): Step[] {
  const { index, standing, methods, conditions } = s;
  const { replaced, visits } = work;
  const steps: PhasedDraft[] = [];
  const add = (phase: Phase, ...drafts: Draft[]) => {
    for (const d of drafts) steps.push({ ...d, phase });
  };
  const rank = new Map(c.order.sequence.map((id, i) => [id, i]));
  const inOrder = (list: Operation[]) => list.toSorted((a, b) => rank.get(a.id)! - rank.get(b.id)!);
  const opens = (o: Operation) => o.kind === 'move' && index.coverSlots.includes(o.slot);
  const done = (key: string) => standing.acted.includes(key);

  // before anything is loosed
  const way = inOrder(c.out);
  const firstCover = way.find(opens);
  const cutting = way.filter((o) => o.kind === 'bond' && index.coverSlots.includes(o.slot));
  const bothReplaced =
    replaced.some((r) => index.slots.get(r)!.kind === 'display') &&
    replaced.some((r) => index.slots.get(r)!.kind === 'frame');
  const blade = conditions.includes('shattered') && bothReplaced;
  if (cutting.length && conditions.includes('shattered') && !blade && !done(`prepare ${cutting[0]!.slot}`)) {
    const glass = methods['shattered-glass'] === 'glass';
    add(
      'Open',
      plainStep('prepare', [cutting[0]!.slot], handsS.prepare, {
        about: cutting[0]!.slot,
        tools: ['glasses'],
        cautions: ['glass'],
        uses: [{ item: glass ? 'cup-glass' : 'clear-tape', quantity: glass ? 1 : 3 }],
      }),
    );
  }
  if (firstCover && conditions.includes('back glass missing') && !done('prepare back'))
    add(
      'Open',
      plainStep('prepare', ['back'], handsS.prepare, {
        face: 'back',
        cautions: ['open-back'],
        uses: [{ item: 'clear-tape', quantity: 2 }],
      }),
    );
  const stuck = conditions.includes('stuck on');
  const live = index.cellConnector !== undefined && !standing.connectorsOff.includes(index.cellConnector);
  const needsOff =
    live &&
    way.length > 0 &&
    (firstCover !== undefined || way.some((o) => o.kind === 'connector')) &&
    !done('switch off device');
  const switchOff = (cautions: Caution[]) =>
    plainStep('switch off', ['device'], handsS.act, { cautions: [...cautions, 'charger-off'] });
  if (needsOff && !stuck && methods.power === 'off') add('Open', switchOff(['off-before-opening']));

  /** New displays that are tried before they are fitted; the others are seen for the first time at the mid check. */
  const tried = new Set<string>();
  const addTrial = (slot: string, before: readonly Operation[]) => {
    if (index.slots.get(slot)!.kind !== 'display' || methods['part-test'] !== 'bag') return;
    if (done(`test part ${slot}`)) tried.add(slot);
    const plugs = tried.has(slot) || !cellIsIn(s, before) ? undefined : trialPlugs(s, slot);
    if (!plugs) return;
    tried.add(slot);
    const loose = new Set([
      ...standing.connectorsOff,
      ...before.filter((o) => o.kind === 'connector').flatMap((o) => o.things),
    ]);
    add('Swap', ...trialSteps(s, slot, plugs, loose));
  };

  /** Whether the device stands open with its cell in when the route has come so far. */
  const isOpenWithCell = (before: readonly Operation[]) =>
    cellIsIn(s, before) &&
    (standing.openCover !== undefined ||
      standing.moved.some((m) => index.coverSlots.includes(m.slot)) ||
      before.some(opens));

  const asideNow = new Set(standing.aside);
  const setAside = (slot: string) => {
    if (asideNow.has(slot) || !replaced.includes(slot)) return;
    asideNow.add(slot);
    const cell = index.slots.get(slot)!.kind === 'cell';
    add(
      'Swap',
      plainStep('set aside', [slot], handsS.aside, {
        about: slot,
        face: faceOf(index, slot),
        cautions: cell ? ['swollen-container'] : [],
        ...(cell && badCell(conditions) ? { tools: ['sand-box'] } : {}),
      }),
    );
  };

  // the way out
  const opened = way.findIndex(opens);
  const reasons = whys(index, c.out, precedencesOut(s, c.out, undefined), replaced);
  const out = (list: Operation[], phase: (o: Operation) => Phase) => {
    for (const o of list) {
      const here = { ...s, openWithCell: isOpenWithCell(list.slice(0, list.indexOf(o))) };
      // what a chip knows is saved before it is warmed
      const chip = o.kind === 'bond' && index.slots.get(o.slot)!.kind === 'chip';
      if (chip && standing.data[o.slot] === undefined && index.model.pairing.some((p) => p.slot === o.slot))
        add('Swap', plainStep('read data', [o.slot], handsS.data, { about: o.slot, station: 'programmer' }));
      const drafts = stepsOut(here, o).map((d) => ({ ...d, why: reasons.get(o.id) ?? [] }));
      if (blade && cutting.includes(o))
        for (const d of drafts)
          if (d.action === 'release') {
            d.tools = [...d.tools, 'blade'];
            d.cautions = [...d.cautions, 'blade-at-rim'];
          }
      if (stuck && live && (o === way[0] || o === firstCover))
        drafts[0]!.cautions = [...drafts[0]!.cautions, 'treat-live'];
      add(phase(o), ...drafts);
      // out of the device, a bad cell goes straight into its container
      if (o.kind === 'move' && o.slot === index.cellSlot && o.way!.to === 'out' && badCell(conditions))
        setAside(o.slot);
      if (o === firstCover && needsOff && methods.power === 'on') {
        add('Open', plainStep('look', ['device'], handsS.look));
        if (!stuck) add('Open', switchOff([]));
      }
      // out of the bag, as soon as the old one is off its plugs and before anything else is moved
      if (o.kind === 'move' && o.way!.to === 'out' && replaced.includes(o.slot))
        addTrial(o.slot, list.slice(0, list.indexOf(o)));
      // data are read as soon as the part is loose: before anything warms it, and before it is put aside
      if (o.kind === 'move' && o.way!.to === 'out' && replaced.includes(o.slot))
        add('Swap', ...dataSteps(s, o.slot));
    }
  };
  // a part that was being tried when the route was planned: to its end, before anything else
  const trying = standing.trial;
  if (trying) {
    // with the cell on all of it is on: it is tested; else it begins anew when it is its turn
    const { slot, connectors } = trying;
    if (!done(`test part ${slot}`) && connectors.includes(index.cellConnector ?? '')) {
      add('Swap', plainStep('test part', [slot], handsS.testPart, { about: slot, connectors }));
      tried.add(slot);
    }
    // only what is still on: a step for what is off already would be asked for when it is on for good
    add('Swap', ...trialEnd(s, slot, connectors));
  }
  out(way, (o) => (way.indexOf(o) <= opened ? 'Open' : 'Strip'));
  // an old part that was out before this route was planned may still have its data unread
  for (const slot of replaced)
    if (
      !way.some((o) => o.kind === 'move' && o.slot === slot && o.way!.to === 'out') &&
      !standing.aside.includes(slot)
    )
      add('Swap', ...dataSteps(s, slot));

  // at the bench: the new part tried, compared, parts moved over, the old one aside
  for (const slot of replaced) {
    const kind = index.slots.get(slot)!.kind;
    if (standing.moved.some((m) => m.slot === slot && m.pose === 'out')) addTrial(slot, way);
    if (
      (kind === 'display' || kind === 'frame' || transfersOf(index, slot).length > 0) &&
      !done(`compare ${slot}`)
    )
      add('Swap', plainStep('compare', [slot], handsS.look, { about: slot, face: faceOf(index, slot) }));
  }
  out(inOrder(c.bench), () => 'Swap');
  const frame = replaced.find((r) => index.slots.get(r)!.kind === 'frame');
  const unlisted = Math.max(0, piecesOfHousing - index.model.slots.length);
  if (frame && unlisted && !done(`outfit ${frame}`))
    add(
      'Swap',
      plainStep('outfit', [frame], times(handsS.outfitPiece, unlisted), {
        about: frame,
        face: faceOf(index, frame),
        cautions: ['small-pieces'],
      }),
    );
  for (const slot of replaced) add('Swap', ...chipSteps(s, slot));
  for (const slot of replaced) {
    setAside(slot);
    const films = filmsOf(index, slot);
    // the last film of a display comes off when the device is closed, by the film step there
    if (films.length && !index.coverSlots.includes(slot))
      add(
        'Swap',
        plainStep('film off', films, times(handsS.film, films.length), {
          about: slot,
          face: faceOf(index, slot),
        }),
      );
  }
  // a new piece that went in with its film on, before this route was planned
  const filmsLeft = (cover: boolean) =>
    standing.filmsOn.filter((f) => index.coverSlots.includes(holderOf(f.split('/')[0]!)) === cover);
  if (filmsLeft(false).length)
    add(
      'Swap',
      ...filmsLeft(false).map((film) => {
        const slot = holderOf(film.split('/')[0]!);
        return plainStep('film off', [film], handsS.film, { about: slot, face: faceOf(index, slot) });
      }),
    );
  for (const v of visits) {
    if (v.act === 'reseat') {
      const plugs = plugsOf(index, v.slot).filter(
        (c) => c !== index.cellConnector && !standing.connectorsOff.includes(c),
      );
      if (plugs.length)
        add(
          'Swap',
          plainStep('reseat', plugs, times(handsS.connect, plugs.length), {
            about: v.slot,
            face: index.connectors.get(plugs[0]!)!.face,
            tools: ['spudger'],
            cautions: plugs.some((c) => index.connectors.get(c)!.press === 'ends') ? ['press-ends'] : [],
          }),
        );
    } else if (v.act === 'rework')
      add(
        'Swap',
        plainStep('rework', [v.slot], handsS.rework, {
          about: v.slot,
          face: faceOf(index, v.slot),
          station: 'microscope',
          tools: ['scraper', ...chipTools(s)],
          cautions: chipCautions(s),
          uses: [{ item: 'flux', quantity: 3 }],
        }),
      );
    else add('Swap', plainStep(v.act, [v.slot], handsS.look, { about: v.slot, face: faceOf(index, v.slot) }));
  }

  // the way back
  const folded = (slot: string) => c.loose.moves.some((m) => m.slot === slot && m.way.to === 'folded');
  const phaseBack = (o: Operation): Phase =>
    (o.kind === 'bond' || o.kind === 'move') && (replaced.includes(o.slot) || work.transfers.includes(o.slot))
      ? 'Swap'
      : 'Refit';
  const back = (list: Operation[], phase: (o: Operation) => Phase) => {
    for (const o of inOrder(list)) add(phase(o), ...stepsBack(s, o, replaced, folded(o.slot)));
  };
  back(c.first, phaseBack);

  // also of parts that are in already: their calibration is still to come
  const effects = effectsOf(
    index,
    [...new Set([...replaced, ...standing.done])],
    methods,
    s.remedies,
    s.system,
  );
  const calibrate = effects.some((e) => e.effect === 'calibrate') && !done('calibrate device');
  const rim = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
  // what stands now is worth nothing once the route opens the device again
  const again = way.length > 0;
  const sealed = !again && standing.sealed;
  const midPassed = !again && standing.midPassed;
  const seal =
    rim && (c.loose.bonds.includes(rim.id) || (sealed && c.loose.moves.length > 0)) ? rim : undefined;
  const toSeal = seal !== undefined && !sealed;
  const off = methods['cell-between'] === 'each';
  const connectCell = (): Draft[] => (c.cellOn ? stepsBack(s, c.cellOn, replaced, false) : []);
  const newPart = replaced.some((r) => index.slots.get(r)!.kind === 'display' && !tried.has(r));
  // prying wants less than 25 %, the maker's calibration more than 20 %: where both meet it is charged in between
  const recharge = (): Draft[] =>
    steps.some((d) => d.cautions.includes('charge-low')) && !badCell(conditions) && !done('recharge device')
      ? [plainStep('recharge', ['device'], handsS.act, { waitS: rechargeS, cautions: ['recharge-listed'] })]
      : [];
  let plugged = false;
  const plug = () => {
    if (!plugged) {
      add('Refit', ...connectCell());
      plugged = true;
    }
  };
  if ((c.loose.moves.length || c.cover) && !midPassed) {
    plug();
    const boot = bootConnectors(index, s.system);
    add(
      'Prove',
      checkStep('mid', Math.ceil(index.model.shortList.length / 2), {
        ...(boot.length ? { connectors: boot } : {}),
        cautions: newPart ? ['first-test-now'] : [],
      }),
    );
    if (calibrate && methods.calibration === 'open')
      add(
        'Prove',
        ...recharge(),
        plainStep('calibrate', ['device'], handsS.calibrate, {
          cautions: ['calibrate-open', 'calibrate-fails'],
        }),
      );
    if (c.cellOn && toSeal && off) {
      add(
        'Refit',
        plainStep('disconnect', [index.cellConnector!], handsS.disconnect, {
          about: index.cellSlot!,
          tools: ['spudger'],
          cautions: ['live-board', 'off-again'],
        }),
      );
      plugged = false;
    }
  }
  const press = pressed(s);
  if (toSeal) {
    const stays: Caution[] = c.cellOn && !off ? ['cell-stays-on'] : [];
    if (again || !standing.rimClean) add('Refit', rimStep(s, 'rim', { cautions: stays }));
    const came = bringsSeal(s, seal, replaced);
    add(
      'Refit',
      came
        ? plainStep('apply seal', [seal.id], handsS.look, { about: came, cautions: ['seal-came-fitted'] })
        : plainStep('apply seal', [seal.id], around(seal.renewS), {
            tools: toolsOf(index, ['roller']),
            cautions: press ? [] : ['press-by-hand'],
            ...(seal.renewedBy.length ? { uses: seal.renewedBy } : {}),
            ...(seal.renewNote ? { note: seal.renewNote } : {}),
          }),
    );
    if (press && !came)
      add('Refit', holdStep('press', 'frame', pressS, handsS.act, { station: 'seal-press' }));
  }
  if (c.cellOn && !plugged && (toSeal || midPassed)) {
    plug();
    add('Prove', checkStep('mid', 1, { short: true }));
  }
  back(c.second, () => 'Refit');
  const newSeal = seal !== undefined || c.loose.bonds.some((b) => isSeal(index, index.bonds.get(b)!));
  const water = newSeal && methods['leak-test'] === 'always' && s.stations.includes('leak-tester');
  if (c.cover) {
    const films = replaced
      .filter((r) => index.coverSlots.includes(r))
      .flatMap((slot) => filmsOf(index, slot))
      .concat(filmsLeft(true));
    // each about its own piece: the back's film is not peeled off the display
    for (const [slot, own] of bySlot(films))
      add(
        'Refit',
        plainStep('film off', own, times(handsS.film, own.length), {
          about: slot,
          face: faceOf(index, slot),
        }),
      );
    if (seal && (again || !standing.linerOff)) add('Refit', plainStep('liner off', [seal.id], handsS.liner));
    const note = index.slots.get(c.cover.slot)!.install?.note;
    add(
      'Refit',
      plainStep('close', [c.cover.slot], handsS.close, {
        face: c.cover.face,
        about: c.cover.slot,
        cautions: newSeal && !water ? ['no-water-claim'] : [],
        ...(note ? { note } : {}),
      }),
    );
  }
  back(c.outside, () => 'Refit');
  // whatever seal is new is pressed again once the device is shut
  if (c.cover && newSeal && press)
    add('Refit', holdStep('press', 'closed', pressS, handsS.act, { station: 'seal-press' }));
  if (c.cover && water)
    add('Prove', holdStep('leak test', 'device', leakHoldS, handsS.look, { station: 'leak-tester' }));
  if (calibrate && methods.calibration === 'closed')
    add(
      'Prove',
      ...recharge(),
      plainStep('calibrate', ['device'], handsS.calibrate, {
        cautions: ['calibrate-closed', 'calibrate-fails'],
      }),
    );
  if (methods.screws === 'new' && steps.some((d) => d.action === 'fasten'))
    add('Prove', plainStep('bag screws', ['screws'], handsS.aside));
  add('Prove', checkStep('after', index.model.shortList.length));
  // new screws come as one set
  const screwed = steps.find((d) => d.action === 'fasten');
  if (screwed && methods.screws === 'new') screwed.uses = [{ item: 'screw-kit', quantity: 1 }];
  return merge(wetOnce(steps, index.cellSlot), index.cellConnector).map(
    (d, i): Step => ({ id: `s${i + 1}`, ...d }),
  );
}

/** Films by the slot whose piece they are on. */
function bySlot(films: readonly string[]): Map<string, string[]> {
  const out = new Map<string, string[]>();
  for (const film of films) {
    const slot = holderOf(film.split('/')[0]!);
    out.set(slot, [...(out.get(slot) ?? []), film]);
  }
  return out;
}

/** The films of a new piece and of what comes fitted on it. */
const filmsOf = (index: IndexedModel, slot: string): string[] =>
  [
    slot,
    ...ridersOf(index, slot, 'arriving')
      .filter((r) => !r.hole)
      .map((r) => r.id),
  ].flatMap((id) => index.slots.get(id)!.films.map((_, i) => `${newPiece(id)}/${i}`));

/** For each operation what it makes possible, nearest first: its direct followers, as ids of things. */
function whys(
  index: IndexedModel,
  ops: Operation[],
  precedences: [string, string][],
  tasks: string[],
): Map<string, string[]> {
  const byId = new Map(ops.map((o) => [o.id, o]));
  const cell = index.cellConnector ? `off:${index.cellConnector}` : undefined;
  const out = new Map<string, string[]>();
  for (const o of ops) {
    const after =
      o.id === cell ? [] : precedences.filter(([a]) => a === o.id).flatMap(([, b]) => byId.get(b) ?? []);
    const things = after
      .flatMap((a) =>
        a.kind === 'move' || a.kind === 'fasteners' || a.kind === 'catches' ? [a.slot] : a.things,
      )
      .filter((t) => t !== o.slot || o.kind !== 'move');
    const unique = [...new Set(things)];
    // what leads straight to the task first, then what holds, then what merely waits
    unique.sort(
      (x, y) =>
        Number(tasks.includes(y)) - Number(tasks.includes(x)) ||
        Number(y === index.cellConnector) - Number(x === index.cellConnector),
    );
    out.set(o.id, unique.length ? unique : tasks.includes(o.slot) ? [o.slot] : tasks.slice(0, 1));
  }
  return out;
}

/** What to lay out: exactly what the steps use. */
export function kitOf(index: IndexedModel, steps: readonly Step[]): { kit: Kit; consumables: number } {
  const used = new Map<string, number>();
  for (const u of steps.flatMap((st) => st.uses ?? []))
    used.set(u.item, (used.get(u.item) ?? 0) + u.quantity);
  const each = <T>(list: T[]) => [...new Set(list)];
  const kit: Kit = {
    bits: each(steps.flatMap((st) => (st.bit ? [st.bit] : []))),
    tools: each(steps.flatMap((st) => st.tools)),
    stations: each(steps.flatMap((st) => (st.station ? [st.station] : []))),
    parts: each(steps.flatMap((st) => (st.action === 'fit' && st.piece ? st.targets : []))),
    consumables: [...used].map(([item, quantity]) => ({ item, quantity: Math.ceil(quantity * 100) / 100 })),
  };
  return {
    kit,
    consumables: kit.consumables.reduce((c, u) => c + Math.round(u.quantity * priceOf(index, u.item)), 0),
  };
}
