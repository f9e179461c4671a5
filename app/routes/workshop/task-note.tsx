import { Button, Progress } from 'antd';
import type { TaskLine } from '../../../core/wire/background';
import * as wording from '../../../words/screens/workshop';
import { useFormats } from '../../ui/formats';
import { Note } from '../../ui/note';
import { useChange } from './use-change';

/** It is not over yet. */
export const isGoing = ({ state }: TaskLine): boolean => state === 'waiting' || state === 'running';

/** What the server does by itself: how far it is and how to end it, or what came of it. */
export function TaskNote({ task }: { task: TaskLine }) {
  const { change } = useChange();
  const { dayAndClock } = useFormats();
  if (isGoing(task))
    return (
      <div className="row one-line" role="status">
        <span className="nowrap">{task.said || wording.taskWaits}</span>
        <Progress
          aria-label={wording.taskProgress}
          percent={Math.round(100 * task.progress)}
          showInfo={false}
          size="small"
        />
        {task.kind !== 'backup' && (
          <Button onClick={() => change({ do: 'stop task', task: task.id })}>{wording.stop}</Button>
        )}
      </div>
    );
  return (
    <Note tone={task.state === 'done' ? 'safe' : 'warn'} role="status">
      <span suppressHydrationWarning>
        {task.state === 'failed'
          ? wording.taskFailed(dayAndClock(task.at), task.said)
          : `${dayAndClock(task.at)}: ${task.said}`}
      </span>
    </Note>
  );
}
