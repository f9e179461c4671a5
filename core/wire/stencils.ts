import type { Stencil } from '../rework/stencil';
import type { Aperture } from '../rework/balls';

/** A stencil of the workshop's; aperture and thickness where they are known, mm. */
export interface StencilRow extends Stencil {
  name: string;
  shape: Aperture['shape'];
  apertureMm: number | null;
  thicknessMm: number | null;
}
/** A chip of a model that this workshop sees. */
export interface ChipChoice {
  /** Of the model, and of the chip in it. */
  id: string;
  name: string;
  pitchMm: number;
  ballMm: number;
  pattern: readonly string[];
}
