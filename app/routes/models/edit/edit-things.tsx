import { memo } from 'react';
import type { ListedThing } from '../../../../core/model/editing';
import { screwTitle } from '../../../../words/screens/edit-model';
import { BondPatch, Plug, ScrewMark, SlotPlate } from '../../../ui/map-things';
import { pieceLabel } from '../../../ui/map-labels';

/** A thing as the editor draws it: whole, in its place, with its name; `x` is what turns it over with its side. */
export const EditThing = memo(function EditThing({
  listed,
  lit,
  bare,
  x,
}: {
  listed: ListedThing;
  lit: boolean;
  /** Something lies over it: its name would be read through that. */
  bare: boolean;
  x: (mm: number, w?: number) => number;
}) {
  const { list, thing } = listed;
  switch (list) {
    case 'slots': {
      const left = x(thing.shape.x, thing.shape.w);
      const label = bare
        ? undefined
        : pieceLabel({ ...thing.shape, x: left }, thing.label ?? thing.name, [], false);
      return <SlotPlate slot={thing} x={left} here lit={lit} label={label} />;
    }
    case 'bonds':
      return (
        <BondPatch bond={thing} x={x(thing.shape.x, thing.shape.w)} look="whole" lit={lit} now={false} over />
      );
    case 'connectors':
      return <Plug plug={thing} x={x(thing.at.x)} on now={lit} textMm={3} />;
    case 'fasteners':
      return (
        <ScrewMark
          screw={thing}
          x={x(thing.at.x)}
          title={screwTitle(thing.id, thing.name, thing.lengthMm)}
          shown
          now={lit}
        />
      );
    case 'catches':
      return (
        <path
          d={`M${x(thing.at.x) - 2} ${thing.at.y - 0.8}h4l-2 2.4z`}
          fill="var(--ink)"
          stroke={lit ? 'var(--saffron)' : 'var(--ink)'}
          strokeWidth={lit ? 0.9 : 0.3}
        >
          <title>{thing.name}</title>
        </path>
      );
  }
});
