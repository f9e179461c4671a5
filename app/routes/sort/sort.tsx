import { Tag, Checkbox, Input, Form, Button, type InputRef } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { z } from 'zod';
import type { Body } from '../../../core/job/events';
import { indexModel } from '../../../core/model/index-model';
import { type Drive, drives } from '../../../core/model/schema';
import type { LooseScrew } from '../../../core/screws/sort-screws';
import { fromServerOrCopy, notePerson } from '../../job/offline-page';
import { useJob } from '../../job/use-job';
import { JobScreen } from '../../ui/job-head';
import { useKeys } from '../../ui/keys';
import { Mat } from '../../ui/mat';
import { Recess } from '../../ui/recess';
import { useReport } from '../../ui/use-report';
import { list, plural } from '../../words/things';
import { loadJob } from '../job-loader';
import { useMat } from '../work/use-mat';
import type { Route } from './+types/sort';
import { holesOfHeap, isWhole, sortHeap } from './heap';
import { LooseForm } from './loose-form';
import { Field } from '../../ui/field';
import { DataTable } from '../../ui/data-table';
import { Note } from '../../ui/note';

export async function loader({ request, params, context }: Route.LoaderArgs) {
  return loadJob(request, context, params.job);
}
type Loaded = Awaited<ReturnType<typeof loader>>;
export function clientLoader({ params, serverLoader }: Route.ClientLoaderArgs): Promise<Loaded> {
  return fromServerOrCopy(params.job, () => serverLoader() as Promise<Loaded>, {});
}

const nextText = {
  drive: 'in doubt. Say the drive: that tells the holes apart.',
  head: 'in doubt. Measure the head: that tells the holes apart.',
  'length again': 'in doubt. Measure the length again.',
  'nothing tells them apart': 'by measure either hole will do. Start each by hand.',
} as const;
const kept = z.array(
  z.object({
    id: z.string(),
    drive: z.enum(drives).optional(),
    lengthMm: z.number(),
    headMm: z.number().optional(),
  }),
);
type Measured = z.output<typeof kept>[number];
/** What has been measured stays in this browser until it is on the mat. */
function useMeasured(job: string): [Measured[], (m: Measured[]) => void] {
  const key = `snavek-heap-${job}`;
  const [list, setList] = useState<Measured[]>([]);
  useEffect(() => {
    try {
      setList(kept.parse(JSON.parse(localStorage.getItem(key) ?? '[]')));
    } catch {
      setList([]);
    }
  }, [key]);
  return [
    list,
    (m) => {
      setList(m);
      try {
        if (m.length) localStorage.setItem(key, JSON.stringify(m));
        else localStorage.removeItem(key);
      } catch {
        /* private window */
      }
    },
  ];
}

export default function Sort({ loaderData }: Route.ComponentProps) {
  const { who, page } = loaderData;
  notePerson(who);
  const { replica, view } = useJob(page, who);
  const go = useNavigate();
  const { state, context } = view;
  const index = indexModel(page.model);
  const { report, said, stop } = useReport(replica, index, who);
  const holes = useMemo(() => holesOfHeap(index, state), [index, state]);
  const [screws, setScrews] = useMeasured(page.id);
  const [drive, setDrive] = useState<Drive>();
  const [heads, setHeads] = useState(false);
  /** The screw whose head the next number is. */
  const [headOf, setHeadOf] = useState<string>();
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string>();
  const input = useRef<InputRef>(null);
  const left = useMemo(() => {
    const n = new Map<string, number>();
    for (const h of holes) n.set(h.drive!, (n.get(h.drive!) ?? 0) + 1);
    for (const s of screws) if (s.drive) n.set(s.drive, (n.get(s.drive) ?? 0) - 1);
    return n;
  }, [holes, screws]);
  const kinds = [...new Set(holes.map((h) => h.drive as Drive))];
  const chosen = drive && kinds.includes(drive) ? drive : undefined;
  const heap = useMemo(
    () => (holes.length ? sortHeap(holes, screws as readonly LooseScrew[]) : undefined),
    [holes, screws],
  );
  const look = useMat(index, page.mat, state, context.route, heap?.sorted.assignments.at(-1)?.hole);
  const take = (text: string) => {
    const mm = Number(text.replace(',', '.').replace(/ ?mm$/i, ''));
    setTyped('');
    if (!(mm > 0 && mm < 50)) {
      setWrong(`“${text.slice(0, 20)}” is no length in mm.`);
      return;
    }
    setWrong(undefined);
    if (headOf) {
      setScrews(screws.map((s) => (s.id === headOf ? { ...s, headMm: mm } : s)));
      setHeadOf(undefined);
      return;
    }
    const id = `s${1 + Math.max(0, ...screws.map((s) => Number(s.id.slice(1))))}`;
    setScrews([...screws, { id, ...(chosen ? { drive: chosen } : {}), lengthMm: mm }]);
    if (heads) setHeadOf(id);
  };
  useKeys({ typed: take });
  useEffect(() => {
    if (holes.length) input.current?.focus();
  }, [holes.length]);
  const at = new Map(heap?.sorted.assignments.map((a) => [a.screw, a.hole]));
  const doubt = new Map(heap?.sorted.doubtful.map((d) => [d.hole, d]));
  const danger = new Map(heap?.sorted.dangerous.map((d) => [`${d.screw} ${d.hole}`, d]));
  const missing = heap?.sorted.missing ?? [];
  const ofHole = new Map(holes.map((h) => [h.id, h]));
  const done = () => {
    const placed = screws.filter((s) => at.has(s.id));
    const bodies: Body[] = placed.length
      ? [
          {
            type: 'sorted',
            screws: placed.map((s) => ({
              piece: ofHole.get(at.get(s.id)!)!.piece,
              lengthMm: s.lengthMm,
              ...(s.headMm === undefined ? {} : { headMm: s.headMm }),
            })),
          },
        ]
      : [];
    for (const h of missing) bodies.push({ type: 'lost', piece: ofHole.get(h)!.piece });
    const strays = Object.keys(state.stray).length;
    for (const [k, s] of (heap?.sorted.strays ?? []).entries()) {
      const note = `among the mixed screws: ${screws.find((x) => x.id === s)!.lengthMm} mm, of no hole of this device`;
      bodies.push(
        { type: 'strayFound', stray: `stray ${strays + k + 1}`, note },
        { type: 'strayRemoved', stray: `stray ${strays + k + 1}`, note },
      );
    }
    void report(...bodies).then((ok) => {
      if (ok) {
        setScrews([]);
        void go(`/jobs/${page.id}/work`);
      }
    });
  };
  return (
    <>
      <JobScreen page={page} index={index} state={state} here="work" said={said}>
        {!heap ? (
          <LooseForm index={index} state={state} onReport={(b) => void report(b)} />
        ) : (
          <div className="cols main-side high">
            <div className="stack">
              <section className="card stack" aria-label="Measure">
                <div className="spread">
                  <h1>Sort screws</h1>
                  <span className="strong">{`${screws.length} measured of ${holes.length}`}</span>
                </div>
                <Form
                  className="row low"
                  onFinish={() => {
                    if (typed.trim()) take(typed);
                  }}
                  layout="vertical"
                >
                  <Field label={headOf ? `Head of ${headOf}, mm` : 'Length, mm'} htmlFor="mm">
                    <Input
                      ref={input}
                      id="mm"
                      className="size-24 w-150"
                      inputMode="decimal"
                      autoComplete="off"
                      maxLength={12}
                      value={typed}
                      onChange={(e) => setTyped(e.target.value)}
                      aria-invalid={!!wrong}
                      status={wrong ? 'error' : ''}
                    />
                  </Field>
                  <fieldset className="row" style={{ gap: 6, border: 0, padding: 0, margin: 0 }}>
                    <legend className="sr">Drive</legend>
                    <Button
                      type={chosen ? 'default' : 'primary'}
                      aria-pressed={!chosen}
                      onClick={() => {
                        setDrive(undefined);
                        input.current?.focus();
                      }}
                    >
                      any drive
                    </Button>
                    {kinds.map((d) => (
                      <Button
                        key={d}
                        type={chosen === d ? 'primary' : 'default'}
                        aria-pressed={chosen === d}
                        onClick={() => {
                          setDrive(d);
                          input.current?.focus();
                        }}
                      >
                        <Recess drive={d} size={22} />
                        {`${d} · ${Math.max(0, left.get(d) ?? 0)}`}
                      </Button>
                    ))}
                  </fieldset>
                  <Checkbox
                    checked={heads}
                    onChange={(e) => {
                      setHeads(e.target.checked);
                      setHeadOf(undefined);
                      input.current?.focus();
                    }}
                  >
                    heads, too
                  </Checkbox>
                </Form>
                {wrong && (
                  <div className="error brick" role="alert">
                    {wrong}
                  </div>
                )}
                <p className="muted small">
                  In any order, by calliper or by hand, Enter after each. Saying the drive first tells more of
                  them apart.
                </p>
              </section>
              {screws.length > 0 && (
                <section className="card" aria-label="Measured">
                  <DataTable
                    name="Measured screws"
                    rows={screws.toReversed()}
                    rowKey={(s) => s.id}
                    columns={[
                      { title: 'screw', className: 'strong', cell: (s) => s.id },
                      {
                        title: 'drive',
                        cell: (s) => {
                          const hole = at.get(s.id);
                          return (
                            <>
                              {s.drive ?? (
                                <span className="muted">
                                  {hole ? `${ofHole.get(hole)!.drive}?` : 'not said'}
                                </span>
                              )}
                              {!s.drive && chosen && (
                                <Button
                                  className="beside"
                                  onClick={() =>
                                    setScrews(
                                      screws.map((x) => (x.id === s.id ? { ...x, drive: chosen } : x)),
                                    )
                                  }
                                >{`it is ${chosen}`}</Button>
                              )}
                            </>
                          );
                        },
                      },
                      { title: 'length', className: 'nowrap', cell: (s) => `${s.lengthMm} mm` },
                      {
                        title: 'head',
                        cell: (s) =>
                          s.headMm === undefined ? (
                            <Button
                              aria-label={`Measure the head of ${s.id}`}
                              onClick={() => {
                                setHeadOf(s.id);
                                input.current?.focus();
                              }}
                            >
                              {headOf === s.id ? '…' : 'measure'}
                            </Button>
                          ) : (
                            `${s.headMm} mm`
                          ),
                      },
                      {
                        title: 'most likely from',
                        cell: (s) => {
                          const hole = at.get(s.id);
                          const d = hole ? doubt.get(hole) : undefined;
                          const risk = hole ? danger.get(`${s.id} ${hole}`) : undefined;
                          return (
                            <>
                              <span className={hole ? 'strong' : 'brick strong'}>
                                {hole ?? 'no hole: a stray'}
                              </span>
                              {d && (
                                <Tag className="beside" color="warning">
                                  {d.instead ? `or ${d.instead}` : 'in doubt'}
                                </Tag>
                              )}
                              {risk && <div className="brick small">{`too long: ${risk.why}`}</div>}
                            </>
                          );
                        },
                      },
                      {
                        title: <span className="sr">remove</span>,
                        cell: (s) => (
                          <Button
                            aria-label={`Remove ${s.id}`}
                            onClick={() => setScrews(screws.filter((x) => x.id !== s.id))}
                          >
                            ×
                          </Button>
                        ),
                      },
                    ]}
                  />
                </section>
              )}
            </div>
            <div className="stack">
              <section className="card stack" aria-label="What it comes to">
                {(['drive', 'head', 'length again', 'nothing tells them apart'] as const).map((what) => {
                  const of = [
                    ...new Set(heap.measure.filter((m) => m.what === what).flatMap((m) => m.screws)),
                  ];
                  return of.length > 0 && <Note key={what}>{`${list(of, 10)}: ${nextText[what]}`}</Note>;
                })}
                {heap.sorted.dangerous.map((d) => (
                  <Note
                    key={`${d.screw} ${d.hole}`}
                    tone="stop"
                  >{`${d.screw} in ${d.hole} would be dangerous: ${d.why}. It may lie there, but it does not go in.`}</Note>
                ))}
                {isWhole(heap.sorted, screws.length, holes.length) && (
                  <Note tone="safe" role="status">
                    Every screw has its hole.
                  </Note>
                )}
                {heap.alike.length > 0 && (
                  <p className="small">
                    <span className="strong">Interchangeable: </span>
                    {heap.alike.map((g) => list(g, 9)).join('; ')}.
                  </p>
                )}
                {screws.length > 0 && missing.length > 0 && (
                  <p>{`Without a screw so far: ${list(missing, 12)}.`}</p>
                )}
                <Button
                  type={missing.length && screws.length < holes.length ? 'default' : 'primary'}
                  disabled={!screws.length}
                  onClick={done}
                >
                  {missing.length
                    ? `That is all: ${plural(missing.length, 'screw')} adrift`
                    : 'They lie on the mat so'}
                </Button>
                <Link to={`/jobs/${page.id}/work`}>Back to Work</Link>
              </section>
              <section className="card stack mid" aria-label="Mat">
                <div className="w-250">
                  <Mat
                    index={index}
                    state={heapOnMat(state, heap.sorted.assignments, ofHole)}
                    cells={look.onPage}
                    used={look.used}
                    now={heap.sorted.assignments.at(-1)?.hole}
                    lit={[]}
                  />
                </div>
              </section>
            </div>
          </div>
        )}
      </JobScreen>
      {stop}
    </>
  );
}
/** The mat as it would lie: only for the drawing. */
function heapOnMat(
  state: ReturnType<typeof useJob>['view']['state'],
  pairs: readonly { hole: string }[],
  holes: ReadonlyMap<string, { piece: string }>,
): typeof state {
  return {
    ...state,
    place: {
      ...state.place,
      ...Object.fromEntries(pairs.map((p) => [holes.get(p.hole)!.piece, `mat/${p.hole}`])),
    },
  };
}
