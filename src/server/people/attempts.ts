/** How often somebody may try (OWASP ASVS 5.0, 6.3.1): by the address that is tried, and by where it is tried from. */
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';
import { WobrelError } from '../../core/errors';
import { oncePerProcess } from '../once';

const MINUTE = 60;

/**
 * Wrong tries in a quarter of an hour before one has to wait: at one account from one place, so that nobody elsewhere
 * locks its person out; at one account from anywhere; and from one place at any.
 */
const LIMITS = { here: 10, account: 50, place: 100 } as const;
type Limit = keyof typeof LIMITS;

const limiters = () =>
  oncePerProcess('attempts', () => {
    const limiter = (limit: Limit) => new RateLimiterMemory({ points: LIMITS[limit], duration: 15 * MINUTE });
    return { here: limiter('here'), account: limiter('account'), place: limiter('place') };
  });

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
  const { here, account: accounts, place: places } = limiters();
  const both = `${place} ${account}`;
  await here.consume(both).catch(tooMany);
  await accounts.consume(account).catch(tooMany);
  if (place !== null) await places.consume(place).catch(tooMany);
  const done = await work();
  await Promise.all([here.delete(both), accounts.delete(account)]);
  return done;
}
