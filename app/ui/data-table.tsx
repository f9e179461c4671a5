import * as wording from '../../words/screens/parts';
import { Table } from 'antd';
import type { HTMLAttributes, ReactNode } from 'react';

export interface DataColumn<Row> {
  title: ReactNode;
  cell: (row: Row, index: number) => ReactNode;
  /** What the rows are ordered by when its head is pressed; left out, they stay as they come. */
  sort?: (row: Row) => string | number;
  /** The name by which the server orders the rows, where it does. */
  order?: string;
  /** The kind of a row, where the column can be narrowed to some kinds. */
  kind?: (row: Row) => string;
  /** It stays, whatever columns are chosen. */
  always?: true;
  align?: 'right';
  width?: number | string;
  className?: string;
}
export interface Ordered {
  by: string;
  dir: 'up' | 'down';
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
  loading?: boolean;
  /** How the server has ordered them, and asks it to order them otherwise. */
  ordered?: Ordered;
  onOrder?: (to: Ordered) => void;
  /** Rows that something is done to together. */
  chosen?:
    | { keys: readonly string[]; onChange: (keys: string[]) => void; may?: (row: Row) => boolean }
    | undefined;
}
const byText = new Intl.Collator('en-GB', { numeric: true });
const compare = (a: string | number, b: string | number) =>
  typeof a === 'number' && typeof b === 'number' ? a - b : byText.compare(String(a), String(b));
const dirs = { up: 'ascend', down: 'descend' } as const;

/** A cell that knows its column: on a narrow screen it is named there. */
const titled = (
  title: string,
): React.TdHTMLAttributes<HTMLElement> & { [data: `data-${string}`]: string } => ({
  'data-title': title,
});
/** How a column is ordered: in the browser by what it says of a row, or by the server. */
function sorterOf<Row>({ sort, order }: DataColumn<Row>, ordered: Ordered | undefined) {
  if (order) return { sorter: true, sortOrder: ordered?.by === order ? dirs[ordered.dir] : null };
  return sort ? { sorter: (a: Row, b: Row) => compare(sort(a), sort(b)) } : {};
}
/** By which kinds a column is narrowed: those that there are. */
function filterOf<Row>({ kind }: DataColumn<Row>, rows: readonly Row[]) {
  if (!kind) return {};
  const kinds = [...new Set(rows.map(kind))].sort(byText.compare);
  return kinds.length < 2
    ? {}
    : {
        filters: kinds.map((k) => ({ text: k, value: k })),
        onFilter: (value: React.Key | boolean, row: Row) => kind(row) === value,
      };
}

/**
 * A list of things: its head stays in sight, and orders or narrows it where the column can. On a narrow screen each row is
 * a card that names its columns.
 */
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
  loading = false,
  ordered,
  onOrder,
  chosen,
}: Props<Row>) {
  return (
    <Table<Row>
      {...(name ? { 'aria-label': name } : {})}
      className={bare ? 'data bare-rows' : 'data'}
      dataSource={rows as Row[]}
      rowKey={rowKey}
      rowClassName={rowClassName ?? ''}
      {...(onRow ? { onRow } : {})}
      {...(loading ? { loading } : {})}
      showHeader={!bare}
      showSorterTooltip={false}
      sortDirections={['ascend', 'descend', 'ascend']}
      {...(chosen
        ? {
            rowSelection: {
              selectedRowKeys: [...chosen.keys],
              onChange: (keys) => chosen.onChange(keys as string[]),
              getCheckboxProps: (row) => ({ disabled: chosen.may?.(row) === false }),
            },
          }
        : {})}
      pagination={
        rows.length > most ? { pageSize: most, showSizeChanger: false, placement: ['bottomEnd'] } : false
      }
      locale={{ emptyText: empty ?? wording.nothingHere }}
      onChange={(_page, _filters, sorter) => {
        const one = Array.isArray(sorter) ? sorter[0] : sorter;
        const by = one?.column && columns[Number(one.columnKey)]?.order;
        if (by) onOrder?.({ by, dir: one.order === 'descend' ? 'down' : 'up' });
      }}
      columns={columns.map((column, n) => ({
        key: n,
        title: column.title,
        render: (_: unknown, row: Row, index: number) => column.cell(row, index),
        onCell: () => (typeof column.title === 'string' ? titled(column.title) : {}),
        ...sorterOf(column, ordered),
        ...filterOf(column, rows),
        ...(column.align ? { align: column.align } : {}),
        ...(column.width === undefined ? {} : { width: column.width }),
        ...(column.className ? { className: column.className } : {}),
      }))}
    />
  );
}
