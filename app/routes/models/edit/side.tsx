import { Button, Collapse, Input } from 'antd';
import { useEffect, useState } from 'react';
import {
  type Alignment,
  alignThings,
  copyThings,
  idLike,
  mirrorThings,
  put,
  takeOutThings,
  thingOf,
} from '../../../../core/model/editing';
import { coveredBy } from '../../../../core/model/covers';
import { thingSchemas } from '../../../../core/model/schema';
import * as wording from '../../../../words/screens/edit-model';
import { Note } from '../../../ui/note';
import { FigureField } from './fields';
import { noGoNumber } from './edit-scene';
import { NoGoForm, ThingForm } from './thing-form';
import type { Editor } from './use-editor';
import type { ModelCheck } from './use-model-check';

/** What is chosen, and what can be done with it. */
export function Side({ editor, check }: { editor: Editor; check: ModelCheck }) {
  const { chosen, index } = editor;
  const [first] = chosen;
  if (first === undefined) return null;
  const n = noGoNumber(first);
  const listed = chosen.length === 1 ? thingOf(index, first) : undefined;
  return (
    <section className="card stack gap-8" aria-label={wording.editing}>
      <div className="spread">
        <h2>
          {listed
            ? listed.thing.name
            : n === undefined
              ? wording.chosenMany(chosen.length)
              : wording.toolName.noGo}
        </h2>
        {listed && <span className="muted small">{`${wording.id} ${listed.thing.id}`}</span>}
      </div>
      {listed?.list === 'slots' && <PartFacts editor={editor} id={listed.thing.id} check={check} />}
      {n !== undefined && <NoGoForm key={first} editor={editor} n={n} />}
      {listed && <ThingForm key={listed.thing.id} editor={editor} listed={listed} />}
      <Together editor={editor} />
      {listed && <AsText key={`text ${listed.thing.id}`} editor={editor} id={listed.thing.id} />}
    </section>
  );
}
/** Of a part: what lies over it, and how one comes to it, worked out anew while it is edited. */
function PartFacts({ editor, id, check }: { editor: Editor; id: string; check: ModelCheck }) {
  const { index } = editor;
  const over = coveredBy(index, id).map((slot) => index.slots.get(slot)?.name ?? slot);
  const route = check.route?.slot === id ? check.route.route : undefined;
  const said = check.problems.length
    ? wording.routeLater
    : !route
      ? wording.working
      : 'infeasible' in route
        ? wording.noRoute(route.because.map((b) => `${b.code} ${b.ids.join(', ')}`).join('; '))
        : wording.routeIs(
            route.steps.length,
            Math.round(route.minutes.hands.likely + route.minutes.wait),
            route.changes,
          );
  return (
    <dl className="facts small m-0">
      <dt>{wording.coveredBy}</dt>
      <dd>{over.join(', ') || wording.nothingOver}</dd>
      <dt>{wording.routeTo}</dt>
      <dd data-testid="route-to">{said}</dd>
    </dl>
  );
}
const alignments: Alignment[] = ['left', 'centre', 'right', 'top', 'middle', 'bottom'];
function Together({ editor }: { editor: Editor }) {
  const { chosen, index, change, choose } = editor;
  const [copies, setCopies] = useState<number>(1);
  const [step, setStep] = useState({ x: 4, y: 0 });
  const things = chosen.filter((id) => noGoNumber(id) === undefined);
  const remove = () => {
    const n = noGoNumber(chosen[0]!);
    if (n === undefined) change(takeOutThings(index, things));
    else change([{ do: 'set', field: 'noGo', value: editor.model.noGo.filter((_, k) => k !== n) }]);
    choose([]);
  };
  return (
    <>
      {things.length > 1 && (
        <div className="row gap-4" role="group" aria-label={wording.align}>
          {alignments.map((to) => (
            <Button key={to} onClick={() => change(alignThings(index, things, to))}>
              {wording.alignName[to]}
            </Button>
          ))}
        </div>
      )}
      <div className="row gap-4">
        {things.length > 0 && (
          <Button onClick={() => change(mirrorThings(index, things))}>{wording.mirror}</Button>
        )}
        <Button danger onClick={remove}>
          {wording.takeOut}
        </Button>
      </div>
      {things.length > 0 && (
        <Collapse
          size="small"
          items={[
            {
              key: 'copies',
              label: wording.copyAlong,
              children: (
                <div className="stack gap-4">
                  <div className="fields">
                    <FigureField
                      label={wording.copies}
                      unit=""
                      value={copies}
                      onCommit={(n) => n && setCopies(Math.min(50, Math.max(1, Math.round(n))))}
                    />
                    <FigureField
                      label={wording.stepX}
                      value={step.x}
                      onCommit={(x) => x !== undefined && !Number.isNaN(x) && setStep({ ...step, x })}
                    />
                    <FigureField
                      label={wording.stepY}
                      value={step.y}
                      onCommit={(y) => y !== undefined && !Number.isNaN(y) && setStep({ ...step, y })}
                    />
                  </div>
                  <Button
                    onClick={() => {
                      const made = copyThings(index, things, { count: copies, step }, idLike);
                      change(made.edits);
                      choose(made.ids);
                    }}
                  >
                    {wording.makeCopies}
                  </Button>
                </div>
              ),
            },
          ]}
        />
      )}
    </>
  );
}
/** The whole of a thing as it stands in the file, for what has no field. */
function AsText({ editor, id }: { editor: Editor; id: string }) {
  const listed = thingOf(editor.index, id)!;
  const stands = JSON.stringify(listed.thing, null, 1);
  const [text, setText] = useState(stands);
  const [wrong, setWrong] = useState<string>();
  useEffect(() => {
    setText(stands);
    setWrong(undefined);
  }, [stands]);
  const take = () => {
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch (e) {
      setWrong(wording.noJson((e as Error).message));
      return;
    }
    const read = thingSchemas[listed.list].safeParse({ ...(json as object), id });
    if (!read.success) {
      setWrong(read.error.issues.map((i) => `${i.path.join('.')}: ${i.message}`).join('; '));
      return;
    }
    setWrong(undefined);
    editor.change([put({ list: listed.list, thing: read.data } as typeof listed)]);
  };
  return (
    <Collapse
      size="small"
      items={[
        {
          key: 'text',
          label: wording.asText,
          children: (
            <div className="stack gap-4">
              <p className="small muted m-0">{wording.asTextMeans}</p>
              <Input.TextArea
                aria-label={wording.asText}
                value={text}
                autoSize={{ minRows: 6, maxRows: 16 }}
                onChange={(event) => setText(event.target.value)}
              />
              {wrong && (
                <Note tone="stop" role="alert">
                  {wrong}
                </Note>
              )}
              <Button disabled={text === stands} onClick={take}>
                {wording.takeText}
              </Button>
            </div>
          ),
        },
      ]}
    />
  );
}
