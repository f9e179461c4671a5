import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { applyEdits, difference, type Edit, invertEdits } from '../../../../core/model/edit';
import { editsOfAll, editsOfVariant } from '../../../../core/model/edit-variant';
import { withHeld } from '../../../../core/model/editing';
import { type IndexedModel, indexModel } from '../../../../core/model/index-model';
import type { DeviceModel } from '../../../../core/model/schema';
import { ofVariant } from '../../../../core/model/variant';
import type { Face } from '../../../../core/vocabulary/trade';

export const tools = ['choose', 'part', 'fastener', 'connector', 'bond', 'catch', 'noGo'] as const;
export type Tool = (typeof tools)[number];

/** What has been changed since the version that is edited, in this browser: a closed tab loses nothing. */
const keptKey = (hash: string) => `snavek-model-${hash}`;
function keptEdits(hash: string): Edit[] {
  try {
    return JSON.parse(localStorage.getItem(keptKey(hash)) ?? '[]') as Edit[];
  } catch {
    return [];
  }
}
function keepEdits(hash: string, edits: readonly Edit[]): void {
  if (edits.length) localStorage.setItem(keptKey(hash), JSON.stringify(edits));
  else localStorage.removeItem(keptKey(hash));
}
/** It has been kept on the server: what this browser had of it goes. */
export const forgetEdits = (hash: string) => localStorage.removeItem(keptKey(hash));
/** Puts changes beside another version, where the editor finds them. */
export const leaveEdits = keepEdits;

interface History {
  model: DeviceModel;
  /** What takes each step back, the last one first; and what makes it again. */
  past: Edit[][];
  future: Edit[][];
}
/** Keeps what has been changed in this browser, soon after each change and at once when the page goes. */
function useKept(hash: string, base: DeviceModel, whole: DeviceModel): void {
  const latest = useRef(whole);
  latest.current = whole;
  useEffect(() => {
    const timer = setTimeout(() => keepEdits(hash, difference(base, whole)), 200);
    const now = () => keepEdits(hash, difference(base, latest.current));
    window.addEventListener('pagehide', now);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', now);
    };
  }, [hash, base, whole]);
}
export interface Editor extends ReturnType<typeof useEditor> {}

/** A model while it is edited: every step is a list of changes, taken back and made again without end. */
export function useEditor(hash: string, base: DeviceModel) {
  const [history, setHistory] = useState<History>({ model: base, past: [], future: [] });
  const [found, setFound] = useState(0);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [tool, setTool] = useState<Tool>('choose');
  const [face, setFace] = useState<Face>('front');
  const [along, setAlong] = useState(true);
  const [wanted, setVariant] = useState<string>();
  // what this browser had kept is one step, which can be taken back as any other
  useEffect(() => {
    const edits = keptEdits(hash);
    if (!edits.length) return;
    setFound(edits.length);
    setHistory({ model: applyEdits(base, edits), past: [invertEdits(base, edits)], future: [] });
  }, [hash, base]);
  const whole = history.model;
  // one that has been taken back meanwhile is edited no more
  const variant = whole.variants.find((v) => v.id === wanted)?.id;
  useKept(hash, base, whole);
  const step = useCallback((editsOf: (before: DeviceModel) => readonly Edit[]) => {
    setHistory((h) => {
      const edits = editsOf(h.model);
      if (!edits.length) return h;
      return {
        model: applyEdits(h.model, edits),
        past: [invertEdits(h.model, edits), ...h.past],
        future: [],
      };
    });
  }, []);
  const change = useCallback(
    (edits: readonly Edit[]) =>
      edits.length
        ? step((before) => (variant ? editsOfVariant(before, variant, edits) : editsOfAll(before, edits)))
        : undefined,
    [variant, step],
  );
  const changeWhole = useCallback((edits: readonly Edit[]) => step(() => edits), [step]);
  const undo = useCallback(() => {
    setHistory((h) => {
      const [step, ...past] = h.past;
      if (!step) return h;
      return { model: applyEdits(h.model, step), past, future: [invertEdits(h.model, step), ...h.future] };
    });
  }, []);
  const redo = useCallback(() => {
    setHistory((h) => {
      const [step, ...future] = h.future;
      if (!step) return h;
      return { model: applyEdits(h.model, step), past: [invertEdits(h.model, step), ...h.past], future };
    });
  }, []);
  const model = useMemo(() => (variant ? ofVariant(whole, variant) : whole), [whole, variant]);
  const index: IndexedModel = useMemo(() => indexModel(model), [model]);
  const there = useMemo(
    () => chosen.filter((id) => id.startsWith('noGo:') || known(index, id)),
    [chosen, index],
  );
  return {
    /** The model with all its variants, as it is kept; and what of it is on the map. */
    ...{ whole, variant, setVariant, changeWhole },
    ...{ hash, base, model, index, change, undo, redo, found, tool, setTool, face, setFace },
    ...{ along, setAlong },
    /** What moves when something is moved: it, and what holds nothing but it. */
    moving: (ids: readonly string[]): readonly string[] => (along ? withHeld(index, ids) : ids),
    chosen: there,
    choose: setChosen,
    mayUndo: history.past.length > 0,
    mayRedo: history.future.length > 0,
    edits: useMemo(() => difference(base, whole), [base, whole]),
  };
}
const known = (index: IndexedModel, id: string) =>
  index.slots.has(id) ||
  index.fasteners.has(id) ||
  index.connectors.has(id) ||
  index.bonds.has(id) ||
  index.catches.has(id);
