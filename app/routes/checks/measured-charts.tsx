import { useMemo } from 'react';
import type { Taken } from '../../../core/checks/taken';
import type { Round } from '../../../core/log/events';
import { touchMap } from '../../../core/signals/touch';
import type { FunctionId } from '../../../core/vocabulary/trade';
import { functionName } from '../../../words/functions';
import * as wording from '../../../words/screens/checks';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/palette';

export interface MeasuredRow {
  id: string;
  round: Round;
  function: FunctionId;
  taken: Taken;
  pictures?: readonly string[];
}
type Sound = Extract<Taken, { kind: 'sound' }>;
type Touched = Extract<Taken, { kind: 'touch' }>;

/** What figures alone do not show: a loudspeaker by third octaves, and which part of a screen does not answer; before and now. */
export function MeasuredCharts({
  job,
  measured,
  round,
}: {
  job: string;
  measured: readonly MeasuredRow[];
  round: Round;
}) {
  const lastRow = (when: Round, fn: FunctionId) =>
    measured.findLast((m) => m.round === when && m.function === fn);
  const last = (when: Round, fn: FunctionId) => lastRow(when, fn)?.taken;
  const sounds = (['loudspeaker', 'ear-speaker'] as const).flatMap((fn) => {
    const now = last(round, fn);
    return now?.kind === 'sound' ? [{ fn, now, before: last('before', fn) as Sound | undefined }] : [];
  });
  const touch = last(round, 'touch');
  const drawn = touch?.kind === 'touch' ? touch : undefined;
  const seen = (['cameras', 'front-camera'] as const).flatMap((fn) => {
    const now = lastRow(round, fn)?.pictures ?? [];
    const before = round === 'before' ? [] : (lastRow('before', fn)?.pictures ?? []);
    return now.length ? [{ fn, now, before }] : [];
  });
  if (!sounds.length && !drawn && !seen.length) return null;
  return (
    <section className="card row top">
      {drawn && <TouchDrawn touch={drawn} />}
      {sounds.map(({ fn, now, before }) => (
        <Bands key={fn} name={functionName[fn]} now={now} before={round === 'before' ? undefined : before} />
      ))}
      {seen.map(({ fn, now, before }) => (
        <Pictures key={fn} job={job} name={functionName[fn]} now={now} before={before} />
      ))}
    </section>
  );
}
/** What the cameras saw, small; each opens large. What they saw as it came stands before it. */
function Pictures({
  job,
  name,
  now,
  before,
}: {
  job: string;
  name: string;
  now: readonly string[];
  before: readonly string[];
}) {
  const row = (ids: readonly string[], when: string) =>
    ids.map((id, k) => (
      <a key={id} href={`/jobs/${job}/photos/${id}`} target="_blank" rel="noreferrer">
        <img
          src={`/jobs/${job}/photos/${id}`}
          alt={wording.pictureOf(name, k + 1, when)}
          height={120}
          loading="lazy"
        />
      </a>
    ));
  return (
    <div>
      <h2>{wording.pictures(name)}</h2>
      {before.length > 0 && (
        <div className="row gap-4">
          <span className="small muted">{wording.before}</span> {row(before, wording.before)}
        </div>
      )}
      <div className="row gap-4">
        {before.length > 0 && <span className="small muted">{wording.now}</span>} {row(now, wording.now)}
      </div>
    </div>
  );
}

function Bands({ name, now, before }: { name: string; now: Sound; before: Sound | undefined }) {
  const option = useMemo(() => optionOf(now, before), [now, before]);
  return (
    <div className="grow">
      <h2>{wording.bandsOf(name)}</h2>
      <Chart option={option} height={190} label={wording.bandsSpoken(name)} />
    </div>
  );
}
const line = (name: string, sound: Sound, color: string, width: number) => ({
  name,
  type: 'line',
  symbol: 'none',
  silent: true,
  data: sound.bands.map((b) => [b.centreHz, b.levelDbfs]),
  lineStyle: { color, width },
  endLabel: { show: true, formatter: '{a}', color, fontSize: 13 },
});
const optionOf = (now: Sound, before: Sound | undefined) => ({
  ...chartBase,
  grid: { left: 8, right: 56, top: 14, bottom: 8, containLabel: true },
  xAxis: {
    type: 'log',
    min: 100,
    max: 16_000,
    ...axisLook,
    splitLine: { show: false },
    axisLabel: {
      ...axisLook.axisLabel,
      formatter: (hz: number) => (hz >= 1000 ? `${hz / 1000} kHz` : `${hz} Hz`),
    },
  },
  yAxis: {
    type: 'value',
    ...axisLook,
    axisLabel: { ...axisLook.axisLabel, formatter: (db: number) => `${String(db).replace('-', '−')} dB` },
  },
  series: [
    ...(before ? [line(wording.before, before, tokens.metal, 2)] : []),
    line(wording.now, now, tokens.saffron, 2.5),
  ],
});

/** The screen with the way of the finger, and where nothing answered. */
function TouchDrawn({ touch: { strokes, widthMm, heightMm } }: { touch: Touched }) {
  const map = useMemo(() => touchMap(strokes, widthMm, heightMm), [strokes, widthMm, heightMm]);
  return (
    <div>
      <h2>{wording.deadMap}</h2>
      <svg
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        height={190}
        role="img"
        aria-label={wording.deadMap}
        className="touched"
      >
        {strokes.map((stroke, k) => (
          <polyline key={k} points={stroke.map((p) => `${p.x.toFixed(1)},${p.y.toFixed(1)}`).join(' ')} />
        ))}
        {map.dead.map((d) => (
          <rect key={`${d.x} ${d.y}`} x={d.x} y={d.y} width={d.w} height={d.h} />
        ))}
      </svg>
    </div>
  );
}
