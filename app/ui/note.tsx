import { Alert, type AlertProps } from 'antd';

const types = { warn: 'warning', stop: 'error', safe: 'success' } as const;
interface Props extends Omit<AlertProps, 'type' | 'title' | 'message' | 'description'> {
  /** Saffron warns, brick stops, moss says that it is safe. */
  tone?: keyof typeof types;
  /** How what is in it lies: beside each other, at both ends, or below each other. */
  layout?: 'row' | 'spread' | 'stack';
}
/** Something said that stays: a warning, a stop, or that it is safe. Read aloud at once only with `role="alert"` or `"status"`. */
export function Note({
  tone = 'warn',
  role = 'note',
  layout,
  children,
  ...more
}: Props & { children: React.ReactNode }) {
  return (
    <Alert
      {...more}
      type={types[tone]}
      role={role}
      title={layout ? <div className={layout}>{children}</div> : children}
    />
  );
}
