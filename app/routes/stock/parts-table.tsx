import type { Money } from '../../../words/formats';
import * as wording from '../../../words/screens/stock';
import { Button } from 'antd';
import { Link } from 'react-router';
import type { StockPart } from '../../../core/wire/stock';
import type { StockModel } from '../../../core/wire/stock';
import type { DataColumn } from '../../ui/data-table';
import { Locked } from './locked';
import type { Said } from './stock';

interface Looks {
  models: readonly StockModel[];
  money: Money;
  /** Whoever looks may change the stock. */
  may: boolean;
  said: Said | undefined;
  ask: (b: Record<string, unknown>) => void;
}
/** What is shown of a part, each with the order that the server can put it in. */
export const columnsOf = (looks: Looks): DataColumn<StockPart>[] => [
  {
    title: wording.part,
    order: 'name',
    always: true,
    cell: (p) => <PartName part={p} models={looks.models} />,
  },
  {
    title: wording.whereFrom,
    order: 'provenance',
    cell: (stockPart) => (
      <>
        {stockPart.provenance}
        <span className="small muted">{` ${stockPart.supplier}`}</span>
        {stockPart.released === 'locked' && (
          <Locked part={stockPart} may={looks.may} ask={looks.ask} said={looks.said} />
        )}
        {stockPart.released === 'proof seen' && (
          <div className="small muted">{wording.releasedOf(stockPart.proof)}</div>
        )}
      </>
    ),
  },
  {
    title: wording.lotSerial,
    order: 'lot',
    className: 'small',
    cell: (stockPart) => (
      <>
        {stockPart.lot && <span className="nowrap muted">{stockPart.lot} </span>}
        <span className="nowrap">{stockPart.serial || (stockPart.lot ? '' : '–')}</span>
      </>
    ),
  },
  {
    title: wording.price,
    order: 'price',
    className: 'nowrap',
    align: 'right',
    cell: (p) => looks.money(p.priceMinor),
  },
  {
    title: wording.whereItIs,
    order: 'place',
    className: 'small nowrap',
    cell: (p) => <Whereabouts part={p} may={looks.may} ask={looks.ask} />,
  },
];

function PartName({ part: p, models }: { part: StockPart; models: readonly StockModel[] }) {
  const model = models.find((m) => m.id === p.modelId);
  const things = [...(model?.slots ?? []), ...(model?.seals ?? [])];
  return (
    <>
      <span className="strong">{p.name}</span>{' '}
      <span className="muted nowrap">{model?.name.split(' ').slice(1).join(' ') ?? p.modelId}</span>
      {p.arrivesWith.length > 0 && (
        <div className="small muted">
          {wording.withWhat(p.arrivesWith.map((s) => things.find((x) => x.id === s)?.name ?? s).join(', '))}
        </div>
      )}
    </>
  );
}

function Whereabouts({ part: p, may, ask }: { part: StockPart } & Pick<Looks, 'may' | 'ask'>) {
  if (p.jobId)
    return (
      <Link to={`/jobs/${p.jobId}/${p.jobEnding ? 'report' : 'offer'}`}>
        {p.jobEnding ? wording.usedByJob(p.jobNumber!) : wording.chosenForJob(p.jobNumber!)}
      </Link>
    );
  if (!may) return <span className="moss">{wording.free}</span>;
  return (
    <span className="row one-line">
      <span className="moss">{wording.free}</span>
      <Button
        aria-label={wording.takeOutOfTheStock(p.name, p.serial)}
        onClick={() => ask({ do: 'remove', ids: [p.id] })}
      >
        {wording.takeOut}
      </Button>
    </span>
  );
}
