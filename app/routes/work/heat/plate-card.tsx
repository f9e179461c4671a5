import { Button } from 'antd';
import type { PlateSaid } from '../../../../core/wire/hot-plate';
import * as wording from '../../../../words/screens/hot-plate';
import { span } from '../../../../words/time';
import { noFocus } from '../work-keys';
import type { Plate } from './use-plate';

/** How near it counts as there, K. */
const nearK = 1;

/** The bench's plate: how warm it is, and whether it is set as the soak was computed with. */
export function PlateCard({ setC, plate: { said, set } }: { setC: number; plate: Plate }) {
  if (!said) return null;
  const asSet = said.ok && said.on && Math.abs(said.setC - setC) < 0.5;
  return (
    <section className="row mid" aria-label={wording.plate}>
      <span className="fill" role="status" data-testid="plate-now">
        {said.ok ? nowText(said, setC, asSet) : wording.noPlate(said.said)}
      </span>
      {said.ok && !asSet && (
        <Button onMouseDown={noFocus} onClick={() => set(true, setC)}>
          {wording.setTo(setC)}
        </Button>
      )}
      {said.ok && said.on && (
        <Button onMouseDown={noFocus} onClick={() => set(false, setC)}>
          {wording.off}
        </Button>
      )}
    </section>
  );
}
function nowText(
  { on, nowC, rampKS }: Extract<PlateSaid, { ok: true }>,
  setC: number,
  asSet: boolean,
): string {
  const now = nowC.toFixed(0);
  if (!on) return wording.isOff(now);
  if (!asSet) return wording.setOtherwise(now);
  if (Math.abs(nowC - setC) <= nearK) return wording.isThere(now);
  return nowC > setC
    ? wording.tooWarm(now)
    : wording.warms(now, span((setC - nowC) / Math.max(0.01, rampKS)));
}
