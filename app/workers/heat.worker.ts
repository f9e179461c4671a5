import { columnsOf } from '../../core/heat/columns';
import { type HeatAsked, type HeatWindow, heatWindow } from '../../core/heat/heat-window';
import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';

export interface HeatQuestion extends Omit<HeatAsked, 'columns'> {
  model: DeviceModel;
  bond: string;
}
export type HeatTold = HeatWindow;

/** The heat window of a device beside the page. */
self.onmessage = (event: MessageEvent<HeatQuestion>) => {
  const { model, bond, ...asked } = event.data;
  const told: HeatTold = heatWindow({ ...asked, columns: columnsOf(indexModel(model), bond) });
  self.postMessage(told);
};
