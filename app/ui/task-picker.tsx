import * as wording from '../../words/screens/task-picker';
import { Button, type RefSelectProps } from 'antd';
import { useRef, useState } from 'react';
import { type Task, taskActions } from '../../core/log/events';
import { taskName } from '../../words/steps';
import { Pick } from './pick';

export interface Part {
  id: string;
  name: string;
  kind: string;
}
/** What is asked for most: named first in the list. */
const often = [
  'display',
  'cell',
  'panel',
  'back',
  'camera',
  'loudspeaker',
  'ear-speaker',
  'port',
  'vibration',
  'front-sensors',
  'key',
  'board',
  'frame',
];

const optionsOf = (parts: readonly Part[]) => parts.map((p) => ({ value: p.id, label: p.name }));

/** The tasks of a job: replace, take out and refit, look at, rework or merely reach any part; several at once. */
export function TaskPicker({
  parts,
  tasks,
  onSet,
  least = 1,
}: {
  least?: number;
  parts: Part[];
  tasks: readonly Task[];
  onSet: (slot: string, action: Task['action'] | 'none') => void;
}) {
  const [slot, setSlot] = useState('');
  const [action, setAction] = useState<Task['action']>('replace');
  const free = parts.filter((s) => !tasks.some((t) => t.slot === s.id));
  const name = (id: string) => parts.find((p) => p.id === id)?.name ?? id;
  const rank = (p: Part) => {
    const k = often.indexOf(p.kind);
    return k < 0 ? often.length : k;
  };
  const sorted = free.toSorted((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name));
  const add = (id: string) => {
    if (id) {
      onSet(id, action);
      setSlot('');
      // the next part is chosen from here
      part.current?.focus();
    }
  };
  const part = useRef<RefSelectProps>(null);
  return (
    <div className="stack gap-6">
      {tasks.map((t) => (
        <div key={t.slot} className="spread mid">
          <span>{wording.taskOf(taskName[t.action], name(t.slot))}</span>
          <Button
            disabled={tasks.length <= least}
            onClick={() => onSet(t.slot, 'none')}
            aria-label={wording.dropThe(taskName[t.action], name(t.slot))}
          >
            {wording.drop}
          </Button>
        </div>
      ))}
      <div className="row gap-6">
        <Pick
          aria-label={wording.whatToDo}
          value={action}
          onChange={(value) => setAction(value as Task['action'])}
          options={taskActions.map((a) => ({ value: a, label: taskName[a] }))}
        />
        <Pick
          ref={part}
          aria-label={wording.part}
          placeholder={wording.aPart}
          className="grow"
          value={slot || undefined}
          onChange={setSlot}
          options={[
            { label: wording.often, options: optionsOf(sorted.filter((p) => rank(p) < often.length)) },
            {
              label: wording.smallerParts,
              options: optionsOf(sorted.filter((p) => rank(p) === often.length)),
            },
          ]}
        />
        <Button disabled={!slot} onClick={() => add(slot)}>
          {wording.add}
        </Button>
      </div>
    </div>
  );
}
