import { describe, expect, test } from 'vitest';
import { isOn } from '../../../core/log/view';
import { instruct } from '../../../core/progress/instruct';
import { doneNow, nextStepOf } from '../../../core/rework/next';
import { judgePads, padsOf } from '../../../core/rework/pads';
import {
  breaksIn,
  looks,
  type ReworkKind,
  reworkPlan,
  type ReworkStep,
  trialOf,
  warms,
} from '../../../core/rework/work-plan';
import { Bench } from '../../../core/testing/bench';
import { atlas, dune3, indexed, route } from '../../../core/testing/demo-models';
import type { DeviceModel } from '../../../core/model/schema';
import { blockOf, bodiesOf } from './rework-bodies';

/** What a press of the pedal did, in its order. */
type Did = { press: string; step: ReworkStep['id'] };

/** A whole piece of work by the pedal alone, as the bench does it; the programmer says what it is asked. */
function byPedal(model: DeviceModel, slot: string, kind: ReworkKind): { bench: Bench; did: Did[] } {
  const tasks = [{ slot, action: 'rework' as const }];
  const bench = new Bench(indexed(model), route(model, { tasks })).open({ tasks });
  const now = () => instruct(bench.context, bench.state, { at: bench.at, clockKnown: true });
  for (let k = 0; k < 300; k++) {
    const shown = now();
    if (shown.kind === 'do' && shown.step.action === 'rework') break;
    bench.next();
  }
  const chip = model.chips?.find((c) => c.slot === slot);
  bench.do({
    ...{ type: 'reworkBegun', slot, kind, school: '280', practice: false, stencil: 's' },
    ...(chip ? { chip: chip.id } : {}),
  });
  const plan = reworkPlan({
    ...{ kind, school: '280', practice: false, stencil: true, underfill: chip?.underfill ?? true },
  });
  const did: Did[] = [];
  for (let press = 0; press < 200; press++) {
    // as long as alcohol takes to flash off
    bench.at += 70_000;
    const { state, index } = bench;
    const work = state.rework[slot]!;
    const live = isOn(state, index.cellConnector!);
    const step = nextStepOf(plan, doneNow(work.done, { live, dataSettled: state.data[slot] !== undefined }));
    if (!step) break;
    const side = looks[step.id]?.side ?? 'after';
    const pads = chip && judgePads(chip, state.pads[`${slot} ${side}`] ?? {});
    const isTrial = trialOf[kind] === step.id;
    const data = state.data[slot];
    const blocked = blockOf(step, { pads, work, data, due: true, flashS: 0, isTrial });
    did.push({ press: blocked ?? 'done', step: step.id });
    if (blocked === 'data')
      bench.do(
        step.id === 'save data' ? { type: 'dataRead', slot } : { type: 'dataWritten', slot, verified: true },
      );
    else if (blocked === 'module')
      bench.do({
        ...{ type: 'moduleTested', slot, again: step.id === 'module test again' },
        fails: step.id === 'module test again' ? [] : ['dot projector'],
      });
    else if (blocked === 'pads')
      bench.do({
        ...{ type: 'padsSeen', slot, side },
        pads: Object.fromEntries(padsOf(chip!.pattern).map((pad) => [pad, 'good' as const])),
      });
    else if (blocked === 'trial') bench.do({ type: 'reworkTried', slot, outcome: 'works' });
    else
      for (const body of bodiesOf(step, slot, { work, index, state })) {
        const { findings, refused } = bench.do(body);
        expect(findings, `${step.id}: ${JSON.stringify(body)}`).toEqual([]);
        expect(refused).toBeUndefined();
      }
  }
  return { bench, did };
}

const works: [ReworkKind, DeviceModel, string][] = [
  ['identity chip', dune3, 'id-chip'],
  ['add-on flex', dune3, 'id-chip'],
  ['conversion flex', dune3, 'id-chip'],
  ['loose lens', atlas, 'face-module'],
  ['dead projector', atlas, 'face-module'],
];
describe.each(works)('%s, by the pedal alone', (kind, model, slot) => {
  const { bench, did } = byPedal(model, slot, kind);
  test('comes to its end without a stop, tried, with the battery off again and all of it told', () => {
    const work = bench.state.rework[slot]!;
    expect(work.tries).toEqual(['works']);
    expect(isOn(bench.state, bench.index.cellConnector!)).toBe(false);
    bench.do({ type: 'reworkEnded', slot, outcome: 'works' });
    expect(bench.do({ type: 'acted', act: 'rework', target: slot }).findings).toEqual([]);
    // the rest of the route goes on as if nothing had been plugged in
    const left = bench.finish();
    expect(left.state.trail.length).toBeGreaterThan(0);
  });
  test('nothing is warmed while the battery is on, and what is read, tested or looked at comes first', () => {
    const at = (press: string, step?: string) =>
      did.findIndex((d) => d.press === press && (step === undefined || d.step === step));
    const cut = did.findIndex((d) => breaksIn.has(d.step));
    if (cut >= 0) {
      expect(at('data')).toBeGreaterThanOrEqual(0);
      expect(at('data')).toBeLessThan(cut);
      expect(at('module')).toBeLessThan(cut);
    }
    const warm = bench.log.filter((e) => e.body.type === 'reworkHeatStarted');
    expect(warm.length).toBe(
      reworkPlan({
        ...{ kind, school: '280', practice: false, stencil: true },
        underfill: model.chips?.find((c) => c.slot === slot)?.underfill ?? true,
      }).filter((s) => warms(s) || s.lampS).length,
    );
  });
});
