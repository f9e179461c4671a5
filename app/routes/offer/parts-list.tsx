import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/offer';
import { Button, Tag } from 'antd';
import { Link } from 'react-router';
import type { IndexedModel } from '../../../core/model/index-model';
import type { StockPart } from '../../../core/wire/stock';
import { list, thingName } from '../../../words/things';

/** The parts in stock that fit one place, one of which may be chosen. */
export function PartsList({
  index,
  slot,
  parts,
  chosen,
  disabled,
  onPart,
}: {
  index: IndexedModel;
  slot: string;
  parts: readonly StockPart[];
  /** The id of the chosen one. */
  chosen: string | undefined;
  disabled: boolean;
  onPart: (part: StockPart | undefined) => void;
}) {
  const { money } = useFormats();
  if (parts.length === 0)
    return (
      <p className="muted small m-0">
        {wording.noneInTheStockCounted} <Link to="/stock">{wording.toTheStock}</Link>
      </p>
    );
  return (
    <ul className="list" aria-label={wording.partsForThe(thingName(index, slot))}>
      {parts.map((stockPart) => {
        const mine = chosen === stockPart.id;
        return (
          <li key={stockPart.id} className="spread mid">
            <span className="fill">
              <span className="strong">{stockPart.provenance}</span>
              {` ${stockPart.name}`}
              <span className="muted small">
                {[
                  stockPart.supplier,
                  stockPart.lot && `lot ${stockPart.lot}`,
                  stockPart.serial && `serial ${stockPart.serial}`,
                  stockPart.arrivesWith.length &&
                    `with ${list(stockPart.arrivesWith.map((s) => thingName(index, s)))}`,
                ]
                  .filter(Boolean)
                  .map((t) => ` · ${t}`)
                  .join('')}
              </span>
              {stockPart.released === 'locked' && (
                <Tag color="error" className="before-8">
                  {wording.lockedToAnAccount}
                </Tag>
              )}
            </span>
            <span className="strong nowrap">{money(stockPart.priceMinor)}</span>
            <Button
              type={mine ? 'primary' : 'default'}
              className="min-w-92"
              aria-pressed={mine}
              aria-label={`${mine ? 'Chosen' : 'Choose'}: ${[stockPart.provenance, stockPart.name, stockPart.serial].filter(Boolean).join(' ')}`}
              disabled={disabled || stockPart.released === 'locked'}
              onClick={() => onPart(mine ? undefined : stockPart)}
            >
              {mine ? wording.chosen : wording.choose}
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
