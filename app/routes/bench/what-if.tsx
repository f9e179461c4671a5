import { Segmented } from 'antd';
import type { DayPlan } from '../../../core/day/day-plan';
import { usualHands } from '../../../core/day/blocks';
import type { WhatIf } from '../../../core/day/what-if';
import * as wording from '../../../words/screens/day';
import { useFormats } from '../../ui/formats';
import { Pick } from '../../ui/pick';
import { stationName } from './day-rows';

/** So many more than there are, and no more than a bench has room for. */
const most = 6;
const hourMs = 3_600_000;
/** How many hours ahead somebody can be imagined away, or a device promised. */
const hoursAhead = 8;
const noPromise = 0;

export type Imagined = WhatIf;
export const isAsked = ({ people, away, pins, more }: Imagined): boolean =>
  people !== undefined || away !== undefined || !!pins?.length || more !== undefined;

/** What if somebody goes for lunch, or comes to help, or the plate is away, or one device more came: the plan answers, and today's stays what it is. */
export function WhatIfControls({
  today,
  imagined,
  onAsk,
  now,
}: {
  today: DayPlan;
  imagined: Imagined;
  onAsk: (imagined: Imagined) => void;
  now: number;
}) {
  const { clock } = useFormats();
  const there = today.people.length;
  const stations = [...new Set(today.blocks.flatMap((b) => b.station ?? []))];
  const first = Math.ceil((now || today.now) / hourMs) * hourMs;
  const hours = Array.from({ length: hoursAhead }, (_, k) => first + k * hourMs);
  const letGo = () => (document.activeElement as HTMLElement | null)?.blur();
  const { people: _, ...withoutPeople } = imagined;
  const { away: __, ...withoutAway } = imagined;
  const away = (what: string, from: number) =>
    onAsk({ ...imagined, away: { what, from, to: from + hourMs } });
  return (
    <span className="row gap-8 small noprint">
      <span id="what-if-people" className="muted nowrap">
        {wording.whatIf}
      </span>
      <Segmented
        aria-labelledby="what-if-people"
        options={Array.from({ length: Math.min(most, there + 2) }, (_, k) => ({
          value: k + 1,
          label: String(k + 1),
        }))}
        value={imagined.people ?? there}
        onChange={(people) => {
          onAsk(people === there ? withoutPeople : { ...imagined, people });
          // the next Space is the pedal's
          letGo();
        }}
      />
      <Pick
        letGo
        allowClear
        aria-label={wording.whoAway}
        placeholder={wording.whoAway}
        value={imagined.away?.what ?? null}
        onChange={(what) => (what ? away(what, imagined.away?.from ?? first) : onAsk(withoutAway))}
        options={[
          ...today.people.map((p) => ({ value: p.id, label: p.name })),
          ...stations.map((id) => ({ value: id, label: stationName(id) })),
        ]}
      />
      {imagined.away && (
        <Pick
          letGo
          aria-label={wording.whenAway}
          value={imagined.away.from}
          onChange={(from) => away(imagined.away!.what, from)}
          options={hours.map((from) => ({
            value: from,
            label: wording.between(clock(from), clock(from + hourMs)),
          }))}
        />
      )}
      <OneMore imagined={imagined} hours={hours} onAsk={onAsk} />
    </span>
  );
}
/** One device more, promised by then or not at all. */
function OneMore({
  imagined,
  hours,
  onAsk,
}: {
  imagined: Imagined;
  hours: readonly number[];
  onAsk: (imagined: Imagined) => void;
}) {
  const { clock } = useFormats();
  const { more: _, ...withoutMore } = imagined;
  return (
    <Pick
      letGo
      allowClear
      aria-label={wording.oneMoreBy}
      placeholder={wording.oneMoreBy}
      value={imagined.more ? (imagined.more.promisedAt ?? noPromise) : null}
      onChange={(by) =>
        onAsk(
          by === undefined || by === null
            ? withoutMore
            : { ...imagined, more: { promisedAt: by === noPromise ? null : by, hands: usualHands } },
        )
      }
      options={[
        { value: noPromise, label: wording.noPromise },
        ...hours.map((at) => ({ value: at, label: wording.promised(clock(at)) })),
      ]}
    />
  );
}
