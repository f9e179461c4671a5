import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import { Link } from 'react-router';
import type { JobState } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import { Mat, Trays } from '../../ui/mat';
import { setPreferences, usePreferences } from '../../ui/preferences';
import { Tray } from './tray';
import type { MatLook } from './use-mat';
import { Note } from '../../ui/note';

const noFocus = (e: { preventDefault: () => void }) => e.preventDefault();

/** Where the screws lie, by either school, and the parts beside them. */
export function MatPanel({
  index,
  state,
  look,
  target,
  lit,
  jobId,
  keeping,
}: {
  index: IndexedModel;
  state: JobState;
  look: MatLook;
  target: string | undefined;
  lit: readonly string[];
  jobId: string;
  /** The house method of the route in force. */
  keeping: 'mat' | 'trays';
}) {
  const { school: wished, text } = usePreferences();
  const school = wished === 'house' ? keeping : wished;
  const at = Object.values(state.place);
  const count = (test: (p: string) => boolean) => at.filter(test).length;
  const adrift = count((p) => p === 'adrift');
  const mixed = count((p) => p === 'mixed');
  return (
    <>
      <MatHead school={school} look={look} lying={count((p) => p.startsWith('mat/'))} adrift={adrift} />
      {mixed > 0 && (
        <Note tone="stop">
          <Link className="tap" to={`/jobs/${jobId}/sort`}>
            {wording.mixedUpSortThem(mixed)}
          </Link>
        </Note>
      )}
      {school === 'mat' ? (
        <Mat
          index={index}
          state={state}
          cells={look.onPage}
          used={look.used}
          now={target}
          lit={lit}
          large={text === 'large'}
        />
      ) : (
        <Trays index={index} state={state} trays={look.trays} now={target} />
      )}
      <div className="spread small">
        <Link className="tap" to={`/jobs/${jobId}/mat`}>
          {wording.printTheMat}
        </Link>
        <Link className="tap" to={`/jobs/${jobId}/sort`}>
          {wording.sortScrews}
        </Link>
      </div>
      <Tray index={index} state={state} lit={lit} />
    </>
  );
}

/** On a mat or in trays, which page of it, and how many lie there. */
function MatHead({
  school,
  look,
  lying,
  adrift,
}: {
  school: 'mat' | 'trays';
  look: MatLook;
  lying: number;
  adrift: number;
}) {
  const lies = school === 'mat' ? wording.onIt : wording.inThem;
  return (
    <div className="spread small mid">
      <span className="row gap-4">
        {(['mat', 'trays'] as const).map((s) => (
          <Button
            key={s}
            type={school === s ? 'primary' : 'default'}
            aria-pressed={school === s}
            onMouseDown={noFocus}
            onClick={() => setPreferences({ school: s })}
          >
            {s === 'mat' ? wording.mat : wording.trays}
          </Button>
        ))}
        {school === 'mat' && look.pages.length > 1 && (
          <Button
            onMouseDown={noFocus}
            onClick={look.turn}
            aria-label={wording.pageOfTurn(look.pages.indexOf(look.page) + 1, look.pages.length)}
          >{`${look.pages.indexOf(look.page) + 1} / ${look.pages.length}`}</Button>
        )}
      </span>
      <span className="strong nowrap">{`${lying} ${lies}${adrift ? `, ${adrift} adrift` : ''}`}</span>
    </div>
  );
}
