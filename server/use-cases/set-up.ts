import * as wording from '../../words/answers/set-up';
import { randomUUID } from 'node:crypto';
import { RateLimiterRes } from 'rate-limiter-flexible';
import { type SetUp, setUpFields } from '../../forms/people-fields';
import type { ShopSettings } from '../../core/wire/who';
import { taxGiven } from './places';
import { leastWaits } from '../../core/rules/interlock';
import { attempts } from '../auth/attempts';
import { tooCommon } from '../auth/common-passwords';
import { hashPassword } from '../auth/password';
import { openSession } from '../auth/session';
import { forgetSetUpCode, isSetUpCode } from '../auth/set-up-code';
import { alone, inShop } from '../db/orm';
import { addPerson } from '../db/people';
import { workshopCount } from '../db/sessions';
import { addWorkshop } from '../db/workshop';

/** Whether the first workshop can be founded: there is none yet. */
export const setUpOpen = async (): Promise<boolean> => (await workshopCount()) === 0;

export type Founded =
  | { ok: true; cookie: string }
  | { ok: false; status: number; errors: Record<string, string> };
/**
 * Founds the first workshop with its first owner, who is signed in. The code proves that whoever asks is at the machine;
 * wrong ones are counted before they are looked at.
 * @param address where the request comes from
 */
export async function foundWorkshop(json: unknown, address: string, request: Request): Promise<Founded> {
  const no = (status: number, errors: Record<string, string>): Founded => ({ ok: false, status, errors });
  if (!(await setUpOpen())) return no(410, { form: wording.isSetUp });
  const read = setUpFields.safeParse(json);
  if (!read.success)
    return no(
      400,
      Object.fromEntries(read.error.issues.map((i) => [String(i.path[0] ?? 'form'), i.message])),
    );
  const { code } = await attempts();
  try {
    await code.consume(address);
  } catch (e) {
    if (!(e instanceof RateLimiterRes)) throw e;
    const minutes = Math.ceil(e.msBeforeNext / 60_000);
    return no(429, { code: wording.tooManyCodes(minutes) });
  }
  if (!isSetUpCode(read.data.code))
    return no(403, {
      code: wording.wrongCode,
    });
  await code.delete(address);
  const common = await tooCommon(read.data.password, read.data.login);
  if (common) return no(400, { password: common });
  return found(read.data, request, no);
}

async function found(
  given: SetUp,
  request: Request,
  no: (status: number, errors: Record<string, string>) => Founded,
): Promise<Founded> {
  const { shop, currency, country, timeZone, hourlyRateMinor, stations, name, login } = given;
  const [shopId, personId] = [randomUUID(), randomUUID()];
  const passwordHash = await hashPassword(given.password);
  const settings: ShopSettings = {
    hourlyRateMinor,
    currency,
    country,
    timeZone,
    ...taxGiven({ ...given, taxName: 'VAT' }),
    waits: leastWaits,
    methods: {},
    stations,
  };
  const made = await inShop(shopId, async (em) => {
    // of two who found at the same time the second finds that there is one
    await alone(em, 'found a workshop');
    if ((await workshopCount(em)) > 0) return false;
    await addWorkshop(em, { id: shopId, name: shop, settings, demo: false });
    return addPerson(em, { id: personId, login, name, role: 'owner', bench: '', passwordHash });
  });
  if (!made) return no(410, { form: wording.isSetUp });
  forgetSetUpCode();
  return { ok: true, cookie: await openSession(shopId, personId, request) };
}
