import { useEffect, useRef } from 'react';
import { moveThings, takeOutThings } from '../../../../core/model/editing';
import { dialogIsOpen } from '../../../ui/keys';
import { noGoNumber } from './edit-scene';
import type { Editor } from './use-editor';

const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const isTyping = () =>
  dialogIsOpen() ||
  /^(INPUT|TEXTAREA|SELECT)$/.test(document.activeElement?.tagName ?? '') ||
  document.activeElement?.getAttribute('role') === 'slider';

/** Arrows move what is chosen, Delete takes it out, Ctrl Z and Ctrl Y go back and forth, Escape lets go. Before the bench's keys. */
export function useEditKeys(editor: Editor): void {
  const latest = useRef(editor);
  useEffect(() => {
    latest.current = editor;
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => {
      if (isTyping() || !taken(latest.current, event)) return;
      event.preventDefault();
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', down, { capture: true });
    return () => window.removeEventListener('keydown', down, { capture: true });
  }, []);
}
function taken(editor: Editor, event: KeyboardEvent): boolean {
  const { index, face, chosen, change, choose, undo, redo, setTool, tool } = editor;
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === 'z') (event.shiftKey ? redo : undo)();
    else if (key === 'y') redo();
    else return false;
    return true;
  }
  if (event.altKey) return false;
  const things = chosen.filter((id) => noGoNumber(id) === undefined);
  const step = steps[event.key];
  if (step && things.length) {
    const mm = event.shiftKey ? 0.1 : 1;
    // on the back the device is seen through: what goes right there goes left in the model
    change(
      moveThings(index, editor.moving(things), {
        x: (face === 'back' ? -1 : 1) * step[0] * mm,
        y: step[1] * mm,
      }),
    );
    return true;
  }
  if ((event.key === 'Delete' || event.key === 'Backspace') && things.length) {
    change(takeOutThings(index, things));
    choose([]);
    return true;
  }
  if (event.key === 'Escape' && (chosen.length || tool !== 'choose')) {
    choose([]);
    setTool('choose');
    return true;
  }
  return false;
}
