import * as wording from '../../../words/screens/work';
import { Button, Tag } from 'antd';
import { holds } from '../../../core/log/events';
import { bodyFor, stillToDo } from '../../../core/rules/step-of-event';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Step } from '../../../core/steps/route';
import { isTooLong } from '../../../core/screws/safe-length';
import { useNow } from '../../job/ticker';
import { Note } from '../../ui/note';
import { LengthBar, Recess } from '../../ui/recess';
import { doneWord, targetName } from '../../../words/steps';
import { driveName } from '../../../words/things';
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
        {change
          ? inHand
            ? wording.takeItUpOtherDown(driveName[inHand] ?? inHand)
            : wording.takeItUp
          : wording.staysInHand}
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
    return step.waitS > 0 ? <p className="size-17">{wording.itRunsByItself(span(step.waitS))}</p> : null;
  const screws = step.action === 'unscrew' || step.action === 'fasten';
  if (!screws && step.targets.length < 2) return null;
  const longest = Math.max(...index.model.fasteners.map((f) => f.lengthMm).filter((l) => l < 4));
  const left = stillToDo(index, state, step);
  return (
    <table className="targets" aria-label={wording.thingsOfThisStep}>
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
                {wording.allAre(left.length, step.action === 'fasten' ? 'in' : 'out')}
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
  const fastener = index.fasteners.get(id);
  const tone = done ? ('dim' as const) : now ? ('now' as const) : undefined;
  return (
    <tr className={done ? 'done' : now ? 'now' : ''}>
      {fastener ? (
        <>
          <td className="w-40">
            <Recess drive={fastener.drive} tone={tone ?? 'on'} />
          </td>
          <td>{fastener.name}</td>
          <td>
            <LengthBar lengthMm={fastener.lengthMm} longestMm={longest} {...(tone ? { tone } : {})} />
          </td>
          <td className="nowrap">{wording.lengthIs(fastener.lengthMm.toFixed(1))}</td>
        </>
      ) : (
        <td colSpan={4}>{targetName(index, step, id)}</td>
      )}
      <td className="w-74 to-right">
        {done ? (
          <span className="strong">✓ {fastener ? id : ''}</span>
        ) : (
          <Button type="text" block onClick={onDone} aria-label={wording.done(targetName(index, step, id))}>
            {fastener ? id : doneWord(step.action, id)}
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
        {known ? left((until - time) / 1000) : wording.clockNotKnown}
      </div>
      {!known && <Note tone="stop">{wording.twoClocksDisagreeSoThis}</Note>}
      {onEarly && (
        <div>
          <Button onClick={onEarly}>
            {step?.action === 'heat' ? wording.takenOffEarly : wording.endedEarly}
          </Button>
        </div>
      )}
    </div>
  );
}

/** Warm, and how long still: opening has to start before it has cooled. */
export function OpenBy({ by, firstAt }: { by: { until: number; clockKnown: boolean }; firstAt: number }) {
  const time = useNow() || firstAt;
  if (!by.clockKnown) return null;
  if (time > by.until) return <Tag color="warning">{wording.noLongerSoft}</Tag>;
  return (
    <Tag color="warning" role="timer">
      {wording.warmBeginWithin(left((by.until - time) / 1000))}
    </Tag>
  );
}

/** As near as this a screw counts as the hole's own, mm: lengths differ by tenths within one bracket. */
const asWell = 0.15;

export function Measured({ index, target, mm }: { index: IndexedModel; target: string; mm: number }) {
  const fastener = index.fasteners.get(target);
  if (!fastener) return <Tag>{wording.measuredMm(mm)}</Tag>;
  const off = Math.abs(mm - fastener.lengthMm);
  const long = isTooLong(mm, fastener);
  if (!long && off <= asWell)
    return (
      <Note tone="safe" role="status">
        {wording.mmRightFor(mm, target)}
      </Note>
    );
  return (
    <Note tone="stop" role="alert">
      {wording.hereThisHoleTakesAnother(
        mm,
        fastener.lengthMm.toFixed(1),
        long ? wording.itWouldReachWhatLies : '',
      )}
    </Note>
  );
}
