import { Button, Descriptions, Tag } from 'antd';
import { group } from 'd3-array';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { empty } from '../../../core/log/state';
import { indexModel } from '../../../core/model/index-model';
import type { DeviceModel } from '../../../core/model/schema';
import { ofVariant } from '../../../core/model/variant';
import type { Face } from '../../../core/vocabulary/trade';
import type { LibraryModel } from '../../../core/wire/library';
import { changeLibrary, comparedWith, libraryModel, mayModel } from '../../../server/use-cases/library';
import * as wording from '../../../words/screens/models';
import { driveName, faceText } from '../../../words/things';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { DataTable } from '../../ui/data-table';
import { LinkButton } from '../../ui/link-button';
import { useFormats } from '../../ui/formats';
import { MapView } from '../../ui/map-view';
import { Note } from '../../ui/note';
import { Pick } from '../../ui/pick';
import type { Difference } from '../../../core/model/edit';
import { Kept, useChange } from '../workshop/use-change';
import { Corrections, Questions } from './corrections';
import { Differences } from './differences';
import { Learnt } from './learnt';
import { Relations } from './relations';
import type { Route } from './+types/model';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const found = await libraryModel(who, params.hash);
  if (!found) throw new Response(null, { status: 404, statusText: 'No such model' });
  const other = new URL(request.url).searchParams.get('with');
  const differences = other ? await comparedWith(who, params.hash, other) : undefined;
  return { ...found, hash: params.hash, may: mayModel(who.role), other, differences };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeLibrary(who, await jsonBody(request));
}

/** One model: how it looks on both sides, what is in it, its versions. */
export default function Model({ loaderData }: Route.ComponentProps) {
  const { line, model, remarks, versions, hash, may, other, others, differences, learnt } = loaderData;
  const { refuted, minutes, otherwise, questions, grades } = loaderData;
  const [variant, setVariant] = useState(model.variants[0]!.id);
  const [picked, setPicked] = useState<string>();
  return (
    <main className="page stack">
      <div className="spread">
        <div>
          <h1>{line.name}</h1>
          <span className="muted">
            <Link to="/models">{wording.models}</Link> · {line.id}
            {line.practice && <Tag className="beside">{wording.practice}</Tag>}
          </span>
        </div>
        <div className="row">
          {may && <LinkButton to={`/models/${hash}/edit`}>{wording.editIt}</LinkButton>}
          <Button href={`/models/${hash}.json`}>{wording.asFile}</Button>
        </div>
      </div>
      <div className="cols near-even high">
        <Looks key={variant} {...{ model, variant, picked }} onPick={setPicked} differ={differences} />
        <div className="stack">
          <section className="card stack gap-8">
            {model.variants.length > 1 && (
              <Pick
                aria-label={wording.variant}
                value={variant}
                onChange={setVariant}
                options={model.variants.map((v) => ({ value: v.id, label: v.name }))}
              />
            )}
            <What model={ofVariant(model, variant)} />
            {remarks.map(({ path, text }) => (
              <Note key={path} tone="warn">
                {path}: {text}
              </Note>
            ))}
          </section>
          <Versions versions={versions} own={line.own} hash={hash} may={may} />
          <Differences hash={hash} other={other} others={others} differences={differences} may={may} />
          <Relations {...{ model, grades, picked }} onPick={setPicked} />
          <Learnt hash={hash} learnt={learnt} may={may} />
          <Corrections {...{ hash, model, may, refuted, minutes, otherwise }} />
          {may && line.own && <Questions key={hash} hash={hash} model={model} questions={questions} />}
        </div>
      </div>
    </main>
  );
}
const nothing: readonly string[] = [];
function Looks({
  model,
  variant,
  picked,
  onPick,
  differ,
}: {
  model: DeviceModel;
  variant: string;
  picked: string | undefined;
  onPick: (id: string) => void;
  differ: Difference[] | undefined;
}) {
  const index = useMemo(() => indexModel(ofVariant(model, variant)), [model, variant]);
  const display = index.model.slots.find((slot) => slot.kind === 'display');
  const state = useMemo(() => {
    const whole = empty();
    return display ? { ...whole, pose: { ...whole.pose, [display.id]: 'folded' as const } } : whole;
  }, [display]);
  const [face, setFace] = useState<Face>('front');
  const lit = useMemo(() => (picked ? [picked] : (differ?.map((d) => d.id) ?? nothing)), [picked, differ]);
  return (
    <section className="card model-map" aria-label={wording.map}>
      <MapView
        title={faceText(face)}
        onTurn={() => setFace(face === 'front' ? 'back' : 'front')}
        index={index}
        state={state}
        lit={lit}
        now={picked}
        showNoGo
        face={face}
        follow={nothing}
        onPick={onPick}
      >
        <FormerPlaces differ={differ} face={face} widthMm={model.outline.widthMm} />
      </MapView>
      {differ?.some((d) => d.there) && <p className="small muted m-0">{wording.formerPlace}</p>}
    </section>
  );
}
/** Where what lies elsewhere lies in the other model, in mm of the device as it lies. */
function FormerPlaces({
  differ,
  face,
  widthMm,
}: {
  differ: Difference[] | undefined;
  face: Face;
  widthMm: number;
}) {
  return (
    <g className="former" pointerEvents="none">
      {differ?.map(({ key, there }) => {
        if (!there || there.face !== face) return null;
        const { x, y, w = 0, h = 0 } = there;
        const left = face === 'back' ? widthMm - x - w : x;
        return w ? (
          <rect key={key} x={left} y={y} width={w} height={h} rx={1} />
        ) : (
          <circle key={key} cx={left} cy={y} r={1.4} />
        );
      })}
    </g>
  );
}
function What({ model }: { model: DeviceModel }) {
  const { outline, slots, fasteners, connectors, bonds, catches } = model;
  const drives = [...group(fasteners, (fastener) => fastener.drive)].map(
    ([drive, list]) => `${list.length} × ${driveName[drive] ?? drive}`,
  );
  const items = [
    [wording.size, `${outline.widthMm} × ${outline.heightMm} × ${outline.thicknessMm} mm`],
    [wording.partsOf, slots.map((slot) => slot.name).join(', ')],
    [wording.screws, drives.join(', ') || wording.none],
    [wording.connectors, String(connectors.length)],
    [wording.bonds, bonds.map((bond) => bond.name).join(', ') || wording.none],
    [wording.catches, String(catches.length)],
  ] as const;
  return (
    <Descriptions
      column={1}
      size="small"
      colon={false}
      items={items.map(([label, children]) => ({ key: label, label, children }))}
    />
  );
}
/** Jobs keep the version they were planned with; devices are received of one of them, or of none. */
function Versions({
  versions,
  own,
  hash,
  may,
}: Pick<LibraryModel, 'versions'> & { own: boolean; hash: string; may: boolean }) {
  const { change, busy, said } = useChange();
  const { day } = useFormats();
  return (
    <section className="card stack gap-8" aria-label={wording.versions}>
      <h2>{wording.itsVersions}</h2>
      <Kept said={said} />
      <DataTable
        name={wording.versions}
        rows={versions}
        rowKey={(version) => version.hash}
        columns={[
          {
            title: wording.version,
            cell: (version) =>
              version.hash === hash ? (
                <span className="strong nowrap">{version.hash.slice(0, 8)}</span>
              ) : (
                <Link className="nowrap" to={`/models/${version.hash}`}>
                  {version.hash.slice(0, 8)}
                </Link>
              ),
          },
          {
            title: wording.made,
            cell: (version) => (
              <span suppressHydrationWarning>
                {`${day(Date.parse(version.madeAt))}${version.madeBy ? ` · ${version.madeBy}` : ''}`}
              </span>
            ),
          },
          { title: wording.jobs, align: 'right', cell: (version) => version.jobs },
          {
            title: '',
            align: 'right',
            cell: (version) =>
              own && may ? (
                <Button
                  loading={busy}
                  onClick={() => change({ do: 'offer', hash: version.hash, offered: !version.offered })}
                >
                  {version.offered ? wording.takeAway : wording.offerIt}
                </Button>
              ) : version.offered ? (
                wording.offered
              ) : (
                ''
              ),
          },
        ]}
      />
      {!own && <p className="muted small">{wording.shippedMeans}</p>}
    </section>
  );
}
