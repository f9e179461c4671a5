import type { Step } from '../steps/route';
import type { Caution } from '../vocabulary/steps';
import type { Role } from '../vocabulary/roles';

const metal = 'fine-tweezers';

/** Whether a person works with metal at connectors: practised hands only, and nobody at the cell (common practice). */
const mayUseMetal = (role: Role): boolean => role !== 'trainee';

/** The tools and cautions of a step for the person who does it. */
export function forLevel(
  step: Pick<Step, 'tools' | 'cautions'>,
  role: Role,
): { tools: string[]; cautions: Caution[] } {
  if (!step.tools.includes(metal) || mayUseMetal(role)) return { tools: step.tools, cautions: step.cautions };
  return {
    tools: ['spudger', ...step.tools.filter((t) => t !== metal && t !== 'spudger')],
    cautions: [...step.cautions.filter((c) => c !== 'plastic-only'), 'plastic-only'],
  };
}
