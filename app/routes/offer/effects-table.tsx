import * as wording from '../../../words/screens/offer';
import { Button } from 'antd';
import { useState } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import type { compareRemedies } from '../../../core/pairing/compare';
import { programmingOf } from '../../../core/pairing/rules';
import type { ReadAt } from '../../../core/quote/for-route';
import type { EffectKind } from '../../../core/pairing/effects';
import type { Remedy } from '../../../core/pairing/remedies';
import {
  becomesName,
  programmerText,
  readText,
  remedyHow,
  remedyName,
  storeName,
} from '../../../words/remedies';
import { thingName } from '../../../words/things';
import { functionName } from '../../../words/functions';
import { type DataColumn, DataTable } from '../../ui/data-table';

/** Functions down, remedies across: what stays, what is lost, and the sentence for the owner. */
export function Effects({
  index,
  slot,
  compared,
  chosen,
  disabled,
  onRemedy,
  onBroken,
  readAt,
}: {
  index: IndexedModel;
  slot: string;
  compared: ReturnType<typeof compareRemedies>;
  chosen: Remedy;
  disabled: boolean;
  onRemedy: (slot: string, remedy: Remedy) => void;
  onBroken: (slot: string) => void;
  readAt: ReadAt | undefined;
}) {
  const [wide, setWide] = useState(false);
  const changed = compared.rows.filter((r) => r.becomes.some((b) => b !== 'kept'));
  if (!changed.length) return <p className="small moss m-0">{wording.nothingChangesForTheOwner}</p>;
  const rows = wide ? compared.rows : changed;
  return (
    <>
      <DataTable
        name={wording.effectsOfANew(thingName(index, slot))}
        rows={rows}
        rowKey={(r) => r.function}
        columns={[
          { title: wording.functionChecked, width: 150, cell: (r) => <FunctionAt row={r} /> },
          ...compared.remedies.map(
            (r, i): DataColumn<(typeof rows)[number]> => ({
              title: (
                <RemedyHead
                  remedy={r}
                  chosen={r === chosen}
                  disabled={disabled}
                  onChoose={() => onRemedy(slot, r)}
                />
              ),
              className: r === chosen ? 'small chosen' : 'small',
              cell: (row) => <Becomes effect={row.becomes[i]!} />,
            }),
          ),
        ]}
      />
      {index.model.pairing.some((p) => p.slot === slot && p.effect === 'copy') && (
        <Programming
          text={programmerText(programmingOf(index.model, slot))}
          onBroken={
            compared.remedies.includes('copy') && chosen !== 'accept' && !disabled
              ? () => onBroken(slot)
              : undefined
          }
        />
      )}
      <div className="spread">
        <span className="small muted">
          {remedyHow[chosen]}
          {chosen === 'copy' && readAt && ` ${readText(readAt)}`}
        </span>
        {compared.rows.length > changed.length && (
          <Button onClick={() => setWide(!wide)}>
            {wide ? wording.onlyWhatChanges : wording.allFunctions(compared.rows.length)}
          </Button>
        )}
      </div>
    </>
  );
}

const tone: Partial<Record<EffectKind, string>> = {
  lost: wording.brickStrong,
  notice: 'strong',
  kept: 'muted',
};
/** What becomes of one function: said in words, and in weight. */
function Becomes({ effect }: { effect: EffectKind }) {
  return <span className={tone[effect] ?? ''}>{effect === 'lost' ? wording.lost : becomesName[effect]}</span>;
}

/** The original is what nothing is lost with: shown to compare, not to choose where another part is wanted. */
function RemedyHead({
  remedy,
  chosen,
  disabled,
  onChoose,
}: {
  remedy: Remedy;
  chosen: boolean;
  disabled: boolean;
  onChoose: () => void;
}) {
  if (remedy === 'original') return <span title={remedyHow[remedy]}>{remedyName[remedy]}</span>;
  return (
    <Button
      block
      className="narrow"
      type={chosen ? 'primary' : 'default'}
      title={remedyHow[remedy]}
      aria-pressed={chosen}
      disabled={disabled}
      onClick={onChoose}
    >
      {remedyName[remedy]}
    </Button>
  );
}

/** Whether the programmer can do it, and that the old part is too broken to be read. */
function Programming({ text, onBroken }: { text: string; onBroken: (() => void) | undefined }) {
  return (
    <div className="spread">
      <span className="small">{text}</span>
      {onBroken && (
        <Button size="small" onClick={onBroken}>
          {wording.tooBrokenToRead}
        </Button>
      )}
    </div>
  );
}

type Compared = ReturnType<typeof compareRemedies>['rows'][number];
/** A function, and where what it needs is stored. */
function FunctionAt({ row }: { row: Compared }) {
  return (
    <>
      {functionName[row.function]}
      {row.store && storeName[row.store] && <span className="small muted block">{storeName[row.store]}</span>}
    </>
  );
}
