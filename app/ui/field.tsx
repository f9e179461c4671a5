import { Form, type FormItemProps, type FormRule } from 'antd';

/** A labelled control with its error below it, in a form or outside one; the label stands above. */
export function Field(props: FormItemProps) {
  return <Form.Item layout="vertical" colon={false} {...props} />;
}

/** The rule of a text that may not be left empty, blanks aside. */
export const needed = (message: string): FormRule[] => [{ required: true, whitespace: true, message }];
