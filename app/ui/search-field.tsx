import * as wording from '../../words/screens/parts';
import { Button, Form, Input, type InputProps, type InputRef } from 'antd';
import { type ReactNode, useRef } from 'react';
import { useKeys } from './keys';

type Props = Omit<InputProps, 'aria-label' | 'placeholder'> & {
  /** What is searched: its name to whoever does not see it. */
  label: string;
  /** What its words can be. */
  hint: string;
};
/** Where words are looked for; the search key goes there from anywhere on the screen. */
export function SearchField({ label, hint, ...props }: Props) {
  const field = useRef<InputRef>(null);
  useKeys({ search: () => field.current?.focus() });
  return (
    <Input
      ref={field}
      type="search"
      aria-label={label}
      placeholder={`${hint}  ( / )`}
      maxLength={80}
      {...props}
    />
  );
}

/** Words that are asked for by Enter, and beside them what else narrows the list at once. */
export function SearchForm({
  words,
  onWords,
  children,
  after,
  ...field
}: Pick<Props, 'label' | 'hint' | 'className'> & {
  words: string;
  onWords: (words: string) => void;
  children: ReactNode;
  /** What stands behind the button. */
  after?: ReactNode;
}) {
  return (
    <Form
      key={words}
      role="search"
      className="row"
      initialValues={{ q: words }}
      onFinish={(said: { q: string }) => onWords(said.q.trim())}
    >
      <Form.Item name="q" noStyle>
        <SearchField {...field} />
      </Form.Item>
      {children}
      <Button htmlType="submit">{wording.search}</Button>
      {after}
    </Form>
  );
}
