import type { Finding } from '../../../core/rules/interlocks';
import { later } from '../../ui/later';
import { findingText } from '../../../words/findings';
import { thingName } from '../../../words/things';
import type { WorkState } from './use-work';

const QuestionSheet = later(() => import('./question-sheet').then((m) => m.QuestionSheet));

/** A question that stands before every instruction. */
export function OpenQuestion({ work }: { work: WorkState }) {
  const { now, state, index, page, who, last, report, undo } = work;
  const asked = now.kind === 'question' ? state.question[now.question] : undefined;
  if (now.kind !== 'question' || !asked) return null;
  return (
    <QuestionSheet
      key={now.question}
      index={index}
      id={now.question}
      question={asked}
      people={page.people}
      text={findingText(index, { rule: now.rule as Finding['rule'], ids: now.ids })}
      about={now.ids.map((i) => thingName(index, i)).join(', ')}
      onReport={(b) => void report(b)}
      onUndo={last?.by === who.personId ? undo : undefined}
    />
  );
}
