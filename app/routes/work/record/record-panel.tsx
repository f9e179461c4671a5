import { Button, Segmented } from 'antd';
import { flag } from '../../../../core/log/state';
import { type PlugKind, plugKinds } from '../../../../core/record/plugs';
import { longerThanNeighbours } from '../../../../core/record/proposals';
import { drives } from '../../../../core/vocabulary/trade';
import * as wording from '../../../../words/screens/record';
import { Note } from '../../../ui/note';
import { noFocus } from '../work-keys';
import { BondForm } from './bond-form';
import { PartForm } from './part-form';
import { SoFar } from './so-far';
import { type Enter, useEnter } from './use-enter';
import { type RecordState, titleOf, type Tool } from './use-record';

const tools: Tool[] = ['fastener', 'connector', 'bond', 'catch', 'part'];
/** One sentence in big type, the tool in hand, and what is asked of the thing that is tapped. */
export function RecordPanel({ record, enter }: { record: RecordState; enter: Enter }) {
  const { state, tool, take } = record;
  const met = Object.values(state.met);
  const count = (kind: Tool) => met.filter((m) => m.kind === kind).length;
  const began = flag(state, 'worker')?.at ?? state.lastAt;
  return (
    <div className="stack gap-8">
      <p className="muted m-0">
        {wording.soFar(
          Math.round((state.lastAt - began) / 60_000),
          count('fastener'),
          count('connector'),
          count('part'),
        )}
      </p>
      <h1 className="now-title m-0" data-testid="instruction" aria-live="polite">
        {titleOf(record)}
      </h1>
      <Segmented<Tool>
        aria-label={wording.tool}
        block
        value={tool}
        onChange={take}
        options={tools.map((t) => ({
          value: t,
          label: (
            <span className="tool">
              {wording.toolName[t]}
              <kbd>{wording.toolKey[t]}</kbd>
            </span>
          ),
        }))}
      />
      {tool === 'fastener' && <ScrewCard record={record} />}
      {tool === 'connector' && <PlugCard record={record} />}
      {tool === 'bond' && <BondForm record={record} enter={enter} />}
      {tool === 'catch' && <CatchCard record={record} enter={enter} />}
      {tool === 'part' && <PartForm record={record} enter={enter} />}
      <SoFar record={record} />
    </div>
  );
}

function ScrewCard({ record }: { record: RecordState }) {
  const { state, kept, setKept, keysAScrew } = record;
  const newest = Object.values(state.met)
    .filter((m) => m.kind === 'fastener')
    .toSorted((a, b) => b.seq - a.seq)[0];
  const longer = newest && longerThanNeighbours(state, newest.id);
  const keys = keysAScrew();
  return (
    <>
      <div className="row gap-4" role="group" aria-label={wording.drive}>
        {drives.map((drive) => (
          <Button
            key={drive}
            className={drive === kept.drive ? 'held' : ''}
            aria-pressed={drive === kept.drive}
            onMouseDown={noFocus}
            onClick={() => setKept({ ...kept, drive })}
          >
            {drive}
          </Button>
        ))}
      </div>
      <p className="muted small m-0">
        {wording.screwHow(kept.lengthMm)}
        {keys !== undefined && <strong> {wording.keysAScrew(keys.toFixed(1))}</strong>}
      </p>
      {longer !== undefined && (
        <Note>
          <div className="strong">{wording.longer(longer)}</div>
          <div>{wording.longerMeans}</div>
        </Note>
      )}
    </>
  );
}

function PlugCard({ record: { plug, index, state } }: { record: RecordState }) {
  const cell = index.cellConnector;
  const first = cell === undefined || state.connector[cell] !== 'off';
  return (
    <>
      {first && <Note>{wording.cellFirst}</Note>}
      <div className="row gap-4" role="group" aria-label={wording.whichPlug}>
        {(Object.keys(plugKinds) as PlugKind[]).map((kind) => (
          <Button
            key={kind}
            type={first && kind === 'cell' ? 'primary' : 'default'}
            onMouseDown={noFocus}
            onClick={() => plug(kind)}
          >
            {wording.plugs[kind]}
          </Button>
        ))}
      </div>
    </>
  );
}

function CatchCard({ record, enter }: { record: RecordState; enter: Enter }) {
  const { at, index, face, isOff, newId, say } = record;
  const { widthMm, heightMm } = index.model.outline;
  useEnter(enter, () => {
    if (!at) {
      say(wording.tapTheCatch);
      return;
    }
    // a catch lets go away from the edge that it is nearest to
    const edges = [
      ['left', at.x],
      ['right', widthMm - at.x],
      ['top', at.y],
      ['bottom', heightMm - at.y],
    ] as const;
    const [direction] = edges.toSorted((a, b) => a[1] - b[1])[0]!;
    const id = newId('catch');
    isOff({ kind: 'catch', id, name: id, face, at, catch: 'hook', direction });
  });
  return null;
}
