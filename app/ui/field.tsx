import { Form, type FormItemProps } from 'antd';

/** A labelled control with its error below it, in a form or outside one; the label stands above. */
export function Field(props: FormItemProps) {
  return <Form.Item layout="vertical" colon={false} {...props} />;
}
