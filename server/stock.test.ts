import { stockQuery } from '../forms/stock-query';
import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, test } from 'vitest';
import { loader as csvLoader } from '../app/routes/stock/stock-csv';
import type { Body } from '../core/log/events';
import { call, cmd, makeWorld, openJob, type World } from './testing/world';
import type { Who } from '../core/wire/who';
import { jobPage } from './use-cases/job-page';
import { offerPage } from './use-cases/offer-page';
import { sendCommands } from './use-cases/send-commands';
import { changeStock, stockCsv, stockPage } from './use-cases/stock';

let world: World;
let tova: Who;
let marek: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
  marek = world.own.get('lead')!;
}, 120_000);

const send = async (who: Who, job: string, body: Body) =>
  (await sendCommands(who, [cmd(who, job, body)]))[0]!.outcome;

const line = (more: Record<string, string> = {}): Record<string, string> => ({
  model: 'mica-9',
  slot: 'cell',
  provenance: 'new original',
  price: '42.50',
  serial: `C-${randomUUID().slice(0, 6)}`,
  ...more,
});
async function addPart(more: Record<string, string> = {}): Promise<string> {
  const part = line(more);
  const said = await changeStock(marek, { do: 'add', part });
  if (!said.ok) throw new Error(JSON.stringify(said));
  return (await stockPage(marek, stockQuery.parse({ q: part.serial! }))).parts[0]!.id;
}
const choose = (id: string): Body => ({
  type: 'partChosen',
  slot: 'cell',
  part: id,
  name: 'made up by the client',
  provenance: 'pulled',
  supplier: '',
  lot: '',
  serial: '',
  priceMinor: 1,
  arrivesWith: [],
  released: 'not needed',
  proof: '',
});

describe('the stock', () => {
  test('a part is added by a lead, found, priced with a comma, and what is wrong is said at its field', async () => {
    const id = await addPart({ price: '12,50', supplier: 'Harbour Parts' });
    expect(
      (await stockPage(tova, stockQuery.parse({ q: 'harbour parts' }))).parts.find((p) => p.id === id),
    ).toMatchObject({
      priceMinor: 1250,
      name: 'cell',
      kind: 'cell',
    });
    for (const [more, field] of [
      [{ price: '1,250' }, 'price'],
      [{ price: '-3' }, 'price'],
      [{ price: 'dear' }, 'price'],
      [{ slot: 'wing' }, 'slot'],
      [{ model: 'none' }, 'model'],
      [{ provenance: 'found' }, 'provenance'],
      [{ released: 'proof seen' }, 'proof'],
      [{ arrives_with: 'wing' }, 'arrives_with'],
    ] as const) {
      expect(
        await changeStock(marek, { do: 'add', part: line(more as Record<string, string>) }),
        JSON.stringify(more),
      ).toMatchObject({ ok: false, errors: { [field]: expect.any(String) } });
    }
    expect(await changeStock(tova, { do: 'add', part: line() })).toMatchObject({ ok: false, status: 403 });
  });
  test('goes out as CSV and comes in again the same; quotes, commas, line breaks and formulas survive (RFC 4180)', async () => {
    const other = world.other.get('owner')!;
    const odd = line({
      supplier: 'Quay, "North"\nshed 2',
      lot: '=1+1',
      arrives_with: 'ear-speaker;sensor-flex',
      slot: 'display',
    });
    expect(await changeStock(other, { do: 'add', part: odd })).toMatchObject({ ok: true });
    const csv = await stockCsv(other, stockQuery.parse({}));
    expect(csv.split('\r\n')[0]).toBe(
      'name,model,slot,provenance,supplier,lot,serial,price,arrives_with,released,proof',
    );
    expect(csv).toContain('"Quay, ""North""\nshed 2"');
    // a spreadsheet would take a leading = for a formula
    expect(csv).toContain("'=1+1");
    expect(await changeStock(other, { do: 'import', csv: `\ufeff${csv}` })).toEqual({
      ok: true,
      said: '1 part taken in.',
    });
    const { parts } = await stockPage(other, stockQuery.parse({ q: odd.serial! }));
    expect(parts).toHaveLength(2);
    expect({ ...parts[1]!, id: '' }).toEqual({ ...parts[0]!, id: '' });
    expect(parts[0]).toMatchObject({
      supplier: odd.supplier,
      lot: '=1+1',
      arrivesWith: ['ear-speaker', 'sensor-flex'],
      priceMinor: 4250,
    });
    expect(
      (await call(csvLoader as never, tova, '/stock.csv', {})).response!.headers.get('content-type'),
    ).toContain('text/csv');
  });
  test('an import with a wrong line takes in nothing and names the line', async () => {
    const before = (await stockPage(marek, stockQuery.parse({ q: '' }))).total;
    const said = await changeStock(marek, {
      do: 'import',
      csv: 'model,slot,provenance,price\nmica-9,cell,new original,10\nmica-9,wing,new original,1,000\n',
    });
    expect(said.ok).toBe(false);
    const wrong = await changeStock(marek, {
      do: 'import',
      csv: 'model,slot,provenance,price\nmica-9,cell,new original,10\nmica-9,wing,new original,-1\n',
    });
    expect(wrong).toMatchObject({
      errors: { csv: expect.stringContaining('line 3, price: An amount is 0 or more.') },
    });
    expect(await changeStock(marek, { do: 'import', csv: 'model,slot\n1,2\n' })).toMatchObject({
      errors: { csv: expect.stringContaining('A column is missing: provenance, price') },
    });
    expect(await changeStock(marek, { do: 'import', csv: '' })).toMatchObject({ ok: false });
    expect((await stockPage(marek, stockQuery.parse({ q: '' }))).total).toBe(before);
  });
  test('what is chosen for a job is told from the stock’s own row; the same part is not chosen twice, and dropped it is free', async () => {
    const id = await addPart();
    const [a, b] = [await openJob(world, tova, {}, false), await openJob(world, marek, {}, false)];
    const both = await Promise.all([send(tova, a, choose(id)), send(marek, b, choose(id))]);
    expect(both.filter((o) => o.status === 'recorded')).toHaveLength(1);
    expect(both.find((o) => o.status === 'refused')).toMatchObject({ refused: { code: 'part taken' } });
    const [winner, who, loser] =
      both[0]!.status === 'recorded' ? ([a, tova, b] as const) : ([b, marek, a] as const);
    expect((await jobPage(who, winner))!.state.part.cell).toMatchObject({
      part: id,
      name: 'cell',
      provenance: 'new original',
      priceMinor: 4250,
    });
    expect(await changeStock(marek, { do: 'remove', ids: [id] })).toMatchObject({ ok: false, status: 409 });
    await send(who, winner, { type: 'partDropped', slot: 'cell' });
    expect(await send(marek, loser, choose(id))).toMatchObject({ status: 'recorded' });
    expect(
      (await offerPage(marek, (await jobPage(marek, loser))!)).parts.find((p) => p.id === id),
    ).toMatchObject({ jobId: loser });
    // a declined job gives back what it has not used up
    await send(marek, loser, { type: 'jobClosed', ending: 'declined', note: 'too dear' });
    expect(
      (await stockPage(marek, stockQuery.parse({ q: '' }))).parts.find((p) => p.id === id),
    ).toMatchObject({ jobId: null });
  });
  test('a locked part is chosen by nobody until the proof of its release has been seen', async () => {
    const id = await addPart({ provenance: 'pulled', released: 'locked' });
    const job = await openJob(world, marek, {}, false);
    expect(await send(marek, job, choose(id))).toMatchObject({
      status: 'refused',
      findings: [{ rule: 'part locked', severity: 'forbid' }],
    });
    expect(await changeStock(marek, { do: 'change', id, released: 'proof seen', proof: '' })).toMatchObject({
      errors: { proof: expect.any(String) },
    });
    await changeStock(marek, { do: 'change', id, released: 'proof seen', proof: 'receipt' });
    expect(await send(marek, job, choose(id))).toMatchObject({ status: 'recorded' });
  });
});
