import type { Need, Situation, Rule, Severity } from './interlock';
import { cellAndHeat } from './interlocks/cell-and-heat';
import { piecesAndScrews } from './interlocks/pieces-and-screws';
import { closing } from './interlocks/closing';
import { transfersAndData } from './interlocks/transfers-and-data';
import { rework } from './interlocks/rework';
import { agreement } from './interlocks/agreement';
import type { Role } from '../vocabulary/roles';
import type { IndexedModel } from '../model/index-model';
import type { Body, BodyType } from '../log/events';
import type { JobState } from '../log/state';
import { offBodies } from '../log/off-bodies';
import { hasCondition, isOn } from '../log/view';

/** What an interlock has to say about an act. */
export interface Finding {
  rule: RuleName;
  severity: Severity;
  /** What it is about: ids of things, conditions or functions; and figures such as seconds left. */
  ids: string[];
  seconds?: number;
  /** Roles that may pass a stop. */
  passableBy: readonly Role[];
}

/**
 * The interlocks: one table of named rules, each a small pure function, by subject. `core/rules` decides with it, the Work
 * screen speaks with it before a fact, and `core/route` takes the rules that have `needs` as precedences.
 * `forbid`: nobody passes. `stop`: passed with a typed reason by the roles named. `warn`: said, not stopped.
 */
export const rules = {
  ...cellAndHeat,
  ...piecesAndScrews,
  ...closing,
  ...agreement,
  ...transfersAndData,
  ...rework,
} satisfies Record<string, Rule>;
export type RuleName = keyof typeof rules;

const byType = new Map<BodyType, [RuleName, Rule][]>();
for (const [name, r] of Object.entries(rules) as [RuleName, Rule][])
  for (const t of r.on) byType.set(t, [...(byType.get(t) ?? []), [name, r]]);

/** The needs that the interlocks put before an act: what the planner turns into precedences. */
export function needsBefore(index: IndexedModel, body: Body): Need[] {
  return (byType.get(body.type) ?? []).flatMap(([, r]) => r.needs?.(index, body as never) ?? []);
}

const unmet = (state: JobState, need: Need): string | undefined => {
  if ('off' in need) return isOn(state, need.off) ? need.off : undefined;
  if ('on' in need) return isOn(state, need.on) ? undefined : need.on;
  return hasCondition(state, need.absent) ? need.absent : undefined;
};

/** Everything the interlocks have to say about one act in one situation, most severe first. */
export function findings(situation: Situation, asked: Body): Finding[] {
  // that a thing is met and off is judged as that it comes off
  const [body = asked] = asked.type === 'met' && asked.off ? offBodies(asked.thing) : [];
  const out: Finding[] = [];
  for (const [name, r] of byType.get(body.type) ?? []) {
    const said = r.check?.(situation, body as never);
    const ids = [
      ...(r.needs?.(situation.index, body as never) ?? [])
        .map((n) => unmet(situation.state, n))
        .filter((x) => x !== undefined),
      ...(Array.isArray(said) ? said : (said?.ids ?? [])),
    ];
    if (ids.length || said)
      out.push({
        rule: name,
        severity: r.severity,
        ids,
        passableBy: r.passableBy ?? [],
        ...(said && !Array.isArray(said) ? { seconds: said.seconds } : {}),
      });
  }
  const weight = { forbid: 0, stop: 1, warn: 2 };
  return out.sort((a, b) => weight[a.severity] - weight[b.severity]);
}
