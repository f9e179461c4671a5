import { inShop } from '../db/orm';
import { allShops } from '../db/backup/shops';
import { addTask, latestTasks, runningTask } from '../db/tasks';
import { workshopOf } from '../db/workshop';
import type { Waiting } from './done';
import { lastDue } from './due';

/** At night nobody waits for it. */
const eraseHour = 3;

/** Looks what is due in each workshop: a daily backup that was missed or failed is tried again an hour later. */
export async function runHourly(now: number, enqueue: (waiting: Waiting) => Promise<void>): Promise<void> {
  const shops = await allShops();
  for (const shop of shops) {
    const ids = await inShop(shop, async (em) => {
      const { settings } = await workshopOf(em);
      const { backups, erasing, timeZone } = settings;
      const due = async (kind: 'backup' | 'erase', hour: number) => {
        const [latest] = (await latestTasks(em, kind, 20)).filter((task) => task.state === 'done');
        if (latest && latest.at >= lastDue(now, hour, timeZone)) return [];
        if (await runningTask(em, kind, now)) return [];
        return [{ kind, id: await addTask(em, kind, null) }];
      };
      return [
        // a backup holds everything of the machine: where there are several workshops, whoever runs it makes them
        ...(backups?.daily && shops.length === 1 ? await due('backup', backups.hour) : []),
        ...(erasing ? await due('erase', eraseHour) : []),
      ];
    });
    for (const task of ids) await enqueue({ shop, ...task });
  }
}
