import type { Step } from '../steps/route';
import type { Phase, Act } from '../vocabulary/steps';
import type { Minutes } from '../model/schema';
import type { IndexedModel } from '../model/index-model';
import type { Round } from '../log/events';
import { times, handsS } from './times';
import type { Face } from '../vocabulary/trade';
export type Draft = Omit<Step, 'id' | 'phase'>;
export type PhasedDraft = Draft & { phase: Phase };
/** A step that is not about loosing or fitting one operation's things. */
export const plainStep = (
  action: Step['action'],
  targets: string[],
  hands: Minutes,
  more: Partial<Draft> = {},
): Draft => ({
  action,
  targets,
  face: 'front',
  tools: [],
  handsS: hands,
  waitS: 0,
  why: [],
  cautions: [],
  ...more,
});
/** An act that runs by itself once it is started. */
export const holdStep = (
  act: Act,
  thing: string,
  waitS: number,
  hands: Minutes,
  more: Partial<Draft> = {},
): Draft => plainStep(act, [`${thing}:start`, `${thing}:end`], hands, { waitS, ...more });
/** Of some tools, those that the model lists. */
export const toolsOf = (index: IndexedModel, ids: readonly string[]) =>
  ids.filter((t) => index.model.tools.some((x) => x.id === t));

/** A check round as a step: its own time is the number of checks times the time of one. */
export const checkStep = (round: Round, count: number, more: Partial<Draft> = {}): Draft =>
  plainStep('check', [round], times(handsS.check, Math.max(1, count)), { round, ...more });
export const faceOf = (index: IndexedModel, slot: string): Face => index.slots.get(slot)?.face ?? 'front';
