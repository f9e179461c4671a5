import { useState } from 'react';
import { tinningFor } from '../../../core/rework/alloys';
import * as wording from '../../../words/screens/rework';
import { FigureInput } from '../../ui/figure-input';

/** How often to tin with low-melt paste and wick until a joint is liquid below a wished temperature. */
export function TinningCard() {
  const [onPadMm3, setOnPad] = useState(0.008);
  const [pasteMm3, setPaste] = useState(0.008);
  const [wickPercent, setWick] = useState(30);
  const [belowC, setBelow] = useState(160);
  const { rounds, reached } = tinningFor(
    { onPadMm3, of: 'lead-free', pasteMm3, wickLeaves: wickPercent / 100 },
    belowC,
  );
  return (
    <section className="card stack gap-8" aria-label={wording.alloy}>
      <h2>{wording.alloy}</h2>
      <div className="fields">
        <FigureInput label={wording.onPad} value={onPadMm3} min={0.0001} max={1} onChange={setOnPad} />
        <FigureInput label={wording.paste} value={pasteMm3} min={0.0001} max={1} onChange={setPaste} />
        <FigureInput label={wording.wickLeaves} value={wickPercent} min={0} max={100} onChange={setWick} />
        <FigureInput label={wording.below} value={belowC} min={139} max={219} onChange={setBelow} />
      </div>
      <p className="m-0 strong">{reached ? wording.reached(rounds.length) : wording.notReached}</p>
      <ul className="m-list small">
        {rounds.map((melt, k) => (
          <li key={k}>
            {wording.roundIs(k + 1, Math.round(melt.liquidusC), Math.round(melt.bismuth * 100))}
          </li>
        ))}
      </ul>
      <p className="small muted m-0">{wording.alloyRests}</p>
    </section>
  );
}
