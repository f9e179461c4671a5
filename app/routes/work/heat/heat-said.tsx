import { Tag } from 'antd';
import { flag, type JobState } from '../../../../core/log/state';
import type { Step } from '../../../../core/steps/route';
import * as wording from '../../../../words/screens/heat';
import { left } from '../../../../words/time';
import { useNow } from '../../../job/ticker';

/** When a device may come off its heat source, in one line, and where it stands in it now. */
export function HeatSaid({ state, step, firstAt }: { state: JobState; step: Step; firstAt: number }) {
  const time = useNow() || firstAt;
  const heat = flag(state, 'heat');
  const s = (ms: number) => (ms - (heat?.since ?? 0)) / 1000;
  const opensS = heat ? heat.opensAt && s(heat.opensAt) : step.soak?.opensS;
  const closesS = heat ? heat.closesAt && s(heat.closesAt) : step.soak?.closesS;
  const softForS = heat ? heat.softForS : step.soak?.softForS;
  const now = heat ? s(time) : undefined;
  if (heat?.coldSince !== undefined)
    return (
      <p className="strong size-17 m-0" role="status">
        {wording.coldNow}
      </p>
    );
  if (closesS === undefined) return null;
  if (opensS === undefined)
    return <NoTime now={now} closesS={closesS} ofTen={heat?.readings ? undefined : step.soak?.softOfTen} />;
  return (
    <div className="stack gap-4 under-8">
      <p className="strong size-17 m-0" data-testid="heat-window">
        {wording.openBetween(left(opensS), left(closesS))}
      </p>
      <span>
        {now !== undefined && now >= opensS && now < closesS && <Tag color="success">{wording.softNow}</Tag>}
        {now !== undefined && now >= opensS && now < closesS && closesS - now < 60 && (
          <Tag color="warning">{wording.offWithin(left(closesS - now))}</Tag>
        )}
        {now !== undefined && now >= closesS && <Tag color="error">{wording.tooLong}</Tag>}
        {softForS !== undefined && <Tag>{wording.softFor(left(softForS))}</Tag>}
      </span>
    </div>
  );
}

/** No time is right: when it has to come off is said, and how many seals of ten are soft by then. */
function NoTime({
  now,
  closesS,
  ofTen,
}: {
  now: number | undefined;
  closesS: number;
  ofTen: number | undefined;
}) {
  return (
    <div className="stack gap-4 under-8">
      <p className="strong size-17 m-0" data-testid="heat-window">
        {wording.offBy(left(closesS), ofTen)}
      </p>
      {now !== undefined && now >= closesS && (
        <span>
          <Tag color="error">{wording.tooLong}</Tag>
        </span>
      )}
    </div>
  );
}
