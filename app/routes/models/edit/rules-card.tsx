import { Button, Checkbox, Collapse } from 'antd';
import type { ReactNode } from 'react';
import type { DeviceModel } from '../../../../core/model/schema';
import { functionIds } from '../../../../core/vocabulary/trade';
import * as wording from '../../../../words/screens/edit-model';
import { functionName } from '../../../../words/functions';
import { type Choice, ChoiceField, ManyField, TextField } from './fields';
import type { Editor } from './use-editor';

type Lists = Pick<DeviceModel, 'pairing' | 'bootRules' | 'programming'>;
/** Changes one row of a list of a model, takes it out, or adds one. */
function useRows<F extends keyof Lists>(editor: Editor, field: F) {
  type Row = Lists[F][number];
  const rows = editor.whole[field] as Row[];
  const set = (value: Row[]) => editor.changeWhole([{ do: 'set', field, value } as never]);
  return {
    rows,
    change: (n: number, partial: Partial<Row>) =>
      set(rows.map((row, k) => (k === n ? { ...row, ...partial } : row))),
    remove: (n: number) => set(rows.filter((_, k) => k !== n)),
    add: (row: Row) => set([...rows, row]),
  };
}
const slotsOf = ({ whole }: Editor): Choice[] =>
  [whole.slots, ...whole.variants.map((v) => v.add.slots)]
    .flat()
    .map((slot) => ({ value: slot.id, label: slot.name }));
const named = <T extends string>(values: readonly T[], names: Readonly<Record<T, string>>): Choice[] =>
  values.map((value) => ({ value, label: names[value] }));

/** What another piece in a slot changes, what has to be plugged in before it starts, and what the programmer covers. */
export function RulesCard({ editor }: { editor: Editor }) {
  const { pairing, bootRules, programming } = editor.whole;
  return (
    <section className="card stack gap-8" aria-label={wording.rules}>
      <h2>{wording.rules}</h2>
      <Collapse
        size="small"
        items={[
          {
            key: 'pairing',
            label: wording.pairingRows(pairing.length),
            children: <PairingRows editor={editor} />,
          },
          { key: 'boot', label: wording.bootRows(bootRules.length), children: <BootRows editor={editor} /> },
          {
            key: 'programming',
            label: wording.programmingRows(programming.length),
            children: <ProgrammingRows editor={editor} />,
          },
        ]}
      />
    </section>
  );
}
function Rows({ children, onAdd }: { children: ReactNode; onAdd: () => void }) {
  return (
    <div className="stack gap-8">
      {children}
      <div className="row">
        <Button onClick={onAdd}>{wording.addRow}</Button>
      </div>
    </div>
  );
}
function OneRow({ children, onRemove }: { children: ReactNode; onRemove: () => void }) {
  return (
    <div className="stack gap-4 rule-row">
      {children}
      <div className="row">
        <Button danger onClick={onRemove}>
          {wording.takeOut}
        </Button>
      </div>
    </div>
  );
}
const effects = ['kept', 'copy', 'calibrate', 'notice', 'lost'] as const;
const stores = ['panel-flex', 'chip', 'board', 'none'] as const;
function PairingRows({ editor }: { editor: Editor }) {
  const { rows, change, remove, add } = useRows(editor, 'pairing');
  const slots = slotsOf(editor);
  const first = editor.whole.slots[0]?.id ?? 'display';
  return (
    <Rows
      onAdd={() =>
        add({ slot: first, function: 'notice', effect: 'notice', store: 'none', owner: wording.sayToOwner })
      }
    >
      {rows.map((row, n) => (
        <OneRow key={n} onRemove={() => remove(n)}>
          <div className="fields">
            <ChoiceField
              label={wording.rulePart}
              value={row.slot}
              options={slots}
              onCommit={(slot) => slot && change(n, { slot })}
            />
            <ChoiceField
              label={wording.ruleFunction}
              value={row.function}
              options={named(functionIds, functionName)}
              onCommit={(v) => v && change(n, { function: v as typeof row.function })}
            />
          </div>
          <div className="fields">
            <ChoiceField
              label={wording.ruleEffect}
              value={row.effect}
              options={named(effects, wording.effectName)}
              onCommit={(v) => v && change(n, { effect: v as typeof row.effect })}
            />
            <ChoiceField
              label={wording.ruleStore}
              value={row.store}
              options={named(stores, wording.storeName)}
              onCommit={(v) => v && change(n, { store: v as typeof row.store })}
            />
          </div>
          <TextField
            label={wording.ruleOwner}
            value={row.owner}
            maxLength={300}
            onCommit={(owner) => owner && change(n, { owner })}
          />
          <TextField
            label={wording.ruleRemedy}
            value={row.remedy ?? ''}
            maxLength={300}
            onCommit={(remedy) => change(n, { remedy: remedy || undefined })}
          />
        </OneRow>
      ))}
    </Rows>
  );
}
function BootRows({ editor }: { editor: Editor }) {
  const { rows, change, remove, add } = useRows(editor, 'bootRules');
  const plugs = editor.whole.connectors.map((c) => ({ value: c.id, label: `${c.id} ${c.name}` }));
  const first = editor.whole.connectors[0]?.id;
  return (
    <Rows
      onAdd={() =>
        first && add({ connectors: [first], otherwise: wording.doesNotStart, reachesFromOld: false })
      }
    >
      {rows.map((row, n) => (
        <OneRow key={n} onRemove={() => remove(n)}>
          <ManyField
            label={wording.rulePlugs}
            values={row.connectors}
            options={plugs}
            onCommit={(connectors) => connectors.length && change(n, { connectors })}
          />
          <TextField
            label={wording.ruleOtherwise}
            value={row.otherwise}
            maxLength={300}
            onCommit={(otherwise) => otherwise && change(n, { otherwise })}
          />
          <TextField
            label={wording.ruleSystem}
            value={row.systemFrom ?? ''}
            maxLength={12}
            onCommit={(systemFrom) => change(n, { systemFrom: systemFrom || undefined })}
          />
          <Checkbox
            checked={row.reachesFromOld}
            onChange={(event) => change(n, { reachesFromOld: event.target.checked })}
          >
            {wording.ruleReaches}
          </Checkbox>
        </OneRow>
      ))}
    </Rows>
  );
}
function ProgrammingRows({ editor }: { editor: Editor }) {
  const { rows, change, remove, add } = useRows(editor, 'programming');
  const first = editor.whole.slots[0]?.id ?? 'display';
  return (
    <Rows
      onAdd={() => add({ slot: first, adapter: wording.adapterOf(editor.whole.name), thirdParty: false })}
    >
      {rows.map((row, n) => (
        <OneRow key={n} onRemove={() => remove(n)}>
          <div className="fields">
            <ChoiceField
              label={wording.rulePart}
              value={row.slot}
              options={slotsOf(editor)}
              onCommit={(slot) => slot && change(n, { slot })}
            />
            <TextField
              label={wording.ruleAdapter}
              value={row.adapter}
              maxLength={300}
              onCommit={(adapter) => adapter && change(n, { adapter })}
            />
          </div>
          <Checkbox
            checked={row.thirdParty}
            onChange={(event) => change(n, { thirdParty: event.target.checked })}
          >
            {wording.ruleThirdParty}
          </Checkbox>
        </OneRow>
      ))}
    </Rows>
  );
}
