import { Button, Collapse } from 'antd';
import {
  addVariant,
  asInAll,
  differencesOfVariant,
  dropVariant,
  nameVariant,
} from '../../../../core/model/edit-variant';
import type { Edit } from '../../../../core/model/edit';
import type { Variant } from '../../../../core/model/schema';
import * as wording from '../../../../words/screens/edit-model';
import { Field } from '../../../ui/field';
import { Pick } from '../../../ui/pick';
import { TextField } from './fields';
import type { Editor } from './use-editor';

/** Whether what is changed is changed in all variants, or in one. */
export function WhichVariant({ editor: { whole, variant, setVariant } }: { editor: Editor }) {
  if (whole.variants.length < 2) return null;
  return (
    <Field label={wording.changedIn} htmlFor="changed-in">
      <Pick
        id="changed-in"
        letGo
        value={variant ?? ''}
        onChange={(id) => setVariant(id || undefined)}
        options={[
          { value: '', label: wording.inAll },
          ...whole.variants.map((v) => ({ value: v.id, label: wording.onlyIn(v.name) })),
        ]}
      />
    </Field>
  );
}
/** The variants of a model, each with what it has otherwise than all. */
export function VariantsCard({ editor, onGo }: { editor: Editor; onGo: (id: string) => void }) {
  const { whole, setVariant, changeWhole } = editor;
  const add = () => {
    const ids = new Set(whole.variants.map((v) => v.id));
    let n = whole.variants.length + 1;
    while (ids.has(`variant-${n}`)) n++;
    changeWhole(addVariant(whole, `variant-${n}`, wording.variantNamed(n)));
    setVariant(`variant-${n}`);
  };
  return (
    <section className="card stack gap-8" aria-label={wording.variants}>
      <h2>{wording.variants}</h2>
      <p className="small muted m-0">{wording.variantsMean}</p>
      <Collapse
        size="small"
        items={whole.variants.map((variant) => {
          const { length } = differencesOfVariant(whole, variant.id);
          return {
            key: variant.id,
            label: wording.variantDiffers(variant.name, length),
            children: <OneVariant editor={editor} variant={variant} onGo={onGo} />,
          };
        })}
      />
      <div className="row">
        <Button disabled={whole.variants.length >= 12} onClick={add}>
          {wording.addVariant}
        </Button>
      </div>
    </section>
  );
}
function OneVariant({
  editor,
  variant,
  onGo,
}: {
  editor: Editor;
  variant: Variant;
  onGo: (id: string) => void;
}) {
  const { whole, setVariant, changeWhole } = editor;
  const change = (edits: Edit[]) => changeWhole(edits);
  return (
    <div className="stack gap-8">
      <TextField
        label={wording.fieldName.name}
        value={variant.name}
        maxLength={60}
        onCommit={(name) => name.trim() && change(nameVariant(whole, variant.id, name.trim()))}
      />
      <ul className="list">
        {differencesOfVariant(whole, variant.id).map(({ id, name, list, what }) => (
          <li key={`${list} ${id}`} className="row small">
            <span className="fill">{wording.variantThing[what](name, id)}</span>
            {what !== 'gone' && (
              <Button
                onClick={() => {
                  setVariant(variant.id);
                  onGo(id);
                }}
              >
                {wording.show}
              </Button>
            )}
            <Button onClick={() => change(asInAll(whole, variant.id, id))}>{wording.asInAll}</Button>
          </li>
        ))}
      </ul>
      <div className="row">
        <Button
          danger
          disabled={whole.variants.length < 2}
          onClick={() => change(dropVariant(whole, variant.id))}
        >
          {wording.dropVariant}
        </Button>
      </div>
    </div>
  );
}
