import { expect, test } from 'vitest';
import type { Task } from '../log/events';
import { standingOf } from '../progress/standing';
import type { Standing } from '../steps/route';
import { Bench } from '../testing/bench';
import { dune3, indexed, mica9, replace, route, withMethods } from '../testing/demo-models';

// What a route says that is planned again in the middle of the work.
const index = indexed(mica9);
const asked = replace('display', 'cell');
/** The first standing on a whole repair of which something is true. */
function standingWhere(wanted: (standing: Standing) => boolean): Standing {
  const bench = new Bench(index, route(mica9, asked)).open(asked);
  for (let press = 0; press < 300; press++) {
    const standing = standingOf(bench.state, index);
    if (wanted(standing)) return standing;
    if (!bench.next()) break;
  }
  throw new Error('the repair never comes there');
}
const isOpen = (standing: Standing) => standing.moved.some((m) => m.slot === 'display');

test('of a device that stands open nothing is opening any more', () => {
  const before = route(mica9, asked).steps;
  expect(before.findLastIndex((s) => s.phase === 'Open')).toBe(
    before.findIndex((s) => s.action === 'move' && s.targets[0] === 'display'),
  );
  const { steps } = route(mica9, { ...asked, standing: standingWhere(isOpen) });
  expect(steps.map((s) => s.phase)).not.toContain('Open');
  expect(steps[0]!.phase).toBe('Strip');
});

test('opened with its power on, a device is switched off before anything else, also where that is done while lifting', () => {
  const opened = standingWhere(isOpen);
  const live = { ...opened, acted: opened.acted.filter((act) => act !== 'switch off device') };
  const { steps } = route(mica9, { ...asked, ...withMethods({ power: 'on' }), standing: live });
  expect(steps[0]).toMatchObject({ action: 'switch off', cautions: ['charger-off'] });
  expect(steps.map((s) => s.action)).not.toContain('look');
  const { steps: shut } = route(mica9, { ...asked, ...withMethods({ power: 'on' }) });
  const lifted = shut.findIndex((s) => s.action === 'move');
  expect(shut.slice(lifted + 1, lifted + 3).map((s) => s.action)).toEqual(['look', 'switch off']);
});

test('a new display is as clean as it came, until a seal on it was laid and opened again', () => {
  const fitted = standingWhere((s) => s.done.includes('display') && s.done.includes('cell'));
  const rim = (standing: Standing) =>
    route(mica9, { ...asked, standing }).steps.find((s) => s.action === 'clean rim')!.targets;
  expect(rim(fitted)).toEqual(['rim', 'rim:mesh', 'rim:dry']);
  expect(rim({ ...fitted, acted: [...fitted.acted, 'spent seal'] })).toContain('rim:other');
  expect(route(mica9, replace('cell')).steps.find((s) => s.action === 'clean rim')!.targets).toContain(
    'rim:other',
  );
});

test('a plug that comes off on the way is not pressed home while it is off: it is seated anew when it goes on', () => {
  const reseat: Task = { slot: 'camera', action: 'reseat' };
  const of = (...tasks: Task[]) => route(mica9, { tasks }).steps;
  expect(of(reseat).filter((s) => s.action === 'reseat')).toMatchObject([{ targets: ['K-cam'] }]);
  const reworked = of(reseat, { slot: 'board', action: 'rework' });
  expect(reworked.map((s) => s.action)).not.toContain('reseat');
  expect(reworked.some((s) => s.action === 'connect' && s.targets.includes('K-cam'))).toBe(true);
});

test('an identity chip is reached, and the cell off, only where a new display is to get it', () => {
  const chip = withMethods({ 'display-data': 'chip' });
  const folds = (...slots: string[]) =>
    route(dune3, { ...replace(...slots), ...chip }).steps.some(
      (s) => s.action === 'move' && s.targets[0] === 'chip-bracket',
    );
  expect([folds('display'), folds('camera'), folds('display', 'camera')]).toEqual([true, false, true]);
  expect(route(dune3, replace('display')).steps.some((s) => s.targets.includes('chip-bracket'))).toBe(false);
});
