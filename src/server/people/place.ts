/** Where a request comes from, as this server itself saw it. */

/** Set by src/serve.ts on every request, whatever the client wrote there. */
export const PLACE_HEADER = 'x-wobrel-place';

export const placeOf = (headers: Headers): string | null => headers.get(PLACE_HEADER);
