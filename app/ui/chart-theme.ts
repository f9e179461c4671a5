import { fontFamily, tokens } from './palette';

/** What every chart shares: our type, our lines, no motion. */
export const chartBase = {
  animation: false,
  textStyle: { fontFamily, color: tokens.ink, fontSize: 14 },
  grid: { left: 8, right: 12, top: 16, bottom: 8, containLabel: true },
} as const;
export const axisLook = {
  axisLine: { lineStyle: { color: tokens.metal } },
  axisTick: { show: false },
  splitLine: { lineStyle: { color: tokens.line } },
  axisLabel: { color: tokens.muted, fontFamily, fontSize: 13 },
} as const;
/** Lines are told apart by mark and dash as well as by colour. */
export const lineLooks = [
  { color: tokens.petrol, symbol: 'circle', type: 'solid' },
  { color: tokens.brick, symbol: 'rect', type: 'solid' },
  { color: tokens.saffronInk, symbol: 'triangle', type: 'dashed' },
  { color: tokens.moss, symbol: 'diamond', type: 'dashed' },
  { color: tokens.muted, symbol: 'emptyCircle', type: 'dotted' },
] as const;
