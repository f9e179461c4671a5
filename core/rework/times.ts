import { type AirSchool, type ReworkKind, reworkPlan, type ReworkStepId } from './work-plan';

/** A three-point time, s. */
interface Seconds {
  low: number;
  likely: number;
  high: number;
}
const s = (low: number, likely: number, high: number): Seconds => ({ low, likely, high });
/**
 * Seconds of hands for each step under the microscope. Starting guesses of a practised hand (from memory, no published
 * source), with the dwell under the air in them; the true times are in each job's log.
 */
const secondsOf: Record<ReworkStepId, Seconds> = {
  practise: s(0, 0, 0),
  'cell off': s(5, 10, 30),
  'save data': s(40, 75, 180),
  insulate: s(60, 120, 240),
  'free flex': s(30, 60, 180),
  clamp: s(20, 40, 90),
  underfill: s(120, 240, 600),
  lift: s(30, 90, 300),
  tin: s(30, 60, 120),
  wick: s(60, 120, 300),
  wash: s(30, 60, 120),
  'wash again': s(30, 60, 120),
  'look at pads': s(20, 40, 120),
  stencil: s(60, 150, 360),
  'loose balls': s(0, 0, 0),
  'settle balls': s(30, 60, 120),
  flux: s(10, 20, 40),
  place: s(60, 150, 400),
  'chip on flex': s(60, 150, 400),
  'wire flex': s(120, 300, 600),
  liner: s(20, 40, 90),
  cover: s(20, 40, 90),
  'seat flex': s(60, 150, 300),
  'try it': s(60, 120, 300),
  'close test': s(30, 60, 150),
  'mask lenses': s(60, 120, 240),
  'score window': s(60, 150, 300),
  'seat lens': s(60, 180, 600),
  'glue lens': s(20, 45, 90),
  cure: s(60, 70, 120),
  'tap test': s(20, 45, 90),
  'close gap': s(30, 60, 120),
  'module test': s(60, 120, 240),
  'cut frame': s(120, 240, 480),
  'soften frame': s(20, 40, 90),
  substitute: s(120, 300, 900),
  'module test again': s(60, 120, 240),
  'write data': s(40, 75, 180),
  'frame back': s(30, 60, 120),
  'solder frame': s(60, 150, 400),
  enrol: s(60, 120, 300),
  'look at balls': s(20, 40, 120),
  'insulate new': s(60, 120, 240),
  'clamp new': s(20, 40, 90),
  'lift new': s(30, 90, 300),
  'tin new': s(30, 60, 120),
  'wick new': s(60, 120, 300),
  'wash new': s(30, 60, 120),
  'look at pads new': s(20, 40, 120),
  'plug in': s(15, 30, 60),
  'off again': s(15, 30, 60),
  'underfill back': s(30, 60, 120),
};
/** Setting one loose ball, s (from memory). */
const ballS = s(1.5, 3, 7);

/** How long some work at a part takes in hands, all its steps together, s. @param chip that is moved; without one, an optic */
export function reworkSeconds(
  kind: ReworkKind,
  chip: { underfill: boolean; pattern: readonly string[] } | undefined,
  { school, stencil, newPart = false }: { school: AirSchool; stencil: boolean; newPart?: boolean },
): Seconds {
  const balls = chip?.pattern.reduce((sum, row) => sum + row.replaceAll('0', '').length, 0) ?? 0;
  const underfill = chip?.underfill ?? false;
  const steps = reworkPlan({ kind, school, stencil, newPart, practice: false, underfill });
  return steps.reduce<Seconds>(
    (sum, { id }) => {
      const each =
        id === 'loose balls' ? s(ballS.low * balls, ballS.likely * balls, ballS.high * balls) : secondsOf[id];
      return { low: sum.low + each.low, likely: sum.likely + each.likely, high: sum.high + each.high };
    },
    s(0, 0, 0),
  );
}
