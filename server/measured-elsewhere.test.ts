import { randomUUID } from 'node:crypto';
import { beforeAll, expect, test } from 'vitest';
import type { Who } from '../core/wire/who';
import { cmd, makeWorld, openJob, type World } from './testing/world';
import { measuredElsewhere } from './use-cases/measured-elsewhere';
import { sendCommands } from './use-cases/send-commands';

let world: World;
let tova: Who;
beforeAll(async () => {
  world = await makeWorld();
  tova = world.own.get('technician')!;
}, 120_000);

/** A device of a tag whose loudspeaker was measured. */
async function measuredJob(who: Who, tag: string, level: number): Promise<string> {
  const job = await openJob(world, who, { tag }, false);
  const measured = { id: randomUUID(), kind: 'sound', verdict: 'works', figures: { level } } as const;
  const body = { type: 'checkMeasured', round: 'before', function: 'loudspeaker', measured } as const;
  const [answer] = await sendCommands(who, [cmd(who, job, body)]);
  expect(answer!.outcome.status).toBe('recorded');
  return job;
}

test('five others of the model say what is usual, the device itself what it was last; another workshop’s count for nothing', async () => {
  const first = await measuredJob(tova, 'BACK-1', -31);
  await sendCommands(tova, [cmd(tova, first, { type: 'jobClosed', ending: 'declined', note: 'too dear' })]);
  for (const [k, level] of [-28, -27, -26, -25].entries()) await measuredJob(tova, `OTHER-${k}`, level);
  const other = world.other.get('technician')!;
  for (let k = 0; k < 3; k++) await measuredJob(other, `THEIRS-${k}`, -99);
  const again = await measuredJob(tova, 'back-1', -33);
  // four others are too few
  expect((await measuredElsewhere(tova, again)).usual).toEqual([]);
  await measuredJob(tova, 'OTHER-9', -24);
  const { usual, last } = await measuredElsewhere(tova, again);
  expect(usual).toMatchObject([
    { function: 'loudspeaker', figure: 'level', devices: 5, low: -27.6, high: -24.4 },
  ]);
  expect(last).toMatchObject({ figures: { loudspeaker: { level: -31 } } });
  expect(await measuredElsewhere(other, again)).toEqual({ usual: [], last: undefined });
  expect(await measuredElsewhere(tova, randomUUID())).toEqual({ usual: [], last: undefined });
}, 60_000);
