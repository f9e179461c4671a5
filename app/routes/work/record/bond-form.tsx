import { useState } from 'react';
import { bondKinds, type ReleaseMeans, releaseMeans } from '../../../../core/vocabulary/trade';
import * as wording from '../../../../words/screens/record';
import { Field } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { type Enter, useEnter } from './use-enter';
import type { RecordState } from './use-record';

type Kind = (typeof bondKinds)[number];
/** What usually loosens it, taken until another is said. */
const usually: Record<Kind, ReleaseMeans> = {
  'perimeter-seal': 'heat',
  'stretch-strip': 'pull',
  tape: 'pull',
  glue: 'heat',
  gasket: 'pull',
};

/** Glue, a strip, a seal: what it is, what loosed it, and where it lay. */
export function BondForm({ record, enter }: { record: RecordState; enter: Enter }) {
  const { index, face, drawn, isOff, newId, forget, say } = record;
  const { widthMm, heightMm } = index.model.outline;
  const [bond, setBond] = useState<Kind>('perimeter-seal');
  const [by, setBy] = useState<ReleaseMeans>('heat');
  const rim = bond === 'perimeter-seal';
  const shape = drawn ?? (rim ? { x: 0.5, y: 0.5, w: widthMm - 1, h: heightMm - 1 } : undefined);
  useEnter(enter, () => {
    if (!shape) {
      say(wording.tapTheBond);
      return;
    }
    isOff({ kind: 'bond', id: newId('bond'), name: wording.bondKindName[bond], face, shape, bond, by });
    forget();
  });
  return (
    <>
      <div className="fields">
        <Field label={wording.bondKind} htmlFor="bond-kind">
          <Pick
            id="bond-kind"
            letGo
            value={bond}
            onChange={(kind) => {
              setBond(kind);
              setBy(usually[kind]);
            }}
            options={bondKinds.map((k) => ({ value: k, label: wording.bondKindName[k] }))}
          />
        </Field>
        <Field label={wording.bondBy} htmlFor="bond-by">
          <Pick
            id="bond-by"
            letGo
            value={by}
            onChange={setBy}
            options={releaseMeans.map((m) => ({ value: m, label: wording.releaseName[m] }))}
          />
        </Field>
      </div>
      {rim && !drawn && <p className="muted small m-0">{wording.aroundTheRim}</p>}
    </>
  );
}
