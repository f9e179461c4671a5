import { Table } from 'antd';
import type { HTMLAttributes, ReactNode } from 'react';

export interface DataColumn<Row> {
  title: ReactNode;
  cell: (row: Row, index: number) => ReactNode;
  /** What the rows are ordered by when its head is pressed; left out, they stay as they come. */
  sort?: (row: Row) => string | number;
  /** The kind of a row, where the column can be narrowed to some kinds. */
  kind?: (row: Row) => string;
  align?: 'right';
  width?: number | string;
  className?: string;
}
interface Props<Row> {
  /** What the table is called to those who do not see it. */
  name?: string | undefined;
  rows: readonly Row[];
  columns: readonly DataColumn<Row>[];
  rowKey: (row: Row, index?: number) => string;
  rowClassName?: ((row: Row, index: number) => string) | undefined;
  onRow?: (row: Row) => HTMLAttributes<HTMLElement> & { [data: `data-${string}`]: string };
  /** No head: rows of facts, not a list to be ordered. */
  bare?: boolean;
  /** Rows of one page. */
  most?: number;
  empty?: ReactNode;
}
const byText = new Intl.Collator('en-GB', { numeric: true });
const compare = (a: string | number, b: string | number) =>
  typeof a === 'number' && typeof b === 'number' ? a - b : byText.compare(String(a), String(b));

/** A list of things: its head stays in sight, and orders or narrows it where the column can. */
export function DataTable<Row extends object>({
  name,
  rows,
  columns,
  rowKey,
  rowClassName,
  onRow,
  bare = false,
  most = 200,
  empty,
}: Props<Row>) {
  return (
    <Table<Row>
      {...(name ? { 'aria-label': name } : {})}
      className="data"
      dataSource={rows as Row[]}
      rowKey={rowKey}
      rowClassName={rowClassName ?? ''}
      {...(onRow ? { onRow } : {})}
      showHeader={!bare}
      showSorterTooltip={false}
      pagination={
        rows.length > most ? { pageSize: most, showSizeChanger: false, placement: ['bottomEnd'] } : false
      }
      locale={{ emptyText: empty ?? 'Nothing here.' }}
      columns={columns.map(({ title, cell, sort, kind, align, width, className }, n) => ({
        key: n,
        title,
        render: (_: unknown, row: Row, index: number) => cell(row, index),
        ...(sort ? { sorter: (a: Row, b: Row) => compare(sort(a), sort(b)) } : {}),
        ...(kind
          ? {
              filters: [...new Set(rows.map(kind))].sort(byText.compare).map((k) => ({ text: k, value: k })),
              onFilter: (value: React.Key | boolean, row: Row) => kind(row) === value,
            }
          : {}),
        ...(align ? { align } : {}),
        ...(width === undefined ? {} : { width }),
        ...(className ? { className } : {}),
      }))}
    />
  );
}
