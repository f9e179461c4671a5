import { coveredBy } from '../model/covers';
import type { IndexedModel } from '../model/index-model';
import type { Pose } from '../vocabulary/trade';
import type { Route, Step } from '../steps/route';
import type { StepAction } from '../vocabulary/steps';

/**
 * What is wrong with a route, found by doing it on the model alone: screw by screw, plug by plug, there and back. It knows
 * nothing of how routes are planned, nor of the interlocks. An empty list is a route that hands can follow.
 */
export function routeFaults(
  index: IndexedModel,
  route: Pick<Route, 'steps'> & Partial<Pick<Route, 'input'>>,
): string[] {
  const device = new Device(index, route.steps, route.input?.conditions.includes('stuck on') ?? false);
  for (const [k, step] of route.steps.entries()) device.take(step, k);
  return [...device.faults, ...device.leftOver()];
}

/** What was wetted is worked on within this, s: alcohol has gone by then (from memory). */
const wetS = 300;
/** A bracket lies with no screw in it for fewer steps than this (common practice: it is fastened before the next one is laid). */
const looseSteps = 8;

class Device {
  readonly faults: string[] = [];
  readonly #screwsOut = new Set<string>();
  readonly #plugsOff = new Set<string>();
  readonly #bondsOpen = new Set<string>();
  readonly #catchesFree = new Set<string>();
  readonly #pose = new Map<string, Pose>();
  /** The step at which each thing is put back last. */
  readonly #backAt = new Map<string, number>();
  /** The step at which each piece was laid that has no screw in it yet. */
  readonly #layingAt = new Map<string, number>();
  #rimClean = false;
  /** Something has been looked at with the device on since it was switched off last. */
  #on = false;
  /** Cut seconds of hands and waiting since each bond was wetted. */
  readonly #wetFor = new Map<string, number>();
  #closedOnce = false;
  /** Optics that are masked. */
  readonly #masked = new Set<string>();
  #crumbsSeen = false;
  /** The device has been tried while it was open. */
  #midSeen = false;
  /** The rim has a seal that is laid anew on the way back. */
  readonly #isSealed: boolean;
  #seal: 'as it was' | 'open' | 'applied' | 'bare' = 'as it was';

  constructor(
    private readonly index: IndexedModel,
    steps: readonly Step[],
    /** Nothing switches it off. */
    private readonly stuckOn: boolean,
  ) {
    this.#isSealed = steps.some((s) => s.action === 'apply seal');
    for (const [k, step] of steps.entries())
      if (['fasten', 'fit', 'renew', 'connect'].includes(step.action) && !step.trial)
        for (const target of step.targets) this.#backAt.set(`${step.action} ${target}`, k);
  }

  #poseOf = (slot: string): Pose => this.#pose.get(slot) ?? 'in';
  #away = (slot: string) => this.#poseOf(slot) !== 'in';
  #later = (what: string, now: number) => (this.#backAt.get(what) ?? -1) > now;
  #fault(step: Step, text: string): void {
    this.faults.push(`${step.action} ${step.targets.join(',')}: ${text}`);
  }
  /** What lies over a thing must be away before hands get to it; what the new one brings stays on the old one. */
  #reach(step: Step, target: string): void {
    const leaves = this.index.slots.get(target)?.arrivesWith ?? [];
    for (const over of coveredBy(this.index, target))
      if (!this.#away(over) && !leaves.includes(over)) this.#fault(step, `${target} lies under ${over}`);
  }

  /** Does a step, target by target. */
  take(step: Step, now: number): void {
    const act = this.#acts[step.action];
    if (act) for (const target of step.targets) act(step, target, now);
    for (const [bond, s] of this.#wetFor) this.#wetFor.set(bond, s + step.handsS.likely + step.waitS);
  }
  readonly #acts: Partial<Record<StepAction, (step: Step, target: string, now: number) => void>> = {
    unscrew: (step, hole) => this.#unscrew(step, hole),
    disconnect: (step, plug) => this.#unplug(step, plug),
    'switch off': () => {
      this.#on = false;
    },
    look: () => {
      this.#on = true;
    },
    'test part': () => {
      this.#on = true;
    },
    check: (step) => this.#check(step),
    solvent: (_step, bond) => {
      this.#wetFor.set(bond, 0);
    },
    heat: (step, target) => this.#warm(step, target),
    press: (step, target) => this.#press(step, target),
    connect: (step, plug) => this.#plug(step, plug),
    release: (step, bond) => this.#release(step, bond),
    unhook: (_step, id) => {
      this.#catchesFree.add(id);
    },
    move: (step, slot) => this.#move(step, slot, step.pose as Pose),
    renew: (step, bond) => this.#renew(step, bond),
    rework: (step, slot) => this.#soldered(step, slot),
    'move chip': (step, slot) => this.#chipMoved(step, slot),
    fit: (step, slot, now) => this.#fit(step, slot, now),
    fasten: (step, hole, now) => this.#fasten(step, hole, now),
    'mask on': (_step, slot) => {
      this.#masked.add(slot);
    },
    'mask off': (_step, slot) => {
      this.#masked.delete(slot);
    },
    craze: (step) => this.#glassFlies(step),
    part: (step) => this.#glassFlies(step),
    'break glass': (step) => this.#glassFlies(step),
    brush: (step) => this.#glassFlies(step),
    crumbs: () => {
      this.#crumbsSeen = true;
    },
    'clean rim': () => {
      this.#rimClean = true;
    },
    'apply seal': (step) => {
      if (!this.#rimClean) this.#fault(step, 'the rim is not clean');
      this.#seal = 'applied';
    },
    'liner off': (step) => {
      if (this.#seal !== 'applied') this.#fault(step, 'there is no seal with a liner');
      this.#seal = 'bare';
    },
    close: (step, cover) => this.#close(step, cover),
  };
  #unscrew(step: Step, hole: string): void {
    if (this.#screwsOut.has(hole)) this.#fault(step, `${hole} is out already`);
    this.#reach(step, hole);
    this.#screwsOut.add(hole);
  }
  #release(step: Step, bond: string): void {
    const wet = this.#wetFor.get(bond);
    if (wet !== undefined && wet > wetS) this.#fault(step, `${bond} was wetted ${Math.round(wet)} s ago`);
    const { face, holds = [] } = this.index.bonds.get(bond) ?? {};
    if (face === 'back' && holds.some((slot) => this.index.coverSlots.includes(slot)) && this.#hangs())
      this.#fault(step, 'it is worked on while the display hangs open');
    this.#bondsOpen.add(bond);
    for (const slot of this.index.bonds.get(bond)?.holds ?? []) this.#soldered(step, slot);
    if (this.index.bonds.get(bond)?.kind !== 'perimeter-seal') return;
    this.#seal = 'open';
    this.#rimClean = false;
  }
  #unplug(step: Step, plug: string): void {
    if (plug === this.index.cellConnector && this.#on && !this.stuckOn)
      this.#fault(step, 'it has not been switched off');
    this.#cellIsOff(step, plug);
    this.#reach(step, plug);
    this.#plugsOff.add(plug);
  }
  #plug(step: Step, plug: string): void {
    this.#cellIsOff(step, plug);
    if (!step.trial) this.#boardHolds(step, plug);
    if (!this.#plugsOff.delete(plug)) this.#fault(step, `${plug} is on already`);
    if (step.trial) return;
    if (plug === this.index.cellConnector)
      for (const other of this.#plugsOff) this.#fault(step, `the cell comes before ${other}`);
    for (const slot of this.index.connectors.get(plug)?.joins ?? [])
      if (this.#poseOf(slot) === 'out') this.#fault(step, `${slot} is not there`);
  }
  /** A chip comes off its pads and onto them with hot air, and a board is never live under that. */
  #soldered(step: Step, slot: string): void {
    const { cellConnector } = this.index;
    if (this.index.slots.get(slot)?.kind === 'chip' && cellConnector && !this.#plugsOff.has(cellConnector))
      this.#fault(step, `${slot} is warmed while the cell is on`);
    const { cellSlot } = this.index;
    if (this.index.slots.get(slot)?.kind === 'chip' && cellSlot && this.#poseOf(cellSlot) !== 'out')
      this.#fault(step, `${slot} is warmed with the cell beside it`);
  }
  /** Glass of a back flies and its dust settles: rear cameras that are in the device are masked. */
  #glassFlies(step: Step): void {
    // a back in a gasket is not broken
    const bond = this.index.bonds.get(step.targets[0]!.split(':')[0]!);
    if (step.face !== 'back' || bond?.kind !== 'glue') return;
    for (const slot of this.index.model.slots)
      if (
        slot.kind === 'camera' &&
        slot.functions.includes('cameras') &&
        this.#poseOf(slot.id) !== 'out' &&
        !this.#masked.has(slot.id)
      )
        this.#fault(step, `${slot.id} is not masked`);
  }
  /** With a chip that lies in the device the air is in the device, too: the cell is not. */
  #chipMoved(step: Step, slot: string): void {
    const chip = this.index.model.slots.find((s) => s.kind === 'chip');
    this.#soldered(step, chip?.id ?? slot);
  }
  #renew(step: Step, bond: string): void {
    const { holds = [] } = this.index.bonds.get(bond) ?? {};
    const chip = holds.find((slot) => this.index.slots.get(slot)?.kind === 'chip');
    if (chip !== undefined) {
      if (this.#poseOf(chip) !== 'in') this.#fault(step, `${chip} is not on its pads`);
      if (this.#isSealed && !this.#midSeen) this.#fault(step, `${chip} has not been tried`);
    }
    const { kind, holds: held = [] } = this.index.bonds.get(bond) ?? {};
    if (kind === 'glue' && held.some((h) => this.index.slots.get(h)?.kind === 'back') && !this.#crumbsSeen)
      this.#fault(step, 'nobody has looked for crumbs');
    this.#bondsOpen.delete(bond);
  }
  #cellIsOff(step: Step, plug: string): void {
    const { cellConnector, cellSlot } = this.index;
    if (!cellConnector || plug === cellConnector || this.#plugsOff.has(cellConnector)) return;
    if (cellSlot && this.#poseOf(cellSlot) !== 'out') this.#fault(step, `${plug} moves while the cell is on`);
  }
  #move(step: Step, slot: string, pose: Pose): void {
    const ways = (this.index.slots.get(slot)?.ways ?? []).filter((way) => way.to === pose);
    const open = ways.some(
      (way) =>
        way.fasteners.every((f) => this.#screwsOut.has(f)) &&
        way.connectors.every((c) => this.#plugsOff.has(c)) &&
        way.bonds.every((b) => this.#bondsOpen.has(b)) &&
        way.catches.every((c) => this.#catchesFree.has(c)) &&
        way.needs.every((n) => this.#poseOf(n.slot) === n.pose || this.#poseOf(n.slot) === 'out'),
    );
    if (!open) this.#fault(step, `it is still held on every way`);
    this.#reach(step, slot);
    this.#pose.set(slot, pose);
  }
  #fit(step: Step, slot: string, now: number): void {
    const before = this.#poseOf(slot);
    if (before === 'in' || before === step.pose) this.#fault(step, `it is ${before} already`);
    this.#soldered(step, slot);
    // a board waits for what its screws hold with it
    if (!this.index.coverSlots.includes(slot) && this.index.slots.get(slot)?.kind !== 'board')
      this.#layingAt.set(slot, now);
    // what left by being folded first comes back that way
    const folds = this.index.slots
      .get(slot)
      ?.ways.some((way) => way.to === 'out' && way.needs.some((n) => n.slot === slot && n.pose === 'folded'));
    if (folds && before === 'out' && step.pose === 'in') this.#fault(step, 'it was not folded in first');
    if (step.pose === 'in') {
      for (const under of this.index.model.slots)
        if (
          this.#poseOf(under.id) === 'out' &&
          coveredBy(this.index, under.id).includes(slot) &&
          this.#later(`fit ${under.id}`, now)
        )
          this.#fault(step, `it goes over ${under.id}, which comes later`);
      for (const hole of this.#screwsOut)
        if (coveredBy(this.index, hole).includes(slot) && this.#later(`fasten ${hole}`, now))
          this.#fault(step, `it goes over ${hole}, which comes later`);
      // underfill runs under a chip that is on its pads
      for (const bond of this.#bondsOpen)
        if (
          this.index.slots.get(slot)?.kind !== 'chip' &&
          this.index.bonds.get(bond)?.holds.includes(slot) &&
          this.#later(`renew ${bond}`, now)
        )
          this.#fault(step, `${bond} comes after its piece`);
    }
    this.#pose.set(slot, step.pose ?? 'in');
    // what comes fitted on it is there with it
    for (const brought of step.brings ?? []) this.#bring(brought);
  }
  #bring(piece: string): void {
    const holder = piece.replace(/^screw:/, '').replace(/#\d+$/, '');
    if (piece.startsWith('screw:')) this.#screwsOut.delete(holder);
    else this.#pose.set(holder, 'in');
  }
  /** A display that is folded open and on its plugs. */
  #hangs(): boolean {
    return this.index.model.slots.some(
      (slot) =>
        slot.kind === 'display' &&
        this.#poseOf(slot.id) === 'folded' &&
        this.index.coverSlots.includes(slot.id),
    );
  }
  /** A board that has its screws is held by them before anything pulls at it. */
  #boardHolds(step: Step, plug: string): void {
    for (const slot of this.index.connectors.get(plug)?.joins ?? [])
      if (this.index.slots.get(slot)?.kind === 'board')
        for (const hole of this.#screwsOut) {
          const { holds } = this.index.fasteners.get(hole)!;
          const shared = holds.some((held) => held !== slot && this.#away(held));
          if (holds.includes(slot) && !shared) this.#fault(step, `${slot} is not held by ${hole} yet`);
        }
  }
  #check(step: Step): void {
    this.#on = true;
    if (step.round === 'mid') this.#midSeen = true;
    if (step.round === 'mid' && this.#closedOnce) this.#fault(step, 'it is closed already');
  }
  #warm(step: Step, target: string): void {
    const cover = this.index.coverSlots.includes(step.about ?? '');
    if (target === 'start' && step.face === 'back' && cover && this.#hangs())
      this.#fault(step, 'the back is warmed while the display hangs open');
  }
  /** The bare frame is pressed, not one with the display on its flexes beside it. */
  #press(step: Step, target: string): void {
    if (target === 'frame:start' && this.#hangs()) this.#fault(step, 'the display hangs beside the frame');
  }
  #fasten(step: Step, hole: string, now: number): void {
    if (!this.#screwsOut.has(hole)) this.#fault(step, `${hole} was never out`);
    this.#screwsOut.delete(hole);
    for (const slot of this.index.fasteners.get(hole)?.holds ?? []) {
      if (this.#poseOf(slot) === 'out') this.#fault(step, `${hole} holds ${slot}, which is not there`);
      const since = now - (this.#layingAt.get(slot) ?? now);
      if (since > looseSteps) this.#fault(step, `${slot} has lain loose for ${since} steps`);
      this.#layingAt.delete(slot);
    }
    this.#reachBack(step, hole);
  }
  /** Going back, a screw must still be got at: nothing has been put over it. */
  #reachBack(step: Step, hole: string): void {
    for (const over of coveredBy(this.index, hole))
      if (!this.#away(over)) this.#fault(step, `${hole} is already under ${over}`);
  }
  #close(step: Step, cover: string): void {
    this.#closedOnce = true;
    for (const slot of this.#masked) this.#fault(step, `${slot} is still masked`);
    if (this.#seal === 'open') this.#fault(step, 'no seal has been laid');
    if (this.#seal === 'applied') this.#fault(step, 'the liner is still on the seal');
    for (const plug of this.#plugsOff) this.#fault(step, `${plug} is still off`);
    this.#pose.set(cover, 'in');
    for (const id of this.index.catches.keys())
      if (this.index.catches.get(id)?.holds.includes(cover)) this.#catchesFree.delete(id);
  }
  leftOver(): string[] {
    return [
      ...[...this.#screwsOut].map((hole) => `at the end ${hole} is out`),
      ...[...this.#plugsOff].map((plug) => `at the end ${plug} is off`),
      ...[...this.#pose]
        .filter(([, pose]) => pose !== 'in')
        .map(([slot, pose]) => `at the end ${slot} is ${pose}`),
    ];
  }
}
