import type { PhasedDraft } from './draft';
/** Steps that follow each other, do the same to the same piece and need the same are one. */
export function merge(steps: PhasedDraft[], cellConnector: string | undefined): PhasedDraft[] {
  const out: PhasedDraft[] = [];
  // the cell's plug is a step of its own: the first off, the last on
  const alone = (step: PhasedDraft) => step.targets.includes(cellConnector ?? '');
  for (const step of steps) {
    const last = out[out.length - 1];
    const mergeable = ['unscrew', 'fasten', 'release', 'renew', 'disconnect', 'connect', 'film off'].includes(
      step.action,
    );
    const connectors = step.action === 'disconnect' || step.action === 'connect';
    const same =
      last &&
      mergeable &&
      last.phase === step.phase &&
      last.action === step.action &&
      last.bit === step.bit &&
      last.face === step.face &&
      last.torqueNcM === step.torqueNcM &&
      last.station === step.station &&
      (connectors
        ? !last.cautions.includes('live-board') &&
          !step.cautions.includes('live-board') &&
          !alone(last) &&
          !alone(step) &&
          last.trial === undefined &&
          step.trial === undefined
        : last.about === step.about);
    // solvent dwells on one bond before that bond is worked on
    if (!same || (step.action === 'release' && step.note !== last.note)) {
      out.push(step);
      continue;
    }
    out[out.length - 1] = {
      ...last,
      targets: [...last.targets, ...step.targets],
      handsS: {
        low: last.handsS.low + step.handsS.low,
        likely: last.handsS.likely + step.handsS.likely,
        high: last.handsS.high + step.handsS.high,
      },
      waitS: Math.max(last.waitS, step.waitS),
      why: [...new Set([...last.why, ...step.why])],
      cautions: [...new Set([...last.cautions, ...step.cautions])],
      tools: [...new Set([...last.tools, ...step.tools])],
      ...(last.uses || step.uses ? { uses: [...(last.uses ?? []), ...(step.uses ?? [])] } : {}),
    };
  }
  return out;
}

/** What was wetted is worked on within this, s: after that the alcohol has gone (from memory). */
const wetS = 180;
/**
 * One wetting along the edge serves every bond of a cell that is worked on while it is wet: those are not wetted and waited for
 * again, and what comes later is.
 * @param cell the cell's slot
 */
export function wetOnce(steps: PhasedDraft[], cell: string | undefined): PhasedDraft[] {
  let since = Infinity;
  return steps.filter((step) => {
    const wets = step.action === 'solvent' && step.about === cell;
    if (wets && since <= wetS) return false;
    if (wets) since = 0;
    else since += step.handsS.likely + step.waitS;
    return true;
  });
}
