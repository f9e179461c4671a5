import { columnsOf } from '../../core/heat/columns';
import { type HeatAsked, type HeatWindow, heatWindow } from '../../core/heat/heat-window';
import { type HeatOfStations, sourceAsSet } from '../../core/heat/planned-soak';
import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';

export interface HeatQuestion extends Pick<HeatAsked, 'onHeat' | 'readings' | 'draws' | 'seed'> {
  model: DeviceModel;
  bond: string;
  station: string;
  heat: HeatOfStations | undefined;
}
export type HeatTold = HeatWindow | undefined;

/** The heat window of a device beside the page: tried on some hundred devices and sources like this one. */
self.onmessage = (event: MessageEvent<HeatQuestion>) => {
  const { model, bond, station, heat, ...asked } = event.data;
  const set = sourceAsSet(station, heat);
  const told: HeatTold = set && heatWindow({ ...asked, ...set, columns: columnsOf(indexModel(model), bond) });
  self.postMessage(told);
};
