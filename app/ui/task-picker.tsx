import { useState } from 'react';
import { type Task, taskActions } from '../../core/job/events';
import { taskName } from '../words/steps';

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
    }
  };
  return (
    <div className="stack" style={{ gap: 6 }}>
      {tasks.map((t) => (
        <div key={t.slot} className="spread" style={{ alignItems: 'center' }}>
          <span>{`${taskName[t.action]} the ${name(t.slot)}`}</span>
          <button
            type="button"
            className="btn slim"
            disabled={tasks.length <= least}
            onClick={() => onSet(t.slot, 'none')}
            aria-label={`Drop: ${taskName[t.action]} the ${name(t.slot)}`}
          >
            Drop
          </button>
        </div>
      ))}
      <div className="row" style={{ gap: 6 }}>
        <select
          className="pick"
          aria-label="What to do"
          value={action}
          style={{ flex: '0 0 auto' }}
          onChange={(e) => setAction(e.target.value as Task['action'])}
        >
          {taskActions.map((a) => (
            <option key={a} value={a}>
              {taskName[a]}
            </option>
          ))}
        </select>
        <select
          className="pick"
          aria-label="Part"
          value={slot}
          onChange={(e) => setSlot(e.target.value)}
          style={{ minWidth: 0, flex: '1 1 170px' }}
        >
          <option value="">a part…</option>
          <optgroup label="often">
            {sorted
              .filter((p) => rank(p) < often.length)
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
          </optgroup>
          <optgroup label="smaller parts">
            {sorted
              .filter((p) => rank(p) === often.length)
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
          </optgroup>
        </select>
        <button type="button" className="btn slim" disabled={!slot} onClick={() => add(slot)}>
          Add
        </button>
      </div>
    </div>
  );
}
