import { forceN, pressureKPa, sealAreaMm2, usualPress } from '../../../core/seal/press';
import { perimeterSeal } from '../../../core/model/seals';
import * as wording from '../../../words/screens/press';
import { Note } from '../../ui/note';
import type { WorkState } from './use-work';

/** Before a device goes under the press: what it is set to, and what that is over this seal. */
export function PressNote({ work: { index, who } }: { work: WorkState }) {
  const set = who.settings.press ?? usualPress;
  const seal = perimeterSeal(index);
  if (!seal) return null;
  const newton = forceN(set);
  const kPa = pressureKPa(newton, sealAreaMm2(seal));
  return (
    <Note className="top-10">
      <p className="m-0 strong" data-testid="press-set">
        {wording.setTo(set.force, set.unit, Math.round(newton), Math.round(kPa / 10) * 10)}
      </p>
      <p className="m-0">{wording.checkFirst}</p>
    </Note>
  );
}
