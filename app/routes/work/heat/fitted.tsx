import { Button } from 'antd';
import { useFetcher } from 'react-router';
import type { HeatWindow } from '../../../../core/heat/heat-window';
import type { sourceAsSet } from '../../../../core/heat/planned-soak';
import type { Range } from '../../../../core/thermal/materials';
import type { Changed } from '../../../../core/wire/changed';
import * as wording from '../../../../words/screens/heat';
import { stationName } from '../../../../words/things';
import { left } from '../../../../words/time';
import { type HeatSoFar, useHeatWindow } from '../../../ui/heat/use-heat-window';
import { Kept } from '../../workshop/use-change';
import type { WorkState } from '../use-work';

const thousand = (range: Range, f: (r: Range) => number) => (f(range) * 1000).toFixed(1);
const signed = ({ likely }: Range) => `${likely < 0 ? '−' : '+'}${Math.abs(likely).toFixed(1)}`;
/** To ten seconds, as the plan says it. */
const tens = (s: number) => left(Math.round(s / 10) * 10);
const windowText = ({ window }: Pick<HeatWindow, 'window'>, fromS: number) =>
  window ? wording.span(tens(window.opensS - fromS), tens(window.closesS - fromS)) : wording.none;

/** What readings at the glass have made of the source, before and after; kept for it by whoever may. */
export function Fitted({
  work: { index, who },
  found,
  soFar,
  station,
  bond,
  asSet,
}: {
  work: WorkState;
  found: HeatWindow;
  soFar: HeatSoFar;
  station: string;
  bond: string;
  asSet: NonNullable<ReturnType<typeof sourceAsSet>>;
}) {
  const fetcher = useFetcher<Changed>();
  const without = useHeatWindow(index.model, bond, asSet, {
    onHeat: soFar.onHeat,
    readings: none,
  }).window;
  const { offK, contactM2KW, filmWm2K } = found.fitted!;
  const may = who.role === 'owner' || who.role === 'lead';
  const keep = () =>
    void fetcher.submit(
      JSON.stringify({
        do: 'heat',
        station,
        setC: asSet.setC,
        fitted: { ...found.fitted!, readings: soFar.readings.length },
      }),
      { method: 'post', action: '/workshop', encType: 'application/json' },
    );
  return (
    <div className="stack gap-4 small">
      <p className="m-0">
        {contactM2KW
          ? wording.fittedContact(
              thousand(contactM2KW, (r) => r.low),
              thousand(contactM2KW, (r) => r.high),
              signed(offK),
            )
          : wording.fittedFilm(filmWm2K!.low.toFixed(0), filmWm2K!.high.toFixed(0), signed(offK))}
      </p>
      {without && (
        <p className="m-0">
          {wording.narrower(windowText(without, soFar.lastS), windowText(found, soFar.lastS))}
        </p>
      )}
      {may && (
        <div className="row">
          <Button loading={fetcher.state !== 'idle'} onClick={keep}>
            {wording.keepForStation}
          </Button>
          <Kept
            said={
              fetcher.data?.ok ? { ok: true, said: wording.kept(stationName(index, station)) } : fetcher.data
            }
          />
        </div>
      )}
    </div>
  );
}
const none: HeatSoFar['readings'] = [];
