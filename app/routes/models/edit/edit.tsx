import { Button, Checkbox, Segmented, Tag } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { newNoGo, newThing } from '../../../../core/record/new-thing';
import type { Point } from '../../../../core/model/editing';
import { thingOf } from '../../../../core/model/editing';
import { editableModel } from '../../../../server/use-cases/edit-model';
import { mayModel } from '../../../../server/use-cases/library';
import * as models from '../../../../words/screens/models';
import * as wording from '../../../../words/screens/edit-model';
import { plural } from '../../../../words/things';
import { requirePerson } from '../../../context';
import { Field } from '../../../ui/field';
import { Note } from '../../../ui/note';
import { PhotoUnderControls, UnderPicture, usePhotoUnder } from '../../../ui/photo-under';
import { Pick } from '../../../ui/pick';
import type { Route } from './+types/edit';
import { EditMap } from './edit-map';
import { insideLayer, noGoId } from './edit-scene';
import { KeepCopy, KeepRow, KeptNote } from './keep-card';
import { Problems } from './problems';
import { RulesCard } from './rules-card';
import { ScrewsTable } from './screws-table';
import { Side } from './side';
import { everything } from './thing-form';
import { VariantsCard, WhichVariant } from './variants-card';
import { type Editor, tools, useEditor } from './use-editor';
import { useEditKeys } from './use-edit-keys';
import { useModelCheck } from './use-model-check';
import { useSave } from './use-save';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  if (!mayModel(who.role)) throw new Response(null, { status: 403, statusText: models.whoMay });
  const found = await editableModel(who, params.hash);
  if (!found) throw new Response(null, { status: 404, statusText: 'No such model' });
  return { ...found, hash: params.hash };
}
/** A model as it is drawn, changed by hand on its map. */
export default function Edit({ loaderData }: Route.ComponentProps) {
  // another version is another editor: its steps back are its own
  return <Editing key={loaderData.hash} {...loaderData} />;
}
function Editing({ hash, model: base, own }: Route.ComponentProps['loaderData']) {
  const editor = useEditor(hash, base);
  const { index, model, whole, chosen } = editor;
  const { topLayer, setTopLayer, goTo, place } = usePlaces(editor);
  const one = chosen.length === 1 ? thingOf(index, chosen[0]!) : undefined;
  const looked = one?.list === 'slots' ? one.thing.id : undefined;
  const check = useModelCheck(whole, editor.variant ?? whole.variants[0]!.id, looked);
  const under = usePhotoUnder(index, editor.face);
  const saving = useSave(editor);
  const { said } = (useLocation().state ?? {}) as { said?: string };
  useEditKeys(editor);
  return (
    <main className="page stack gap-8 editor">
      <div className="spread mid">
        <h1>
          <Link to={`/models/${hash}`}>{`${model.maker} ${model.name}`}</Link>
        </h1>
        <span className="row">
          {check.problems.length > 0 && <Tag color="warning">{plural(check.problems.length, 'problem')}</Tag>}
          <KeepRow editor={editor} whole={check.problems.length === 0} saving={saving} />
        </span>
      </div>
      <KeptNote saving={saving} />
      {said && <Note tone="safe">{said}</Note>}
      {editor.found > 0 && !said && <Note>{wording.foundChanges(editor.found)}</Note>}
      <div className="cols near-even high">
        <div className="stack gap-8 edit-left">
          <Toolbar editor={editor} />
          <section className="card model-map" aria-label={models.map}>
            <EditMap
              editor={editor}
              topLayer={topLayer}
              onTopLayer={setTopLayer}
              onPlace={place}
              seenThrough={under.shown ? under.through / 100 : 1}
              under={<UnderPicture under={under} />}
            />
          </section>
        </div>
        <div className="stack gap-8">
          <GoTo editor={editor} onGo={goTo} />
          <Side editor={editor} check={check} />
          <Problems editor={editor} check={check} onGo={goTo} />
          <section className="card stack gap-8" aria-label={wording.photograph}>
            <h2>{wording.photograph}</h2>
            <PhotoUnderControls under={under} />
          </section>
          <VariantsCard editor={editor} onGo={goTo} />
          <RulesCard editor={editor} />
          <ScrewsTable editor={editor} />
          <KeepCopy editor={editor} own={own} saving={saving} />
        </div>
      </div>
    </main>
  );
}
/** From which layer down each side is seen, and what a tap puts in there. */
function usePlaces(editor: Editor) {
  const { index, model, face, tool, setTool, choose, change } = editor;
  const [layers, setLayers] = useState<Partial<Record<typeof face, number>>>({});
  const topLayer = layers[face] ?? insideLayer(index, face);
  const goTo = (id: string) => {
    const listed = thingOf(index, id);
    if (listed) {
      editor.setFace(listed.thing.face);
      if (listed.thing.layer > (layers[listed.thing.face] ?? insideLayer(index, listed.thing.face)))
        setLayers({ ...layers, [listed.thing.face]: listed.thing.layer });
    }
    choose([id]);
  };
  const place = (at: Point) => {
    if (tool === 'noGo') {
      change([{ do: 'set', field: 'noGo', value: [...model.noGo, newNoGo(index, at)] }]);
      choose([noGoId(model.noGo.length)]);
    } else if (tool !== 'choose') {
      const made = newThing(index, tool, at, face, topLayer);
      change(made.edits);
      choose([made.id]);
      const layer = made.edits.flatMap((e) => (e.do === 'put' && e.id === made.id ? [e.thing.layer] : []))[0];
      if (layer !== undefined && layer > topLayer) setLayers({ ...layers, [face]: layer });
    }
    // screws come in rows, the rest one at a time
    if (tool !== 'fastener') setTool('choose');
  };
  return {
    topLayer,
    setTopLayer: (layer: number) => setLayers({ ...layers, [face]: layer }),
    goTo,
    place,
  };
}
function Toolbar({ editor }: { editor: Editor }) {
  const { tool, setTool, choose } = editor;
  return (
    <div className="row gap-4" role="group" aria-label={wording.tools}>
      <Segmented
        className="fill scrolls"
        value={tool}
        onChange={(value) => {
          setTool(value);
          choose([]);
        }}
        options={tools.map((value) => ({ value, label: wording.toolName[value] }))}
      />
      <Button disabled={!editor.mayUndo} onClick={editor.undo}>
        {wording.undo}
      </Button>
      <Button disabled={!editor.mayRedo} onClick={editor.redo}>
        {wording.redo}
      </Button>
    </div>
  );
}
function GoTo({ editor, onGo }: { editor: Editor; onGo: (id: string) => void }) {
  const { tool, chosen } = editor;
  const options = useMemo(() => everything(editor), [editor]);
  return (
    <section className="card stack gap-8" aria-label={wording.goTo}>
      <Field label={wording.goTo} htmlFor="go-to">
        <Pick
          id="go-to"
          letGo
          placeholder={wording.goToHint}
          value={chosen.length === 1 ? chosen[0]! : null}
          onChange={(id) => id && onGo(id)}
          options={options}
        />
      </Field>
      <WhichVariant editor={editor} />
      <Checkbox checked={editor.along} onChange={(e) => editor.setAlong(e.target.checked)}>
        {wording.takesAlong}
      </Checkbox>
      <p className="small muted m-0">
        {tool === 'choose'
          ? chosen.length
            ? wording.arrows
            : wording.nothingChosen
          : wording.placeHint[tool]}
      </p>
    </section>
  );
}
