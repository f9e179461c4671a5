import { Button, Tag } from 'antd';
import { holds } from '../../../core/log/events';
import { bodyFor, stillToDo } from '../../../core/rules/step-of-event';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/steps/route';
import { isTooLong } from '../../../core/screws/safe-length';
import { useNow } from '../../job/ticker';
import { Note } from '../../ui/note';
import { LengthBar, Recess } from '../../ui/recess';
import { doneWord } from '../../../words/steps';
import { driveName, thingName } from '../../../words/things';
import { left, span } from '../../../words/time';
import type { InstructionProps as Props } from './instruction-panel';

/** Which bit, and whether it is in hand already. */
export function BitChip({ steps, at, step }: Props & { step: Step }) {
  const inHand = steps.slice(0, at).findLast((s) => s.bit)?.bit;
  const change = inHand !== step.bit;
  return (
    <Tag color={change ? 'warning' : 'default'} className="under-8">
      <Recess drive={step.bit!} size={26} />
      <span className="strong nowrap size-18">{driveName[step.bit!]}</span>
      <span>
        {change ? (inHand ? `take it up, ${driveName[inHand]} down` : 'take it up') : 'stays in hand'}
      </span>
    </Tag>
  );
}

/** The things of a step: screws with their lengths to scale, connectors, bonds; the next one lit. */
export function Targets({
  index,
  state,
  step,
  target,
  onTarget,
  onAll,
}: Props & { step: Step; target: string }) {
  if (step.action === 'check') return null;
  if (step.action === 'heat' || holds.has(step.action))
    return step.waitS > 0 ? <p className="size-17">{`${span(step.waitS)}; it runs by itself.`}</p> : null;
  const screws = step.action === 'unscrew' || step.action === 'fasten';
  if (!screws && step.targets.length < 2) return null;
  const longest = Math.max(...index.model.fasteners.map((f) => f.lengthMm).filter((l) => l < 4));
  const left = stillToDo(index, state, step);
  return (
    <table className="targets" aria-label="Things of this step">
      <tbody>
        {step.targets.map((t) => (
          <TargetRow
            key={t}
            index={index}
            step={step}
            id={t}
            done={!left.includes(t)}
            now={t === target}
            longest={longest}
            onDone={() => onTarget(bodyFor(index, state, step, t))}
          />
        ))}
        {onAll && (
          <tr>
            <td colSpan={5}>
              <Button type="text" block onMouseDown={(e) => e.preventDefault()} onClick={onAll}>
                <kbd>A</kbd>
                {` all ${left.length} are ${step.action === 'fasten' ? 'in' : 'out'}`}
              </Button>
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

function TargetRow({
  index,
  step,
  id,
  done,
  now,
  longest,
  onDone,
}: {
  index: IndexedModel;
  step: Step;
  id: string;
  done: boolean;
  now: boolean;
  /** The longest screw that the bars are to scale with, mm. */
  longest: number;
  onDone: () => void;
}) {
  const f = index.fasteners.get(id);
  const tone = done ? ('dim' as const) : now ? ('now' as const) : undefined;
  return (
    <tr className={done ? 'done' : now ? 'now' : ''}>
      {f ? (
        <>
          <td className="w-40">
            <Recess drive={f.drive} tone={tone ?? 'on'} />
          </td>
          <td>{f.name}</td>
          <td>
            <LengthBar lengthMm={f.lengthMm} longestMm={longest} {...(tone ? { tone } : {})} />
          </td>
          <td className="nowrap">{f.lengthMm.toFixed(1)} mm</td>
        </>
      ) : (
        <td colSpan={4}>{thingName(index, id.split('/')[0]!.split('#')[0]!)}</td>
      )}
      <td className="w-74 to-right">
        {done ? (
          <span className="strong">✓ {f ? id : ''}</span>
        ) : (
          <Button type="text" block onClick={onDone} aria-label={`${thingName(index, id)}: done`}>
            {f ? id : doneWord(step.action)}
          </Button>
        )}
      </td>
    </tr>
  );
}

/** A wait that runs by itself, counting down. */
export function Waiting({
  until,
  known,
  firstAt,
  step,
  onEarly,
}: Props & { until: number; known: boolean; step?: Step; onEarly: (() => void) | undefined }) {
  const time = useNow() || firstAt;
  return (
    <div className="stack">
      <div className="big-timer" role="timer">
        {known ? left((until - time) / 1000) : 'clock not known'}
      </div>
      {!known && (
        <Note tone="stop">
          Two clocks disagree, so this wait counts as unfinished. Wait the full time by another clock.
        </Note>
      )}
      {onEarly && (
        <div>
          <Button onClick={onEarly}>{step?.action === 'heat' ? 'Taken off early' : 'Ended early'}</Button>
        </div>
      )}
    </div>
  );
}

/** Warm, and how long still: opening has to start before it has cooled. */
export function OpenBy({ by, firstAt }: { by: { until: number; clockKnown: boolean }; firstAt: number }) {
  const time = useNow() || firstAt;
  if (!by.clockKnown || time > by.until) return null;
  return (
    <Tag color="warning" role="timer">
      {`warm: begin within ${left((by.until - time) / 1000)}`}
    </Tag>
  );
}

/** As near as this a screw counts as the hole's own, mm: lengths differ by tenths within one bracket. */
const asWell = 0.15;

export function Measured({ index, target, mm }: { index: IndexedModel; target: string; mm: number }) {
  const f = index.fasteners.get(target);
  if (!f) return <Tag>{`measured ${mm} mm`}</Tag>;
  const off = Math.abs(mm - f.lengthMm);
  const long = isTooLong(mm, f);
  if (!long && off <= asWell)
    return <Note tone="safe" role="status">{`${mm} mm: right for ${target}.`}</Note>;
  return (
    <Note
      tone="stop"
      role="alert"
    >{`${mm} here, this hole takes ${f.lengthMm.toFixed(1)}${long ? ': it would reach what lies below' : ''}. Another screw belongs here.`}</Note>
  );
}
