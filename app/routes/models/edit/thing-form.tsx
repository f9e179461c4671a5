import { type ListedThing, put, withBox } from '../../../../core/model/editing';
import {
  bondKinds,
  catchKinds,
  directions,
  drives,
  faces,
  functionIds,
  releaseMeans,
  slotKinds,
} from '../../../../core/vocabulary/trade';
import { releaseOf } from '../../../../core/record/usual';
import * as record from '../../../../words/screens/record';
import * as wording from '../../../../words/screens/edit-model';
import { driveName, kindName } from '../../../../words/things';
import { functionName } from '../../../../words/functions';
import { type Choice, ChoiceField, FigureField, ManyField, TextField } from './fields';
import type { Editor } from './use-editor';
import { useThing } from './use-thing';
import { WaysForm } from './ways-form';

const named = (values: readonly string[], names?: Readonly<Record<string, string>>): Choice[] =>
  values.map((value) => ({ value, label: names?.[value] ?? kindName(value) }));
const { fieldName } = wording;

/** The fields of the one thing that is chosen, by what it is. */
export function ThingForm({ editor, listed }: { editor: Editor; listed: ListedThing }) {
  const { errors, change } = useThing(editor, listed);
  const { thing, list } = listed;
  const slots = editor.model.slots.map((slot) => ({ value: slot.id, label: slot.name }));
  const common = { editor, errors, change, slots };
  return (
    <div className="stack gap-4">
      <div className="fields">
        <TextField
          label={fieldName.name}
          value={thing.name}
          maxLength={60}
          error={errors.name}
          onCommit={(name) => change({ name })}
        />
        {list === 'slots' && (
          <TextField
            label={fieldName.label}
            value={thing.label ?? ''}
            maxLength={24}
            error={errors.label}
            onCommit={(label) => change({ label: label || undefined })}
          />
        )}
      </div>
      <PlaceFields editor={editor} listed={listed} />
      <div className="fields">
        <ChoiceField
          label={fieldName.face}
          value={thing.face}
          options={named(faces, wording.sideName)}
          onCommit={(face) => change({ face })}
        />
        <FigureField
          label={fieldName.layer}
          unit=""
          value={thing.layer}
          error={errors.layer}
          onCommit={(layer) => change({ layer })}
        />
      </div>
      {list === 'slots' && <PartFields {...common} thing={thing} />}
      {list === 'fasteners' && <ScrewFields {...common} thing={thing} />}
      {list === 'connectors' && <PlugFields {...common} thing={thing} />}
      {list === 'bonds' && <BondFields {...common} thing={thing} />}
      {list === 'catches' && <CatchFields {...common} thing={thing} />}
    </div>
  );
}
/** Where it lies, in figures: beside the hand, for those who have measured. */
function PlaceFields({ editor, listed }: { editor: Editor; listed: ListedThing }) {
  const { thing } = listed;
  const shaped = 'shape' in thing;
  const at: { x: number; y: number; w?: number; h?: number } = shaped ? thing.shape : thing.at;
  const move = (partial: Partial<Record<'x' | 'y' | 'w' | 'h', number | undefined>>) => {
    if (Object.values(partial).some((mm) => mm === undefined || Number.isNaN(mm))) return;
    const box = { x: at.x, y: at.y, w: at.w ?? 0, h: at.h ?? 0, ...(partial as Record<string, number>) };
    editor.change([put(withBox(listed, box, editor.model))]);
  };
  return (
    <div className="fields tight-fields">
      <FigureField label={fieldName.x} value={at.x} onCommit={(x) => move({ x })} />
      <FigureField label={fieldName.y} value={at.y} onCommit={(y) => move({ y })} />
      {shaped && <FigureField label={fieldName.w} value={at.w} onCommit={(w) => move({ w })} />}
      {shaped && <FigureField label={fieldName.h} value={at.h} onCommit={(h) => move({ h })} />}
    </div>
  );
}
type ThingOf<L extends ListedThing['list']> = Extract<ListedThing, { list: L }>['thing'];
interface Fields<L extends ListedThing['list']> {
  editor: Editor;
  thing: ThingOf<L>;
  errors: Record<string, string>;
  change: (partial: Record<string, unknown>) => boolean;
  slots: Choice[];
}
function PartFields({ editor, thing, errors, change, slots }: Fields<'slots'>) {
  const others = slots.filter((slot) => slot.value !== thing.id);
  return (
    <>
      <div className="fields">
        <ChoiceField
          label={fieldName.kind}
          value={thing.kind}
          options={named(slotKinds)}
          onCommit={(kind) => change({ kind })}
        />
        <ChoiceField
          label={fieldName.carrier}
          value={thing.carrier ?? ''}
          options={[{ value: '', label: record.sitsOnDevice }, ...others]}
          onCommit={(carrier) => change({ carrier: carrier || undefined })}
        />
      </div>
      <ServesField functions={thing.functions} errors={errors} change={change} />
      <WaysForm editor={editor} slot={thing} change={change} />
      <ManyField
        label={fieldName.covers}
        values={thing.covers}
        options={everything(editor, thing.id)}
        onCommit={(covers) => change({ covers })}
      />
      <ManyField
        label={fieldName.leavesFree}
        values={thing.leavesFree}
        options={everything(editor, thing.id)}
        onCommit={(leavesFree) => change({ leavesFree })}
      />
    </>
  );
}
/** All that can be gone to, by name. */
export const everything = ({ model }: Editor, but?: string): Choice[] =>
  [model.slots, model.fasteners, model.connectors, model.bonds, model.catches]
    .flat()
    .filter((thing) => thing.id !== but)
    .map((thing) => ({ value: thing.id, label: `${thing.name} · ${thing.id}` }));

/** What is to be tested when it was touched. */
function ServesField({
  functions,
  errors,
  change,
}: Pick<Fields<'slots'>, 'errors' | 'change'> & { functions: readonly string[] }) {
  return (
    <ManyField
      label={fieldName.functions}
      values={functions}
      error={errors.functions}
      options={named(functionIds, functionName)}
      onCommit={(values) => change({ functions: values })}
    />
  );
}
/** The parts that a thing holds. */
function HoldsField({
  holds,
  slots,
  errors,
  change,
}: Pick<Fields<'bonds'>, 'slots' | 'errors' | 'change'> & { holds: readonly string[] }) {
  return (
    <ManyField
      label={fieldName.holds}
      values={holds}
      error={errors.holds}
      options={slots}
      onCommit={(values) => change({ holds: values })}
    />
  );
}
function ScrewFields({ editor, thing, errors, change, slots }: Fields<'fasteners'>) {
  const posts = editor.model.fasteners.filter((f) => f.kind === 'standoff' && f.id !== thing.id);
  return (
    <>
      <div className="fields">
        <ChoiceField
          label={fieldName.drive}
          value={thing.drive}
          options={named(drives, driveName)}
          onCommit={(drive) => change({ drive, kind: drive === 'standoff' ? 'standoff' : 'screw' })}
        />
        <TextField
          label={fieldName.thread}
          value={thing.thread}
          error={errors.thread}
          onCommit={(thread) => change({ thread })}
        />
      </div>
      <div className="fields">
        <FigureField
          label={fieldName.lengthMm}
          value={thing.lengthMm}
          error={errors.lengthMm}
          onCommit={(lengthMm) => change({ lengthMm })}
        />
        <FigureField
          label={fieldName.headMm}
          value={thing.headMm}
          error={errors.headMm}
          onCommit={(headMm) => change({ headMm })}
        />
        <FigureField
          label={fieldName.maxLengthMm}
          value={thing.maxLengthMm}
          error={errors.maxLengthMm}
          onCommit={(maxLengthMm) => change({ maxLengthMm })}
        />
      </div>
      <HoldsField holds={thing.holds} slots={slots} errors={errors} change={change} />
      {posts.length > 0 && (
        <ChoiceField
          label={fieldName.standsOn}
          clear
          value={thing.standsOn}
          options={posts.map((f) => ({ value: f.id, label: `${f.name} · ${f.id}` }))}
          onCommit={(standsOn) => change({ standsOn })}
        />
      )}
    </>
  );
}
function PlugFields({ thing, errors, change, slots }: Fields<'connectors'>) {
  return (
    <>
      <div className="fields">
        <ChoiceField
          label={fieldName.carries}
          value={thing.carries}
          options={named(['power', 'signal'])}
          onCommit={(carries) => change({ carries })}
        />
        <ChoiceField
          label={fieldName.press}
          value={thing.press}
          options={named(['straight', 'ends', 'middle'])}
          onCommit={(press) => change({ press })}
        />
        <FigureField
          label={fieldName.widthMm}
          value={thing.widthMm}
          error={errors.widthMm}
          onCommit={(widthMm) => change({ widthMm })}
        />
      </div>
      <div className="fields">
        <ChoiceField
          label={fieldName.joins}
          value={thing.joins[0]}
          options={slots}
          onCommit={(a) => a && change({ joins: [a, thing.joins[1]] })}
        />
        <ChoiceField
          label=" "
          value={thing.joins[1]}
          options={slots}
          onCommit={(b) => b && change({ joins: [thing.joins[0], b] })}
        />
      </div>
      <ServesField functions={thing.functions} errors={errors} change={change} />
    </>
  );
}
function BondFields({ thing, errors, change, slots }: Fields<'bonds'>) {
  const by = thing.release[0]!.by;
  const setBy = (means: string | undefined) => {
    const found = thing.release.find((r) => r.by === means);
    const first = found ?? releaseOf(means as typeof by);
    change({ release: [first, ...thing.release.filter((r) => r !== found && r.by !== means)] });
  };
  return (
    <>
      <div className="fields">
        <ChoiceField
          label={fieldName.kind}
          value={thing.kind}
          options={named(bondKinds, record.bondKindName)}
          onCommit={(kind) => change({ kind })}
        />
        <ChoiceField
          label={fieldName.by}
          value={by}
          options={named(releaseMeans, record.releaseName)}
          onCommit={setBy}
        />
        <ChoiceField
          label={fieldName.tornThen}
          value={thing.tornThen}
          options={named(['solvent', 'heat', 'cut'], record.releaseName)}
          onCommit={(tornThen) => change({ tornThen })}
        />
      </div>
      <HoldsField holds={thing.holds} slots={slots} errors={errors} change={change} />
    </>
  );
}
function CatchFields({ thing, errors, change, slots }: Fields<'catches'>) {
  return (
    <>
      <div className="fields">
        <ChoiceField
          label={fieldName.kind}
          value={thing.kind}
          options={named(catchKinds)}
          onCommit={(kind) => change({ kind })}
        />
        <ChoiceField
          label={fieldName.direction}
          value={thing.direction}
          options={named(directions)}
          onCommit={(direction) => change({ direction })}
        />
      </div>
      <HoldsField holds={thing.holds} slots={slots} errors={errors} change={change} />
    </>
  );
}
/** One stretch of the rim where no blade goes deep. */
export function NoGoForm({ editor, n }: { editor: Editor; n: number }) {
  const stretch = editor.model.noGo[n];
  if (!stretch) return null;
  const change = (partial: Partial<typeof stretch>) => {
    const value = editor.model.noGo.map((s, k) => (k === n ? { ...s, ...partial } : s));
    editor.change([{ do: 'set', field: 'noGo', value }]);
  };
  const figure = (name: 'fromMm' | 'toMm' | 'depthMm') => (
    <FigureField
      label={fieldName[name]}
      value={stretch[name]}
      onCommit={(mm) => mm !== undefined && mm >= 0 && mm <= 400 && change({ [name]: mm })}
    />
  );
  return (
    <div className="stack gap-4">
      <ChoiceField
        label={fieldName.edge}
        value={stretch.edge}
        options={named(['left', 'right', 'top', 'bottom'])}
        onCommit={(edge) => edge && change({ edge: edge as typeof stretch.edge })}
      />
      <div className="fields">
        {figure('fromMm')}
        {figure('toMm')}
        {figure('depthMm')}
      </div>
      <TextField label={fieldName.why} value={stretch.why} onCommit={(why) => why && change({ why })} />
    </div>
  );
}
