/**
 * The text of a request's or an answer's body, as UTF-8; null where it is longer than `most` bytes, of which no more is read.
 * Rejects where the line breaks.
 */
export async function textUpTo(most: number, { body }: Pick<Body, 'body'>): Promise<string | null> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  const reader = body?.getReader();
  for (let read = await reader?.read(); read && !read.done; read = await reader!.read()) {
    length += read.value.length;
    if (length > most) {
      await reader!.cancel();
      return null;
    }
    chunks.push(read.value);
  }
  return Buffer.concat(chunks).toString('utf8');
}
