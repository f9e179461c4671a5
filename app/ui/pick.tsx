import { type RefSelectProps, Select, type SelectProps } from 'antd';
import type { Ref } from 'react';

type Props<V> = SelectProps<V> & {
  ref?: Ref<RefSelectProps>;
  /** After a choice the focus goes back to the page: at the bench the next Space is the pedal's. */
  letGo?: boolean;
};
const blur = () => (document.activeElement as HTMLElement | null)?.blur();
/**
 * One of a list. It opens with Space, Down or a click; typing narrows the list to what contains the letters, so that a
 * long one is chosen from without the mouse.
 */
export function Pick<V extends string | number>({ letGo = false, ...props }: Props<V>) {
  return (
    <Select<V>
      showSearch={{ optionFilterProp: 'label' }}
      popupMatchSelectWidth={false}
      virtual={false}
      {...(letGo ? { onSelect: blur, onClear: () => setTimeout(blur) } : {})}
      {...props}
    />
  );
}
