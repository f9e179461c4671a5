import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/offer';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { compareRemedies } from '../../../core/pairing/compare';
import type { Remedy } from '../../../core/pairing/remedies';
import type { ReadAt } from '../../../core/quote/for-route';
import type { methodsOf } from '../../../core/methods/methods';
import type { StockPart } from '../../../core/wire/stock';
import { cap, thingName } from '../../../words/things';
import { Effects } from './effects-table';
import { PartsList } from './parts-list';

interface Props {
  index: IndexedModel;
  state: JobState;
  slots: string[];
  parts: StockPart[];
  method: ReturnType<typeof methodsOf>['display-data'];
  disabled: boolean;
  onPart: (slot: string, part: StockPart | undefined) => void;
  onRemedy: (slot: string, remedy: Remedy) => void;
  /** The old part was looked at and cannot be read. */
  onBroken: (slot: string) => void;
  /** Where in the route data are read, as far as it is planned. */
  reads: readonly ReadAt[];
}

/** For each new part: which one from the stock, and what becomes of its functions by what is done about its identity. */
export function PartsCard(props: Props) {
  const { slots } = props;
  return (
    <section className="card stack" aria-label={wording.parts}>
      <h2>{wording.partsAndWhatTheOwner}</h2>
      {slots.map((slot) => (
        <NewPart key={slot} slot={slot} {...props} />
      ))}
      {slots.length === 0 && <p className="muted">{wording.noPartIsReplacedNothing}</p>}
    </section>
  );
}

/** What is done about a part's identity while nobody has chosen: the house's way where it can be gone. */
function usualRemedy(
  kind: string,
  { remedies, rows }: ReturnType<typeof compareRemedies>,
  method: Props['method'],
): Remedy {
  if (kind === 'display' && remedies.includes(method)) return method;
  const calibrate = remedies.indexOf('calibrate');
  return rows.some((r) => r.becomes[calibrate] === 'calibrate') ? 'calibrate' : 'accept';
}

function NewPart(props: Props & { slot: string }) {
  const { money } = useFormats();
  const { slot, index, state, parts, method, disabled, onPart, reads } = props;
  const chosen = state.part[slot];
  const compared = compareRemedies(index, slot);
  const { kind, price } = index.slots.get(slot)!;
  return (
    <div className="stack gap-8">
      <div className="spread">
        <span className="strong">{cap(thingName(index, slot))}</span>
        <span className="muted small">
          {chosen
            ? wording.chosenOf(chosen.provenance, chosen.serial ? `, serial ${chosen.serial}` : '')
            : wording.listPrice(money(price))}
        </span>
      </div>
      <PartsList
        index={index}
        slot={slot}
        parts={parts.filter((p) => p.slot === slot)}
        chosen={chosen?.part}
        disabled={disabled}
        onPart={(p) => onPart(slot, p)}
      />
      {compared.remedies.length > 0 && (
        <Effects
          index={index}
          slot={slot}
          compared={compared}
          chosen={(state.remedy[slot] as Remedy | undefined) ?? usualRemedy(kind, compared, method)}
          disabled={disabled}
          onRemedy={props.onRemedy}
          onBroken={props.onBroken}
          readAt={reads.find((r) => r.slot === slot)}
        />
      )}
    </div>
  );
}
