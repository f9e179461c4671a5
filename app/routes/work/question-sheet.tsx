import * as wording from '../../../words/screens/work';
import { Input, Form, Button } from 'antd';
import { otherTruths } from '../../../core/log/claims';
import type { QuestionEntry } from '../../../core/log/state';
import type { Body } from '../../../core/log/events';
import type { IndexedModel } from '../../../core/model/index-model';
import { Sheet } from '../../ui/sheet';
import { claimText } from '../../../words/events';
import { Field, needed } from '../../ui/field';
import { Note } from '../../ui/note';

interface Props {
  index: IndexedModel;
  id: string;
  question: QuestionEntry;
  people: Record<string, string>;
  text: { what: string; instead: string };
  about: string;
  onReport: (b: Body) => void;
  onUndo: (() => void) | undefined;
}

/** After a fact that broke a rule: a question that must be answered, in words that stay in the record. */
export function QuestionSheet(p: Props) {
  const { claims } = p.question;
  return (
    <Sheet title={claims ? wording.whichIsTrue : wording.whatHappened}>
      <Note tone="stop">
        <div className="strong">{p.text.what}</div>
        <div>{p.text.instead}</div>
      </Note>
      {claims ? (
        <div className="stack gap-8">
          {claims.map((c) => (
            <Button
              key={`${c.by} ${c.value}`}
              className="begin"
              onClick={() =>
                p.onReport({ type: 'truthNamed', question: p.id, about: p.question.ids[0]!, value: c.value })
              }
            >
              {wording.iHaveLooked(claimText(p.index, p.question.ids[0]!, c.value))}
              <span className="small muted plain">
                {wording.asSaid(p.people[c.by] ?? wording.anotherBench)}
              </span>
            </Button>
          ))}
          {otherTruths(
            p.index,
            p.question.ids[0]!,
            claims.map((c) => c.value),
          ).map((value) => (
            <Button
              key={value}
              className="begin plain"
              onClick={() =>
                p.onReport({ type: 'truthNamed', question: p.id, about: p.question.ids[0]!, value })
              }
            >
              {wording.neither(claimText(p.index, p.question.ids[0]!, value))}
            </Button>
          ))}
        </div>
      ) : (
        <Form
          className="stack"
          onFinish={({ answer }: { answer: string }) =>
            p.onReport({ type: 'answered', question: p.id, answer: answer.trim() })
          }
          layout="vertical"
        >
          <Field
            label={wording.howDoesItStandNow(p.about ? wording.withThe(p.about) : '')}
            name="answer"
            rules={needed(wording.sayHowItStands)}
          >
            <Input.TextArea data-first rows={2} maxLength={1000} />
          </Field>
          <div className="row">
            <Button htmlType="submit" type="primary">
              {wording.thatIsHowItStands}
            </Button>
            {p.onUndo && <Button onClick={p.onUndo}>{wording.itDidNotHappenTake}</Button>}
          </div>
        </Form>
      )}
    </Sheet>
  );
}
