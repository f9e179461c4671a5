import { Button } from 'antd';
import { useMemo } from 'react';
import type { KindOfStep } from '../../../core/day/true-times';
import { lookingBack } from '../../../server/use-cases/looking-back';
import { acts } from '../../../words/screens/day';
import * as wording from '../../../words/screens/looking-back';
import { span } from '../../../words/time';
import { requirePerson } from '../../context';
import { DataTable } from '../../ui/data-table';
import { useFormats } from '../../ui/formats';
import { later } from '../../ui/later';
import { LinkButton } from '../../ui/link-button';
import type { Route } from './+types/back';

const WhereItWent = later(() => import('./where-it-went').then((m) => m.WhereItWent));

/** Months that can be looked at. */
const mostBefore = 24;
export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const asked = Number(new URL(request.url).searchParams.get('before') ?? 0);
  const before = Number.isInteger(asked) && asked >= 0 && asked <= mostBefore ? asked : 0;
  return { before, back: await lookingBack(who, Date.now(), before) };
}
export const meta: Route.MetaFunction = () => [{ title: wording.title }];

const nameOf = (kind: KindOfStep): string => acts[kind.action] ?? kind.action;

/** What a month shows: planned and true times by kind of step, where the hands went, how promises were kept. No names. */
export default function LookingBackScreen({ loaderData: { back, before } }: Route.ComponentProps) {
  const { month } = useFormats();
  const { promises } = back;
  const shown = useMemo(
    () => back.kinds.filter((k) => k.sumS >= 30).map((k) => ({ name: nameOf(k), minutes: k.sumS / 60 })),
    [back],
  );
  return (
    <main className="page stack">
      <div className="spread mid">
        <h1 suppressHydrationWarning>{wording.monthOf(month(back.from))}</h1>
        <span className="row one-line gap-8 noprint">
          <LinkButton to={`/day/back?before=${before + 1}`}>{wording.earlier}</LinkButton>
          {before > 0 && <LinkButton to={`/day/back?before=${before - 1}`}>{wording.later}</LinkButton>}
          <Button onClick={() => window.print()}>{wording.print}</Button>
          <LinkButton to="/">{wording.toTheDay}</LinkButton>
        </span>
      </div>
      <div className="cols near-even">
        <section className="card" aria-label={wording.promises}>
          <div className="muted">{wording.promises}</div>
          <h2 data-testid="promises-kept">{wording.keptOf(promises.kept, promises.promised)}</h2>
          {promises.lateS !== undefined && (
            <p className="m-0">{wording.lateBy(span(promises.lateS), span(promises.mostLateS!))}</p>
          )}
        </section>
        <section className="card" aria-label={wording.handedOver}>
          <div className="muted">{wording.handedOver}</div>
          <h2>{wording.devices(back.jobs)}</h2>
          {back.withRoute < back.jobs && (
            <p className="muted m-0">{wording.without(back.jobs - back.withRoute)}</p>
          )}
        </section>
      </div>
      {back.kinds.length === 0 ? (
        <section className="card">
          <p className="m-0">{wording.nothingYet}</p>
        </section>
      ) : (
        <div className="cols near-even high">
          <section className="card" aria-label={wording.byKind}>
            <h2>{wording.byKind}</h2>
            <p className="small muted">{wording.means}</p>
            <DataTable
              name={wording.byKind}
              rows={back.kinds}
              rowKey={(k) => k.action}
              columns={[
                { title: wording.kind, cell: (k) => <span className="strong">{nameOf(k)}</span> },
                { title: wording.steps, align: 'right', cell: (k) => k.steps },
                { title: wording.planned, align: 'right', cell: (k) => span(k.plannedS) },
                {
                  title: wording.took,
                  align: 'right',
                  cell: (k) => (
                    <span className={k.tookS > 1.5 * k.plannedS ? 'brick' : ''}>{span(k.tookS)}</span>
                  ),
                },
                { title: wording.nineOfTen, align: 'right', cell: (k) => span(k.mostS) },
              ]}
            />
          </section>
          <section className="card" aria-label={wording.where}>
            <h2>{wording.where}</h2>
            <WhereItWent kinds={shown} />
          </section>
        </div>
      )}
    </main>
  );
}
