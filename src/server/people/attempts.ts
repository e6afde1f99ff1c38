/** How often somebody may try (OWASP ASVS 5.0, 6.3.1): by the address that is tried, and by where it is tried from. */
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import { WobrelError } from '../../core/errors';
import { oncePerProcess } from '../once';

const MINUTE = 60;

/** Wrong tries at one account, and at any from one place, before both wait; in a quarter of an hour. */
const LIMITS = { account: 10, place: 100 } as const;

const limiters = () =>
  oncePerProcess('attempts', () => ({
    account: new RateLimiterMemory({ points: LIMITS.account, duration: 15 * MINUTE }),
    place: new RateLimiterMemory({ points: LIMITS.place, duration: 15 * MINUTE }),
  }));

function tooMany(left: RateLimiterRes): never {
  const minutes = Math.max(1, Math.ceil(left.msBeforeNext / 1000 / MINUTE));
  throw new WobrelError(
    'too-often',
    `That was tried too often: wait ${minutes} minute${minutes > 1 ? 's' : ''}, or ask an owner for a link.`,
  );
}

/**
 * Counts a try before it is made; one that is right gives its account's tries back.
 *
 * @param account whether there is one of that name or not
 * @param place where it comes from; null where nobody knows
 * @throws WobrelError `too-often`
 */
export async function attempt<T>(account: string, place: string | null, work: () => Promise<T>): Promise<T> {
  const { account: accounts, place: places } = limiters();
  await accounts.consume(account).catch(tooMany);
  if (place !== null) await places.consume(place).catch(tooMany);
  const done = await work();
  await accounts.delete(account);
  return done;
}
