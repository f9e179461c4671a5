import { randomUUID } from 'node:crypto';
import { consentsFor } from '../core/consents/consents';
import { Bench } from '../core/testing/bench';
import { atlas, indexed, modelHash } from '../core/testing/demo-models';
import type { Route } from '../core/steps/route';

/** A housing rebuild of the largest model, received, agreed, routed and worked at by requests as the screens send them, until its log has so many entries. */
export async function atlasJob(
  origin: string,
  cookie: string,
  person: string,
  entries: number,
): Promise<string> {
  const id = randomUUID();
  const index = indexed(atlas, atlas.variants[0]!.id);
  const sent = async (path: string, data: unknown) => {
    const r = await fetch(origin + path, {
      method: 'POST',
      redirect: 'manual',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify(data),
    });
    if (r.status >= 400) throw new Error(`${path}: ${r.status} ${await r.text()}`);
    return r;
  };
  await sent(`/receive/${id}`, {
    modelHash: modelHash(atlas),
    variant: atlas.variants[0]!.id,
    tag: `ATL-${id.slice(0, 6)}`,
    complaint: 'frame bent',
    tasks: [{ slot: 'frame', action: 'replace' }],
    promisedAt: null,
    before: Object.fromEntries(atlas.shortList.map((f) => [f, { result: 'works' }])),
  });
  const bench = new Bench(index, undefined, person, 'technician', randomUUID()).open({
    tasks: [{ slot: 'frame', action: 'replace' }],
  });
  const command = (body: unknown) => ({
    id: randomUUID(),
    job: id,
    person,
    body,
    at: Date.now(),
    clockKnown: true,
  });
  await sent('/commands', {
    commands: consentsFor(index, bench.state)
      .filter((c) => !c.optional)
      .map((c) =>
        command({
          type: 'consentGiven',
          effect: c.id,
          by: 'owner',
          ...(c.answers ? { answer: c.answers[1] } : {}),
        }),
      ),
  });
  await sent(`/jobs/${id}/route`, { command: randomUUID() });
  const route = (await (
    await fetch(`${origin}/jobs/${id}/route.json`, { headers: { cookie } })
  ).json()) as Route;
  bench.adopt(route);
  // the job's own entries so far, and then the course of the work
  const from = bench.commands.length;
  bench.at = Date.now() - 6 * 3_600_000;
  for (let k = 0; k < 2000 && bench.commands.length - from < entries; k++) if (!bench.next()) break;
  const course = bench.commands.slice(from);
  // in the midst of screws, where a press takes one out or puts one in
  while (course.length && !['screwOut', 'screwIn'].includes(course.at(-1)!.body.type)) course.pop();
  course.pop();
  for (let k = 0; k < course.length; k += 100) {
    const r = await sent('/commands', {
      commands: course.slice(k, k + 100).map((c) => ({ ...command(c.body), at: Math.round(c.at) })),
    });
    const bad = ((await r.json()) as { answers: { outcome: { status: string } }[] }).answers.find(
      (a) => a.outcome.status === 'refused',
    );
    if (bad) throw new Error(JSON.stringify(bad));
  }
  return id;
}
