import { Checkbox, Form, Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { useFetcher } from 'react-router';
import { type Role, roles } from '../../../core/job/interlocks';
import { readAmount } from '../../../core/quote/amount';
import { generalStations } from '../../../core/route/catalogue';
import { methodRows, methodsOf } from '../../../core/route/methods';
import { stripFor } from '../../../server/use-cases/bench-page';
import { changeWorkshop, mayChange, type Person, workshopPage } from '../../../server/use-cases/workshop';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import { startChannel } from '../../job/channel';
import { setServerTime } from '../../job/clock';
import { Head, useStrip } from '../../ui/head';
import { usePageKeys } from '../../ui/page-keys';
import type { Route } from './+types/workshop';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { DataTable } from '../../ui/data-table';

export async function loader({ request, context }: Route.LoaderArgs) {
  const who = requirePerson(context, request);
  const may = {
    methods: mayChange(who.role, 'methods'),
    means: mayChange(who.role, 'means'),
    people: mayChange(who.role, 'people'),
  };
  return { who, may, ...(await workshopPage(who)), strip: await stripFor(who), now: Date.now() };
}
export async function action({ request, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  return changeWorkshop(who, await jsonBody(request));
}
type Said = Awaited<ReturnType<typeof action>>;

/** Each part of the page saves by itself, at once; what came of it stands beside it. */
function useChange() {
  const fetcher = useFetcher<Said>();
  const change = (ask: Record<string, unknown>) => {
    void fetcher.submit(JSON.stringify(ask), { method: 'post', encType: 'application/json' });
  };
  return { change, busy: fetcher.state !== 'idle', said: fetcher.data };
}
const Said = ({ said, field }: { said: Said | undefined; field?: string }) => {
  if (!said) return null;
  if (said.ok)
    return field ? null : (
      <span className="moss" role="status">
        {said.said}
      </span>
    );
  const text = field ? said.errors[field] : said.errors.form;
  return text ? (
    <span className="brick" role="alert">
      {text}
    </span>
  ) : null;
};

export default function Workshop({ loaderData }: Route.ComponentProps) {
  const { who, may, settings, people, name } = loaderData;
  const strip = useStrip(loaderData.strip);
  useEffect(() => {
    setServerTime(loaderData.now);
    startChannel();
  }, [loaderData.now]);
  usePageKeys(strip);
  return (
    <>
      <Head who={who} jobs={strip} />
      <main className="page stack">
        <div className="spread">
          <h1>{name}</h1>
          <span className="muted">
            {may.means
              ? 'Changes are kept at once and count for routes planned from then on.'
              : may.methods
                ? 'As lead you change the methods; the rest is the owner’s.'
                : 'Only an owner, or for the methods a lead, changes this page.'}
          </span>
        </div>
        <div
          className="cols"
          style={{ gridTemplateColumns: 'minmax(0,1.75fr) minmax(0,1fr)', alignItems: 'start' }}
        >
          <Methods chosen={methodsOf(settings.methods)} may={may.methods} />
          <div className="stack">
            <Money
              rate={settings.hourlyRateMinor}
              currency={settings.currency}
              waits={settings.waits}
              warrantyMonths={settings.warrantyMonths}
              may={may.means}
            />
            <Stations owned={settings.stations} may={may.means} />
            <People people={people} may={may.people} self={who.personId} />
          </div>
        </div>
      </main>
    </>
  );
}

function Methods({ chosen, may }: { chosen: Record<string, string>; may: boolean }) {
  const { change, said } = useChange();
  return (
    <section className="card">
      <div className="spread" style={{ marginBottom: 4 }}>
        <h2>House methods</h2>
        <Said said={said} />
      </div>
      <p className="muted small" style={{ marginBottom: 8 }}>
        Where the trade disagrees, the workshop chooses; any job can choose otherwise on its Route screen.
      </p>
      <DataTable
        name="House methods"
        rows={methodRows}
        rowKey={(r) => r.id}
        columns={[
          { title: 'question', width: '26%', cell: (r) => <label htmlFor={`m-${r.id}`}>{r.question}</label> },
          {
            title: 'here',
            width: '34%',
            cell: (r) => (
              <Pick
                id={`m-${r.id}`}
                className={chosen[r.id] === r.default ? 'wide' : 'wide strong'}
                disabled={!may}
                value={chosen[r.id]}
                onChange={(value) => change({ do: 'method', row: r.id, option: value })}
                options={r.options.map((o) => ({ value: o.id, label: o.name }))}
              />
            ),
          },
          {
            title: 'default, and why',
            className: 'small muted',
            cell: (r) =>
              `${chosen[r.id] === r.default ? '' : `default: ${r.options.find((o) => o.id === r.default)!.name}; `}${r.why}`,
          },
        ]}
      />
    </section>
  );
}

function Money({
  rate,
  currency,
  waits,
  warrantyMonths,
  may,
}: {
  rate: number;
  currency: string;
  waits: { solventFlashS: number; coolingS: number };
  warrantyMonths: number | undefined;
  may: boolean;
}) {
  const money = useChange();
  const times = useChange();
  const warranty = useChange();
  const [months, setMonths] = useState(warrantyMonths === undefined ? '' : String(warrantyMonths));
  const [amount, setAmount] = useState((rate / 100).toFixed(2));
  const [flash, setFlash] = useState(String(waits.solventFlashS));
  const [cool, setCool] = useState(String(waits.coolingS));
  const read = readAmount(amount);
  return (
    <section className="card stack">
      <h2>Rate, warranty and waits</h2>
      <Form
        className="field"
        onFinish={() => {
          warranty.change({
            do: 'warranty',
            warrantyMonths: months.trim() === '' ? null : Number(months),
          });
        }}
        layout="vertical"
      >
        <label htmlFor="warranty">Warranty on the work, months</label>
        <div className="row" style={{ flexWrap: 'nowrap' }}>
          <Input
            id="warranty"
            inputMode="numeric"
            placeholder="not said on the report"
            disabled={!may}
            value={months}
            onChange={(e) => setMonths(e.target.value)}
            maxLength={4}
          />
          <Button htmlType="submit" disabled={!may} loading={warranty.busy}>
            Keep
          </Button>
        </div>
        <Said said={warranty.said} />
        <Said said={warranty.said} field="warrantyMonths" />
      </Form>
      <Form
        className="field"
        onFinish={() => {
          money.change({ do: 'rate', hourlyRateMinor: read.ok ? read.minor : null });
        }}
        layout="vertical"
      >
        <label htmlFor="rate">{`An hour of hands, ${currency}`}</label>
        <div className="row" style={{ flexWrap: 'nowrap' }}>
          <Input
            id="rate"
            inputMode="decimal"
            disabled={!may}
            value={amount}
            onChange={(e) => setAmount(e.target.value)}
            maxLength={12}
          />
          <Button htmlType="submit" disabled={!may} loading={money.busy}>
            Keep
          </Button>
        </div>
        <Said said={money.said} />
        <Said said={money.said} field="hourlyRateMinor" />
      </Form>
      <Form
        className="stack"
        style={{ gap: 6 }}
        onFinish={() => {
          times.change({ do: 'waits', solventFlashS: Number(flash), coolingS: Number(cool) });
        }}
        layout="vertical"
      >
        <Field label="Alcohol flashes off before heat, s" htmlFor="flash">
          <Input
            id="flash"
            inputMode="numeric"
            disabled={!may}
            value={flash}
            onChange={(e) => setFlash(e.target.value)}
            maxLength={5}
          />
          <Said said={times.said} field="solventFlashS" />
        </Field>
        <Field label="Device cools before alcohol, s" htmlFor="cool">
          <Input
            id="cool"
            inputMode="numeric"
            disabled={!may}
            value={cool}
            onChange={(e) => setCool(e.target.value)}
            maxLength={5}
          />
          <Said said={times.said} field="coolingS" />
        </Field>
        <div className="row">
          <Button htmlType="submit" disabled={!may} loading={times.busy}>
            Keep
          </Button>
          <Said said={times.said} />
        </div>
        <p className="muted small">Shipped minimums: 60 s and 120 s; longer is always allowed.</p>
      </Form>
    </section>
  );
}

function Stations({ owned, may }: { owned: string[]; may: boolean }) {
  const { change, said } = useChange();
  return (
    <section className="card stack" style={{ gap: 4 }}>
      <div className="spread">
        <h2>Stations</h2>
        <Said said={said} />
      </div>
      <p className="muted small">A route uses only what stands here.</p>
      {generalStations.map((s) => (
        <Checkbox
          key={s.id}
          disabled={!may}
          checked={owned.includes(s.id)}
          onChange={(e) => change({ do: 'station', station: s.id, owned: e.target.checked })}
        >
          {s.name}
        </Checkbox>
      ))}
    </section>
  );
}

function People({ people, may, self }: { people: Person[]; may: boolean; self: string }) {
  const role = useChange();
  const add = useChange();
  const none = { name: '', login: '', role: 'technician' as Role, bench: '', password: '' };
  const [form, setForm] = useState(none);
  const done = add.said?.ok;
  useEffect(() => {
    if (done) setForm({ name: '', login: '', role: 'technician', bench: '', password: '' });
  }, [done]);
  const field = (id: keyof typeof none, label: string, more: Record<string, unknown> = {}) => (
    <Field label={label} htmlFor={id}>
      <Input
        id={id}
        value={form[id]}
        maxLength={200}
        onChange={(e) => setForm({ ...form, [id]: e.target.value })}
        {...more}
      />
      <Said said={add.said} field={id} />
    </Field>
  );
  return (
    <section className="card stack">
      <div className="spread">
        <h2>People</h2>
        <Said said={role.said} />
      </div>
      <Said said={role.said} field="role" />
      <DataTable
        rows={people}
        rowKey={(p) => p.id}
        bare
        columns={[
          {
            title: '',
            cell: (p) => (
              <>
                <span className="strong">{p.name}</span>{' '}
                <span className="muted small">
                  {p.login}
                  {p.bench ? `, ${p.bench}` : ''}
                </span>
              </>
            ),
          },
          {
            title: '',
            align: 'right',
            cell: (p) =>
              may && p.id !== self ? (
                <Pick
                  aria-label={`Role of ${p.name}`}
                  value={p.role}
                  onChange={(value) => role.change({ do: 'role', person: p.id, role: value })}
                  options={roles.map((r) => ({ value: r, label: r }))}
                />
              ) : (
                p.role
              ),
          },
        ]}
      />
      {may && (
        <details>
          <summary className="strong">Add a person</summary>
          <Form
            className="stack"
            style={{ gap: 8, marginTop: 8 }}
            onFinish={() => {
              add.change({ do: 'add person', ...form });
            }}
            layout="vertical"
          >
            {field('name', 'Name')}
            {field('login', 'Login name', { autoComplete: 'off' })}
            {field('bench', 'Bench')}
            {field('password', 'First password', { type: 'password', autoComplete: 'new-password' })}
            <Field label="Role" htmlFor="new-role">
              <Pick
                id="new-role"
                value={form.role}
                onChange={(value) => setForm({ ...form, role: value as Role })}
                options={roles.map((r) => ({ value: r, label: r }))}
              />
            </Field>
            <div className="row">
              <Button type="primary" htmlType="submit" loading={add.busy}>
                Add
              </Button>
              <Said said={add.said} />
            </div>
          </Form>
        </details>
      )}
    </section>
  );
}
