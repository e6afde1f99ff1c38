/** Numbers in words. */

const numbers = new Intl.NumberFormat('en-GB');
const days = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });
const times = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** A number as people write it: 2,000. */
export const amount = (n: number) => numbers.format(n);

export const plural = (n: number, one: string, many = `${one}s`) => `${amount(n)} ${n === 1 ? one : many}`;

export function fileSize(bytes: number): string {
  // What there is at all is told as something.
  if (bytes < 1e6) return `${bytes === 0 ? 0 : Math.max(1, Math.round(bytes / 1e3))} kB`;
  if (bytes < 1e9) return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
  return `${(bytes / 1e9).toFixed(bytes < 1e10 ? 1 : 0)} GB`;
}

/** A day as people write it: 26 November. */
export const day = (time: number) => days.format(time);

/** Who made something, after when; nothing where nobody signed in. */
export const byWhom = (name: string | null) => (name === null ? '' : `, ${name}`);

export const when = (time: number) => times.format(time);
