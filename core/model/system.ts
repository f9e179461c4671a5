import type { IndexedModel } from './index-model';
import type { DeviceModel } from './schema';

/**
 * Whether a rule of a model counts under a system version: one without a version always, one from a version on for that
 * version and later ones.
 * @param system such as `14.2`; undefined while it is not known
 * @returns undefined when that cannot be said, since the version is not known
 */
export function counts(
  rule: { systemFrom?: string | undefined },
  system: string | undefined,
): boolean | undefined {
  if (rule.systemFrom === undefined) return true;
  if (system === undefined) return undefined;
  const [has, from] = [system, rule.systemFrom].map((v) =>
    v.split('.').map((n) => Number.parseInt(n, 10) || 0),
  );
  for (let i = 0; i < Math.max(has!.length, from!.length); i++) {
    const step = (has![i] ?? 0) - (from![i] ?? 0);
    if (step !== 0) return step > 0;
  }
  return true;
}

type BootRule = DeviceModel['bootRules'][number];
/** The boot rules that count, or may count where the version is not known. */
export const bootRulesFor = (index: IndexedModel, system: string | undefined): BootRule[] =>
  index.model.bootRules.filter((r) => counts(r, system) !== false);

/** The connectors that must be on for a picture; where the version is not known, those of every rule that may count. */
export const bootConnectors = (index: IndexedModel, system: string | undefined): string[] => [
  ...new Set(bootRulesFor(index, system).flatMap((r) => r.connectors)),
];
