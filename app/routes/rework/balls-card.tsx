import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Chip } from '../../../core/model/schema';
import { looseBallsFor } from '../../../core/rework/balls';
import { padsOf } from '../../../core/rework/pads';
import * as wording from '../../../words/screens/rework';
import { Note } from '../../ui/note';
import type { Rework } from './use-rework';

/** Which stencil of the list fits the chip; or loose balls: which, how many, counted as they are set. */
export function BallsCard({ rework, chip }: { rework: Rework; chip: Chip }) {
  const { stencils, page, work, step } = rework;
  const [set, setSet] = useState(0);
  const [fit, ...more] = stencils?.fits ?? [];
  const nameOf = (id: string) => page.stencils.find((s) => s.id === id)?.name ?? id;
  const count = padsOf(chip.pattern).length;
  const loose = looseBallsFor(chip.pitchMm, chip.ballMm, count);
  const nearest = stencils?.nearest;
  return (
    <section className="card stack gap-8" aria-label={wording.balls}>
      <div className="spread">
        <h2>{wording.balls}</h2>
        <Link to="/stock/stencils">{wording.stencilsAt}</Link>
      </div>
      {fit ? (
        <p className="m-0">
          {wording.turnedBy(
            fit.exact
              ? wording.fitsExactly(nameOf(fit.id))
              : wording.fitsInPart(nameOf(fit.id), ...fit.offset),
            fit.rotation,
          )}
          . {more.length > 0 && wording.moreFit(more.length)}
        </p>
      ) : (
        <Note>{nearest ? wording.noneFits(nameOf(nearest.id), nearest.why) : wording.noStencils}</Note>
      )}
      <p className="m-0">
        {loose
          ? wording.loose(
              loose.count,
              loose.ballMm,
              loose.gapMm.toFixed(2),
              Math.round((loose.volumeRatio - 1) * 100),
            )
          : wording.noLoose}
      </p>
      {(step?.id === 'loose balls' || (work && !work.stencil)) && (
        <div className="row mid">
          <Button aria-label={wording.oneLess} disabled={!set} onClick={() => setSet(set - 1)}>
            −
          </Button>
          <span className="strong">{wording.setSoFar(set, count)}</span>
          <Button aria-label={wording.oneMore} disabled={set >= count} onClick={() => setSet(set + 1)}>
            +
          </Button>
        </div>
      )}
    </section>
  );
}
