import * as wording from '../../words/screens/parts';
import { Button, Checkbox, Popover } from 'antd';
import { type ReactNode, useEffect, useState } from 'react';

interface Column {
  title: ReactNode;
  always?: true;
}
export interface Shown<C extends Column> {
  /** The columns that are shown, in their order. */
  shown: readonly C[];
  /** Titles of those that can be left out. */
  titles: string[];
  hidden: readonly string[];
  hide: (titles: string[]) => void;
}
/**
 * Which columns of a table are shown: chosen by whoever sits here, and remembered in this browser.
 * @param name under which it is remembered
 */
export function useShownColumns<C extends Column>(name: string, columns: readonly C[]): Shown<C> {
  const key = `snavek-columns-${name}`;
  const [hidden, setHidden] = useState<string[]>([]);
  useEffect(() => {
    const kept = localStorage.getItem(key);
    if (kept) setHidden(kept.split('\n'));
  }, [key]);
  const may = (c: Column) => typeof c.title === 'string' && !c.always;
  return {
    shown: columns.filter((c) => !may(c) || !hidden.includes(c.title as string)),
    titles: columns.filter(may).map((c) => c.title as string),
    hidden,
    hide: (titles) => {
      setHidden(titles);
      localStorage.setItem(key, titles.join('\n'));
    },
  };
}

/** The button by which columns are left out and taken in again. */
export function ColumnChoice({ titles, hidden, hide }: Omit<Shown<Column>, 'shown'>) {
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      content={
        <Checkbox.Group
          className="column"
          aria-label={wording.columns}
          value={titles.filter((t) => !hidden.includes(t))}
          onChange={(shown) => hide(titles.filter((t) => !shown.includes(t)))}
          options={titles}
        />
      }
    >
      <Button>{wording.columns}</Button>
    </Popover>
  );
}
