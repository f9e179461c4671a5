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
export function QuestionSheet(props: Props) {
  const { claims } = props.question;
  return (
    <Sheet title={claims ? wording.whichIsTrue : wording.whatHappened}>
      <Note tone="stop">
        <div className="strong">{props.text.what}</div>
        <div>{props.text.instead}</div>
      </Note>
      {claims ? (
        <div className="stack gap-8">
          {claims.map((claim) => (
            <Button
              key={`${claim.by} ${claim.value}`}
              className="begin"
              onClick={() =>
                props.onReport({
                  type: 'truthNamed',
                  question: props.id,
                  about: props.question.ids[0]!,
                  value: claim.value,
                })
              }
            >
              {wording.iHaveLooked(claimText(props.index, props.question.ids[0]!, claim.value))}
              <span className="small muted plain">
                {wording.asSaid(props.people[claim.by] ?? wording.anotherBench)}
              </span>
            </Button>
          ))}
          {otherTruths(
            props.index,
            props.question.ids[0]!,
            claims.map((c) => c.value),
          ).map((value) => (
            <Button
              key={value}
              className="begin plain"
              onClick={() =>
                props.onReport({
                  type: 'truthNamed',
                  question: props.id,
                  about: props.question.ids[0]!,
                  value,
                })
              }
            >
              {wording.neither(claimText(props.index, props.question.ids[0]!, value))}
            </Button>
          ))}
        </div>
      ) : (
        <Form
          className="stack"
          onFinish={({ answer }: { answer: string }) =>
            props.onReport({ type: 'answered', question: props.id, answer: answer.trim() })
          }
          layout="vertical"
        >
          <Field
            label={wording.howDoesItStandNow(props.about ? wording.withThe(props.about) : '')}
            name="answer"
            rules={needed(wording.sayHowItStands)}
          >
            <Input.TextArea data-first rows={2} maxLength={1000} />
          </Field>
          <div className="row">
            <Button htmlType="submit" type="primary">
              {wording.thatIsHowItStands}
            </Button>
            {props.onUndo && <Button onClick={props.onUndo}>{wording.itDidNotHappenTake}</Button>}
          </div>
        </Form>
      )}
    </Sheet>
  );
}
