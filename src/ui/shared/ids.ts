/** A name that nobody else has; also where `randomUUID` is missing, as on pages that come by plain HTTP from another machine (W3C Web Cryptography, secure contexts). */
export const newId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** This page's own name, as long as it is open. */
export const WINDOW = newId();
