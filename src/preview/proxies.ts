/** Decoded proxies and what they are halved to, the most recently used ones kept. */

/** What the server has. */
const SIZES = [512, 2048] as const;
/** Each is halved down to this: far quicker to draw a cutout on a wall from, once it is made, than from the whole. */
const SMALLEST = 128;
/** About this many decoded pixels are kept in each worker. */
const PIXELS_KEPT = 60_000_000;

/** A photo by its content, with its own pixels. */
type Proxied = { readonly sha256: string; readonly width: number; readonly height: number };

const kept = new Map<string, Promise<ImageBitmap>>();
const pixelsOf = new Map<string, number>();

/** Pixels of all that is kept. */
let total = 0;

function forgetOldest(): void {
  for (const [key, bitmap] of kept) {
    if (total <= PIXELS_KEPT || kept.size < 2) return;
    kept.delete(key);
    // One that is still on its way is counted, and let go, when it arrives.
    total -= pixelsOf.get(key) ?? 0;
    if (pixelsOf.delete(key)) void bitmap.then((b) => b.close());
  }
}

/** Most proxies asked for at once. */
const AT_ONCE = 100;

type Waiting = { readonly sha256: string; readonly give: (jpeg: Blob) => void; readonly fail: (error: Error) => void };
const waiting = new Map<number, Waiting[]>();

const lost = (why: string | number) => new Error(`The preview of this photo could not be loaded (${why}).`);

async function ask(size: number, asked: readonly Waiting[]): Promise<void> {
  const response = await fetch(`/api/photos/proxies/${size}?of=${asked.map(({ sha256 }) => sha256).join(',')}`);
  if (!response.ok) throw lost(response.status);
  const bytes = new DataView(await response.arrayBuffer());
  let at = 0;
  for (const { give, fail } of asked) {
    const length = bytes.getUint32(at, true);
    const jpeg = new Uint8Array(bytes.buffer, at + 4, length);
    if (length > 0) give(new Blob([jpeg]));
    else fail(lost('it is gone'));
    at += 4 + length;
  }
}

/** All that was asked for in the same moment in one request: a request a photo costs more than the photo. */
function flush(size: number): void {
  const all = waiting.get(size) ?? [];
  waiting.delete(size);
  for (let i = 0; i < all.length; i += AT_ONCE) {
    const some = all.slice(i, i + AT_ONCE);
    ask(size, some).catch((error: Error) => some.forEach(({ fail }) => fail(error)));
  }
}

async function load(sha256: string, size: number): Promise<ImageBitmap> {
  const jpeg = await new Promise<Blob>((give, fail) => {
    const some = waiting.get(size);
    if (some) some.push({ sha256, give, fail });
    else {
      waiting.set(size, [{ sha256, give, fail }]);
      queueMicrotask(() => flush(size));
    }
  });
  return createImageBitmap(jpeg);
}

/** Half as wide and high; each pixel is the mean of four. */
function halved(bitmap: ImageBitmap): ImageBitmap {
  const [width, height] = [Math.ceil(bitmap.width / 2), Math.ceil(bitmap.height / 2)];
  const canvas = new OffscreenCanvas(width, height);
  // In the processor's own memory, where it is drawn from.
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'low';
  context.drawImage(bitmap, 0, 0, width, height);
  return canvas.transferToImageBitmap();
}

/** How often a proxy is halved, if its photo has `side` pixels on its longer side, to leave at least `longest`. */
function halvingsFor(size: number, side: number, longest: number): number {
  let halvings = 0;
  for (let left = Math.min(size, side); left / 2 >= Math.max(longest, SMALLEST); left /= 2) halvings++;
  return halvings;
}

/** A photo's smallest picture that is at least `longest` pixels on its longer side, or else its largest one. */
export function proxyFor({ sha256, width, height }: Proxied, longest: number): Promise<ImageBitmap> {
  const size = longest <= SIZES[0] ? SIZES[0] : SIZES[1];
  return pictureOf(sha256, size, halvingsFor(size, Math.max(width, height), longest));
}

function pictureOf(sha256: string, size: number, halvings: number): Promise<ImageBitmap> {
  const key = `${sha256} ${size} ${halvings}`;
  const known = kept.get(key);
  if (known) {
    // Moves it to the end: maps keep their order of insertion.
    kept.delete(key);
    kept.set(key, known);
    return known;
  }
  const bitmap = halvings === 0 ? load(sha256, size) : pictureOf(sha256, size, halvings - 1).then(halved);
  kept.set(key, bitmap);
  bitmap.then(
    (loaded) => {
      if (kept.get(key) !== bitmap) return loaded.close();
      pixelsOf.set(key, loaded.width * loaded.height);
      total += loaded.width * loaded.height;
      forgetOldest();
    },
    () => {
      if (kept.get(key) === bitmap) kept.delete(key);
    },
  );
  return bitmap;
}
