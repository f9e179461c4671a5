import { RateLimiterMemory, RateLimiterPostgres } from 'rate-limiter-flexible';
import { attemptStore } from '../db/sessions';

/**
 * Wrong passwords are counted in the database, so that every app process sees them, and before they are checked, so that
 * tries at the same time do not slip through: for a login from one address, for an address, and for a login from all
 * addresses that it has never been signed in from. Tries from strange addresses thus never lock its owner out.
 */
const limits = {
  pair: { points: 8, duration: 900 },
  address: { points: 60, duration: 900 },
  strangers: { points: 40, duration: 900 },
  /** A login was signed in from an address: remembered for so many seconds. */
  known: { points: 1_000_000, duration: 90 * 86_400 },
  /** Codes and links that were wrong, from one address. */
  code: { points: 20, duration: 900 },
  /** Links of phones that were wrong, from one address. */
  link: { points: 20, duration: 900 },
  /** What a phone sends by one link. */
  page: { points: 240, duration: 60 },
  /** Numbers and passwords typed at a bench for one person. */
  pin: { points: 6, duration: 900 },
};
type Kind = keyof typeof limits;
let limiters: Promise<Record<Kind, RateLimiterPostgres>> | undefined;
export async function attempts() {
  limiters ??= (async () => {
    const storeClient = await attemptStore();
    const make = (kind: Kind) =>
      new RateLimiterPostgres({
        storeClient,
        storeType: 'knex',
        tableName: 'sign_in_attempt',
        tableCreated: true,
        keyPrefix: kind,
        ...limits[kind],
        insuranceLimiter: new RateLimiterMemory(limits[kind]),
      });
    return {
      pair: make('pair'),
      address: make('address'),
      strangers: make('strangers'),
      known: make('known'),
      code: make('code'),
      link: make('link'),
      page: make('page'),
      pin: make('pin'),
    };
  })();
  return limiters;
}
