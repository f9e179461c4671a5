import { Button } from 'antd';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Difference } from '../../../core/model/edit';
import type { LibraryModel } from '../../../core/wire/library';
import * as wording from '../../../words/screens/models';
import { kindName } from '../../../words/things';
import { DataTable } from '../../ui/data-table';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { Kept, useChange } from '../workshop/use-change';

/** A model beside another one: what lies elsewhere, what is longer, what came and went; and what of it is taken over. */
export function Differences({
  hash,
  other,
  others,
  differences,
  may,
}: Pick<LibraryModel, 'others'> & {
  hash: string;
  other: string | null;
  differences: Difference[] | undefined;
  may: boolean;
}) {
  const [, setParams] = useSearchParams();
  const { change, busy, said } = useChange();
  const [keys, setKeys] = useState<readonly string[]>([]);
  return (
    <section className="card stack gap-8" aria-label={wording.whatDiffers}>
      <Field label={wording.compareWith} htmlFor="compare-with">
        <Pick
          id="compare-with"
          allowClear
          placeholder={wording.compareHint}
          value={other}
          onChange={(value) => {
            setKeys([]);
            setParams(value ? { with: value } : {});
          }}
          options={others.map((o) => ({ value: o.hash, label: `${o.name} · ${o.hash.slice(0, 6)}` }))}
        />
      </Field>
      {differences && (
        <>
          <DataTable
            name={wording.whatDiffers}
            rows={differences}
            rowKey={(d) => d.key}
            empty={wording.theSame}
            chosen={may ? { keys, onChange: setKeys } : undefined}
            columns={[
              { title: wording.thing, cell: nameOf, sort: nameOf },
              { title: wording.difference, cell: textOf },
            ]}
          />
          {may && differences.length > 0 && (
            <div className="row">
              <Button
                type="primary"
                loading={busy}
                disabled={!keys.length}
                onClick={() => change({ do: 'take', hash, from: other, keys })}
              >
                {wording.takeOver}
              </Button>
              <Kept said={said} />
            </div>
          )}
          {may && <p className="muted small m-0">{wording.takeOverMeans}</p>}
        </>
      )}
    </section>
  );
}
/** A thing by its name; what a model says beside its things in words. */
const nameOf = (d: Difference): string => (d.list === 'said' ? (wording.saidName[d.id] ?? d.name) : d.name);
function textOf(d: Difference): string {
  if (d.what === 'new') return wording.isNew;
  if (d.what === 'gone') return wording.isGone;
  const said = [
    d.movedMm ? wording.moved(d.movedMm) : '',
    d.lengthMm ? wording.lengths(...d.lengthMm) : '',
    d.waysNew ? wording.waysNew(d.waysNew.map(kindName).join(', ')) : '',
    d.waysGone ? wording.waysGone(d.waysGone.map(kindName).join(', ')) : '',
  ].filter(Boolean);
  return said.join('; ') || wording.isOther;
}
