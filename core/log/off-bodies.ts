import { originalPiece } from '../vocabulary/pieces';
import type { Body } from './events';
import type { Met } from './met-schema';

/** What it means that a thing is off: the same bodies as of a thing that the model has. A screw has been measured, too. */
export function offBodies(thing: Met): Body[] {
  switch (thing.kind) {
    case 'fastener': {
      const piece = originalPiece(thing.id);
      return [
        { type: 'screwOut', fastener: thing.id, piece },
        { type: 'screwMeasured', piece, lengthMm: thing.lengthMm, headMm: thing.headMm },
      ];
    }
    case 'connector':
      return [{ type: 'connectorOff', connector: thing.id }];
    case 'bond':
      return [{ type: 'bondReleased', bond: thing.id, torn: false }];
    case 'catch':
      return [{ type: 'catchFreed', catch: thing.id }];
    case 'part':
      return [{ type: 'pieceMoved', slot: thing.id, pose: thing.neededOut ? 'out' : (thing.first ?? 'out') }];
  }
}
