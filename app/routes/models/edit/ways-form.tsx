import { Button, Collapse } from 'antd';
import type { ReactNode } from 'react';
import type { Slot, Way } from '../../../../core/model/schema';
import { wayMinutes } from '../../../../core/record/usual';
import * as wording from '../../../../words/screens/edit-model';
import { kindName } from '../../../../words/things';
import { ChoiceField, ManyField } from './fields';
import type { Editor } from './use-editor';

const poses = ['folded', 'shifted', 'out'] as const;
const gestures: Way['gesture'][] = [
  'lift',
  'lift-lip',
  'swing',
  'slide',
  'pull',
  'peel',
  'push-out',
  'shift',
];
const plain = (id: string): Way => ({
  id,
  to: 'out',
  gesture: 'lift',
  minutes: wayMinutes,
  ...{ needs: [], fasteners: [], connectors: [], bonds: [], catches: [] },
  ...{ risks: [], consumables: [], tools: [], guard: { unless: [], methods: {} } },
});

/** How a part comes out: what has to be undone for it and what has to be out before, way by way. */
export function WaysForm({
  editor,
  slot,
  change,
}: {
  editor: Editor;
  slot: Slot;
  change: (partial: { ways: Way[] }) => boolean;
}) {
  const set = (n: number, partial: Partial<Way>) =>
    change({ ways: slot.ways.map((way, k) => (k === n ? { ...way, ...partial } : way)) });
  const add = () => {
    const taken = new Set(slot.ways.map((way) => way.id));
    let n = slot.ways.length + 1;
    while (taken.has(`way-${n}`)) n++;
    change({ ways: [...slot.ways, plain(`way-${n}`)] });
  };
  return (
    <section aria-label={wording.ways} className="stack gap-4">
      <div className="spread">
        <strong>{wording.ways}</strong>
        <Button onClick={add}>{wording.addWay}</Button>
      </div>
      <Collapse
        size="small"
        defaultActiveKey={slot.ways.length === 1 ? ['0'] : []}
        items={slot.ways.map((way, n) => ({
          key: String(n),
          label: `${wording.way(n + 1)}: ${wording.poseName[way.to]}`,
          children: (
            <WayFields editor={editor} slot={slot} way={way} onChange={(partial) => set(n, partial)}>
              {slot.ways.length > 1 && (
                <Button danger onClick={() => change({ ways: slot.ways.filter((_, k) => k !== n) })}>
                  {wording.dropWay}
                </Button>
              )}
            </WayFields>
          ),
        }))}
      />
    </section>
  );
}
/** What one way has: until which pose, by which gesture, and all that has to be undone or away before. */
function WayFields({
  editor: { model },
  slot,
  way,
  onChange,
  children,
}: {
  editor: Editor;
  slot: Slot;
  way: Way;
  onChange: (partial: Partial<Way>) => void;
  children: ReactNode;
}) {
  const choices = (list: readonly { id: string; name: string }[]) =>
    list.map((thing) => ({ value: thing.id, label: `${thing.id} ${thing.name}` }));
  return (
    <div className="stack gap-4">
      <div className="fields">
        <ChoiceField
          label={wording.wayTo}
          value={way.to}
          options={poses.map((value) => ({ value, label: wording.poseName[value] }))}
          onCommit={(to) => to && onChange({ to: to as Way['to'] })}
        />
        <ChoiceField
          label={wording.gesture}
          value={way.gesture}
          options={gestures.map((value) => ({ value, label: kindName(value) }))}
          onCommit={(gesture) => gesture && onChange({ gesture: gesture as Way['gesture'] })}
        />
      </div>
      <ManyField
        label={wording.wayScrews}
        values={way.fasteners}
        options={choices(model.fasteners)}
        onCommit={(fasteners) => onChange({ fasteners })}
      />
      <ManyField
        label={wording.wayPlugs}
        values={way.connectors}
        options={choices(model.connectors)}
        onCommit={(connectors) => onChange({ connectors })}
      />
      <ManyField
        label={wording.wayBonds}
        values={way.bonds}
        options={choices(model.bonds)}
        onCommit={(bonds) => onChange({ bonds })}
      />
      <ManyField
        label={wording.wayCatches}
        values={way.catches}
        options={choices(model.catches)}
        onCommit={(catches) => onChange({ catches })}
      />
      <ManyField
        label={wording.wayNeeds}
        values={way.needs.map((need) => `${need.slot}@${need.pose}`)}
        options={model.slots.flatMap((other) =>
          poses
            .filter((pose) => pose === 'out' || other.ways.some((w) => w.to === pose))
            .filter((pose) => other.id !== slot.id || pose !== way.to)
            .map((pose) => ({
              value: `${other.id}@${pose}`,
              label: `${other.name}: ${wording.poseName[pose]}`,
            })),
        )}
        onCommit={(values) =>
          onChange({
            needs: values.map((value) => {
              const [id, pose] = value.split('@') as [string, Way['to']];
              return { slot: id, pose };
            }),
          })
        }
      />
      {children}
    </div>
  );
}
