import * as wording from '../../../words/screens/offer';
import { Button } from 'antd';
import { flag } from '../../../core/log/state';
import { offerPage } from '../../../server/use-cases/offer-page';
import { fromServerOrKeptPage } from '../../job/offline-page';
import { useFormats } from '../../ui/formats';
import { Note } from '../../ui/note';
import { recordedText } from '../../../words/offer';
import { loadJob } from '../job-loader';
import type { Route } from './+types/offer';
import { Agree } from './agree';
import { DeclinedCard } from './declined-card';
import { entryOf } from './options';
import { PartsCard } from './parts-card';
import { PriceCard } from './price-card';
import { PromiseCard } from './promise-card';
import { TasksCard } from './tasks-card';
import { type OfferState, useOffer } from './use-offer';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const { who, page } = await loadJob(request, context, params.job);
  return offerPage(who, page);
}
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) =>
  fromServerOrKeptPage(request, serverLoader);

/** What is offered: the tasks, the parts and what changes by them, the price, the day; and that the owner agrees. */
export default function Offer({ loaderData }: Route.ComponentProps) {
  const offer = useOffer(loaderData);
  const { state, context, ended, tasks, time, report } = offer;
  const promisedAt = flag(state, 'promisedAt') ?? null;
  return (
    <main className="page stack">
      <div className="cols main-side high">
        <div className="stack">
          <TasksCard offer={offer} />
          {tasks.length > 0 && <Parts offer={offer} />}
          {tasks.length > 0 && <Agree offer={offer} />}
        </div>
        <div className="stack">
          <PriceCard
            quoting={offer.quoting}
            rows={offer.rows}
            figures={offer.figures}
            advice={offer.advice}
            recorded={offer.recorded}
            disabled={ended}
            begun={context.route !== undefined}
          />
          <PriceMoved offer={offer} />
          <PromiseCard
            key={promisedAt ?? 0}
            takes={offer.takes}
            earliest={offer.earliest}
            devices={offer.devices}
            benches={offer.benches}
            promisedAt={promisedAt}
            promisedAs={flag(state, 'promisedAs') ?? ''}
            now={time}
            disabled={ended}
            onPromise={(at, as) => void report({ type: 'promised', at, as })}
          />
          {!ended && context.route === undefined && <DeclinedCard />}
        </div>
      </div>
    </main>
  );
}

function Parts({ offer }: { offer: OfferState }) {
  const { index, state, methods, whole, ended, parts, replaced, report } = offer;
  return (
    <PartsCard
      index={index}
      state={state}
      slots={replaced}
      parts={parts}
      method={methods['display-data']}
      reads={whole?.reads ?? []}
      disabled={ended}
      onPart={(slot, stockPart) =>
        void report(
          stockPart ? { type: 'partChosen', slot, ...entryOf(stockPart) } : { type: 'partDropped', slot },
        )
      }
      onRemedy={(slot, remedy) => void report({ type: 'remedySet', slot, remedy })}
      onBroken={(thing) =>
        void report(
          { type: 'noted', text: wording.tooBrokenToBeRead, thing, finding: true },
          { type: 'remedySet', slot: thing, remedy: 'accept' },
        )
      }
    />
  );
}

/** What the screen says is not in the record and not on the PDF before somebody presses for it: said, until it is. */
function PriceMoved({ offer }: { offer: OfferState }) {
  const { ended, quote, recorded, fresh, wait, context, state, report } = offer;
  const { money } = useFormats();
  const settled = context.route !== undefined && state.consent.price !== undefined;
  if (ended || !quote || fresh || wait || settled) return null;
  return (
    <Note layout="row" role="status">
      <span className="fill">{recorded ? recordedText(recorded, money) : wording.notRecordedYet}</span>
      <Button onClick={() => void report(quote)}>{wording.recordThisPrice}</Button>
    </Note>
  );
}
