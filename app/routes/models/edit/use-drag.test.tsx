// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { dune2 } from '../../../../core/testing/demo-models';
import { type Handle, useDrag } from './use-drag';
import { useEditor } from './use-editor';

// a millimetre is ten points of the screen here
const placeOf = (event: { clientX: number; clientY: number }) => ({
  x: event.clientX / 10,
  y: event.clientY / 10,
});
const editing = () =>
  renderHook(() => {
    const editor = useEditor('h', dune2);
    return { editor, ...useDrag(editor, 99, placeOf as never) };
  }).result;
let it: ReturnType<typeof editing>;
beforeEach(() => {
  localStorage.clear();
  it = editing();
});
afterEach(cleanup);
type Way = { by: [number, number]; alt?: boolean; shift?: boolean; button?: number };
const event = (type: string, x: number, y: number, { alt, shift, button = 0 }: Way) =>
  Object.assign(new Event(type), {
    clientX: 10 * x,
    clientY: 10 * y,
    altKey: !!alt,
    shiftKey: !!shift,
    button,
  });
/** Takes hold at a place in mm, goes a way in mm, and looks; then lets go. */
function drag(from: [number, number], id: string | undefined, way: Way, handle?: Handle) {
  act(() => it.current.down(event('pointerdown', ...from, way) as never, id, handle));
  const to: [number, number] = [from[0] + way.by[0], from[1] + way.by[1]];
  act(() => void window.dispatchEvent(event('pointermove', ...to, way)));
  const held = it.current.dragged;
  act(() => void window.dispatchEvent(event('pointerup', ...to, way)));
  expect(it.current.dragged).toBeUndefined();
  return held;
}
const shapeOf = (id: string) => it.current.editor.index.slots.get(id)!.shape!;
const cell = () => shapeOf('cell');
const middle = (id: string): [number, number] => {
  const s = shapeOf(id);
  return [s.x + s.w / 2, s.y + s.h / 2];
};

describe('a drag', () => {
  test('moves what is held when it is let go, and not before; it is one step to take back', () => {
    const was = { ...cell() };
    const held = drag(middle('cell'), 'cell', { by: [1.5, -2], alt: true });
    expect(held!.by).toMatchObject({ x: 1.5, y: -2 });
    expect(cell()).toMatchObject({ x: was.x + 1.5, y: was.y - 2, w: was.w, h: was.h });
    act(() => it.current.editor.undo());
    expect(cell()).toEqual(was);
    expect(it.current.editor.mayUndo).toBe(false);
  });
  test('takes what holds nothing but it along, and leaves the rest', () => {
    const { moving, index } = it.current.editor;
    const along = moving(['cell']).filter((id) => id !== 'cell');
    const before = new Map([...index.fasteners].map(([id, f]) => [id, f.at]));
    drag(middle('cell'), 'cell', { by: [1, 0], alt: true });
    const moved = [...it.current.editor.index.fasteners].filter(([id, f]) => f.at.x !== before.get(id)!.x);
    expect(moved.map(([id]) => id)).toEqual([...before.keys()].filter((id) => along.includes(id)));
  });
  test('of a hair is a tap: it chooses, and moves nothing', () => {
    const was = { ...cell() };
    drag(middle('cell'), 'cell', { by: [0.3, 0] });
    expect(cell()).toEqual(was);
    expect(it.current.editor.chosen).toEqual(['cell']);
    expect(it.current.editor.mayUndo).toBe(false);
  });
  test('with another button, or given up by the system, does nothing', () => {
    const was = { ...cell() };
    drag(middle('cell'), 'cell', { by: [5, 5], button: 2 });
    act(() => it.current.down(event('pointerdown', ...middle('cell'), { by: [0, 0] }) as never, 'cell'));
    act(() => void window.dispatchEvent(event('pointermove', 50, 50, { by: [0, 0] })));
    act(() => void window.dispatchEvent(new Event('pointercancel')));
    act(() => void window.dispatchEvent(event('pointerup', 50, 50, { by: [0, 0] })));
    expect(cell()).toEqual(was);
    expect(it.current.dragged).toBeUndefined();
  });
  test('is drawn to a line of another thing that is near, unless it is held free; then to a tenth of a millimetre', () => {
    const was = { ...cell() };
    const { model, moving } = it.current.editor;
    const along = moving(['cell']);
    const line = model.slots
      .filter((s) => s.face === 'front' && !along.includes(s.id))
      .flatMap(({ shape }) => [shape.x, shape.x + shape.w])
      .find((x) => Math.abs(x - was.x) > 1 && Math.abs(x - was.x) < 4)!;
    const by: [number, number] = [line - was.x - 0.4, 0];
    const held = drag(middle('cell'), 'cell', { by });
    const at = cell();
    const lines = [at.x, at.x + at.w / 2, at.x + at.w];
    expect(held!.lines.upright.length).toBeGreaterThan(0);
    // each of them is one of its own edges, or its middle
    for (const line of held!.lines.upright)
      expect(Math.min(...lines.map((own) => Math.abs(own - line)))).toBeLessThan(0.011);
    act(() => it.current.editor.undo());
    expect(drag(middle('cell'), 'cell', { by: [0.83, 0.47], alt: true })!.lines).toMatchObject({
      ...{ upright: [], level: [] },
    });
    expect(cell().x).toBeCloseTo(Math.round((was.x + 0.83) * 10) / 10, 5);
    expect(cell().y).toBeCloseTo(Math.round((was.y + 0.47) * 10) / 10, 5);
  });
});

describe('a handle', () => {
  test.each([
    ['e', { x: 0, y: 0, w: 2, h: 0 }],
    ['w', { x: 2, y: 0, w: -2, h: 0 }],
    ['s', { x: 0, y: 0, w: 0, h: 3 }],
    ['n', { x: 0, y: 3, w: 0, h: -3 }],
    ['se', { x: 0, y: 0, w: 2, h: 3 }],
    ['nw', { x: 2, y: 3, w: -2, h: -3 }],
    ['ne', { x: 0, y: 3, w: 2, h: -3 }],
    ['sw', { x: 2, y: 0, w: -2, h: 3 }],
  ] as const)('%s moves its own sides and no other', (handle, by) => {
    const was = { ...cell() };
    drag([0, 0], 'cell', { by: [2, 3], alt: true }, handle);
    const at = cell();
    for (const side of ['x', 'y', 'w', 'h'] as const)
      expect(at[side], side).toBeCloseTo(was[side] + by[side], 2);
  });
  test('turns nothing inside out: a part keeps a fifth of a millimetre', () => {
    const was = { ...cell() };
    drag([0, 0], 'cell', { by: [-500, 500], alt: true }, 'ne');
    expect(cell().w).toBeCloseTo(0.2);
    expect(cell().x).toBeCloseTo(was.x);
    expect(cell().h).toBeCloseTo(0.2);
    expect(cell().y).toBeCloseTo(was.y + was.h - 0.2);
  });
});

describe('choosing', () => {
  test('a frame chooses what lies in it wholly, drawn from any corner', () => {
    const { x, y, w, h } = cell();
    drag([x + w + 0.5, y + h + 0.5], undefined, { by: [-w - 1, -h - 1] });
    const chosen = it.current.editor.chosen;
    expect(chosen).toContain('cell');
    for (const id of chosen) {
      const listed = it.current.editor.index.slots.get(id)?.shape;
      if (listed) expect(listed.x + listed.w, id).toBeLessThanOrEqual(x + w + 0.5);
    }
    drag([x + 1, y - 0.5], undefined, { by: [w, h + 1] });
    expect(it.current.editor.chosen).not.toContain('cell');
  });
  test('with Shift a frame adds, and a tap adds or lets go of one', () => {
    const another = it.current.editor.model.slots.find((s) => s.id !== 'cell' && s.face === 'front')!.id;
    drag(middle('cell'), 'cell', { by: [0, 0] });
    drag([0, 0], another, { by: [0, 0], shift: true });
    expect(it.current.editor.chosen).toEqual(['cell', another]);
    drag([0, 0], 'cell', { by: [0, 0], shift: true });
    expect(it.current.editor.chosen).toEqual([another]);
    const { x, y, w, h } = cell();
    drag([x - 0.5, y - 0.5], undefined, { by: [w + 1, h + 1], shift: true });
    expect(it.current.editor.chosen).toEqual(expect.arrayContaining([another, 'cell']));
    expect(new Set(it.current.editor.chosen).size).toBe(it.current.editor.chosen.length);
  });
  test('a tap beside everything lets go of all; with Shift of nothing', () => {
    drag(middle('cell'), 'cell', { by: [0, 0] });
    drag([0, 0], undefined, { by: [0, 0], shift: true });
    expect(it.current.editor.chosen).toEqual(['cell']);
    drag([0, 0], undefined, { by: [0, 0] });
    expect(it.current.editor.chosen).toEqual([]);
  });
  test('of several that are chosen one is held and all of them move', () => {
    const another = it.current.editor.model.slots.find((s) => s.id === 'speaker')?.id ?? 'camera';
    const was = { ...shapeOf(another) };
    drag(middle('cell'), 'cell', { by: [0, 0] });
    drag([0, 0], another, { by: [0, 0], shift: true });
    drag(middle('cell'), 'cell', { by: [0.5, 0], alt: true });
    expect(shapeOf(another).x).toBeCloseTo(was.x + 0.5);
  });
});

describe('what is edited', () => {
  test('is kept in this browser, and is one step to take back where the page is opened anew', async () => {
    const was = { ...cell() };
    drag(middle('cell'), 'cell', { by: [1, 1], alt: true });
    act(() => void window.dispatchEvent(new Event('pagehide')));
    cleanup();
    it = editing();
    expect(it.current.editor.found).toBeGreaterThan(0);
    expect(cell().x).toBeCloseTo(was.x + 1);
    act(() => it.current.editor.undo());
    expect(cell()).toEqual(was);
    act(() => it.current.editor.redo());
    expect(cell().x).toBeCloseTo(was.x + 1);
  });
  test('a new step after going back leaves nothing to make again', () => {
    drag(middle('cell'), 'cell', { by: [1, 1], alt: true });
    act(() => it.current.editor.undo());
    expect(it.current.editor.mayRedo).toBe(true);
    drag(middle('cell'), 'cell', { by: [2, 2], alt: true });
    expect(it.current.editor.mayRedo).toBe(false);
  });
});
