/** Masks and colours of a template's layers stacked into the pixels of a plate. */
import type { PixelWindow } from '../raster';
import { fillPaint, fillPlaces, type PaintRows, type Places, type Rgba } from '../paint';
import type { Ring } from './layers';
import type { Plate } from './plate';

/** A share this close to 0 or 1 makes no difference in 8 bits. */
const NEGLIGIBLE = 1 / 2048;

/** Less alpha than this is none in 8 bits. */
const LEAST_ALPHA = 0.5 / 255;

/** The sorts of pixels; the last two are those of `Plate.runs`. */
const NO_PHOTO = -1;
const MIXED = 0;
const ALL_PHOTO = 1;

/** A band of rows of the picture: one mask a layer, width × height shares row by row. */
export type Stack = {
  readonly width: number;
  readonly height: number;
  /** The picture's row that the band begins with. */
  readonly top: number;
  /** Matte and backdrop: premultiplied, 0…1. */
  readonly floor: readonly [r: number, g: number, b: number, alpha: number];
  /** A backdrop that is not one colour, on the floor. */
  readonly backdrop: PaintRows | null;
  /** For each ring the coats of its borders, where they are not the same all round. */
  readonly coats: readonly (readonly Coat[] | null)[];
  /** First listed on top, as in CSS. */
  readonly shadows: readonly { readonly colour: Rgba; readonly mask: Float32Array }[];
  /** How much of each pixel the photo covers where its edge is soft; null where the rings say it. */
  readonly feather: Float32Array | null;
  /** `rings[i]` fills `levels[i]` without `levels[i + 1]`. */
  readonly rings: readonly Ring[];
  readonly levels: readonly Float32Array[];
};

/** A border's paint, and where a dash covers it: null all round. */
export type Coat = PaintRows & { readonly dash: Places | null };

/** Lays rows of paints over each other. */
function rowPainter(width: number) {
  const [paint, at, dash] = [new Float32Array(width * 4), new Float32Array(width), new Float32Array(width)];
  /** One paint over what is in `out`: n times r, g, b premultiplied and alpha (W3C Compositing 1 §9.1). */
  return (coat: Coat, x: number, y: number, n: number, out: Float32Array): void => {
    fillPaint(coat, x, y, n, at, paint);
    if (coat.dash) fillPlaces(coat.dash, x, y, n, dash);
    for (let i = 0, q = 0; i < n; i++, q += 4) {
      const alpha = coat.dash ? paint[q + 3]! * dash[i]! : paint[q + 3]!;
      const rest = 1 - alpha;
      for (let c = 0; c < 3; c++) out[q + c] = paint[q + c]! * alpha + out[q + c]! * rest;
      out[q + 3] = alpha + out[q + 3]! * rest;
    }
  };
}

/** First and last pixel of a row that a mask touches, or null. */
function touched(mask: Float32Array, from: number, width: number): readonly [first: number, last: number] | null {
  let first = 0;
  while (first < width && mask[from + first] === 0) first++;
  if (first === width) return null;
  let last = width - 1;
  while (mask[from + last] === 0) last--;
  return [first, last];
}

/** Numbers added one by one, in memory that grows with them: a plain list of many millions takes several times as much. */
function growing<A extends Int32Array | Float32Array>(make: (length: number) => A) {
  let values = make(1024);
  let length = 0;
  return {
    add: (a: number, b: number, c: number, d?: number) => {
      if (length + 4 > values.length) {
        const larger = make(values.length * 2);
        larger.set(values);
        values = larger;
      }
      values[length++] = a;
      values[length++] = b;
      values[length++] = c;
      if (d !== undefined) values[length++] = d;
    },
    done: () => values.slice(0, length) as A,
  };
}

/** Smallest window that holds every run. */
function windowOfRuns(runs: Int32Array, width: number): PixelWindow {
  let [left, top, right, bottom] = [Infinity, Infinity, -1, -1];
  for (let run = 0; run < runs.length; run += 3) {
    const x = runs[run]! % width;
    const y = Math.floor(runs[run]! / width);
    left = Math.min(left, x);
    right = Math.max(right, x + runs[run + 1]! - 1);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return right < 0
    ? { left: 0, top: 0, width: 0, height: 0 }
    : { left, top, width: right - left + 1, height: bottom - top + 1 };
}

/** Smallest window that holds every pixel whose alpha is not 0. */
function inkedWindow(rgba: Uint8ClampedArray, width: number, height: number): PixelWindow {
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let x = 0;
    while (x < width && rgba[(row + x) * 4 + 3] === 0) x++;
    if (x === width) continue;
    let end = width - 1;
    while (rgba[(row + end) * 4 + 3] === 0) end--;
    left = Math.min(left, x);
    right = Math.max(right, end);
    top = Math.min(top, y);
    bottom = y;
  }
  return right < 0
    ? { left: 0, top: 0, width: 0, height: 0 }
    : { left, top, width: right - left + 1, height: bottom - top + 1 };
}

function isShaded(masks: readonly Float32Array[], i: number): boolean {
  for (let s = 0; s < masks.length; s++) if (masks[s]![i] !== 0) return true;
  return false;
}

/** A black pixel without transparency, as four bytes in this machine's order. */
const OPAQUE = new Uint32Array(new Uint8Array([0, 0, 0, 255]).buffer)[0]!;

/** What the bands of a plate are written to. */
type PlatePixels = {
  readonly blank: Uint8ClampedArray;
  readonly runs: ReturnType<typeof growing<Int32Array>>;
  readonly mixed: ReturnType<typeof growing<Float32Array>>;
};

/**
 * The plate's pixels of a band. Flat arrays and plain numbers throughout: this runs over every
 * pixel at each move of a slider, and a tuple a pixel costs several times as much.
 */
function stackBand(
  { width, height, top, floor, backdrop, coats, shadows, feather, rings, levels }: Stack,
  pixels: PlatePixels,
): void {
  const over = Float64Array.from(rings.flatMap((ring) => ring.over));
  const colours = Float64Array.from(shadows.flatMap(({ colour: { r, g, b, alpha } }) => [r, g, b, alpha]));
  const masks = shadows.map(({ mask }) => mask);
  const hasPhoto = Uint8Array.from(rings, ({ photo }) => (photo ? 1 : 0));
  let [fr, fg, fb, fa] = floor;
  const lay = rowPainter(width);
  const floorRow = backdrop && new Float32Array(width * 4);
  const ringRows = coats.map((coat) => coat && new Float32Array(width * 4));
  const outermost = levels[0]!;
  const innermost = levels[levels.length - 1]!;
  const last = rings[rings.length - 1]!;
  const plainInside = last.photo && last.over[3] === 0 && !last.varying;

  const first = top * width;
  const blank = pixels.blank.subarray(first * 4, (first + width * height) * 4);
  const { runs, mixed } = pixels;
  const alphas = new Uint32Array(blank.buffer, blank.byteOffset, width * height);
  const bareOutside = fa === 0 && !backdrop && !feather && masks.length === 0;
  for (let y = 0; y < height; y++) {
    const end = (y + 1) * width;
    let runSort = NO_PHOTO;
    let runStart = y * width;
    if (floorRow) {
      for (let x = 0; x < width; x++) floorRow.set(floor, x * 4);
      lay({ ...backdrop!, dash: null }, 0, top + y, width, floorRow);
    }
    ringRows.forEach((row, level) => {
      const span = row && touched(levels[level]!, y * width, width);
      if (!span) return;
      const [from, n] = [span[0], span[1] - span[0] + 1];
      const part = row.subarray(from * 4, (from + n) * 4).fill(0);
      for (const coat of coats[level]!) lay(coat, from, top + y, n, part);
    });
    for (let i = y * width; i < end; i++) {
      let sort = NO_PHOTO;
      // Most pixels lie in long stretches of nothing or of pure photo: those are passed in one go.
      if (bareOutside && outermost[i] === 0) {
        if (runSort !== NO_PHOTO) runs.add(first + runStart, i - runStart, runSort);
        while (i + 1 < end && outermost[i + 1] === 0) i++;
        runSort = NO_PHOTO;
        runStart = i + 1;
        continue;
      }
      if (plainInside && innermost[i] === 1 && (!feather || feather[i] === 1)) {
        const from = i;
        while (i + 1 < end && innermost[i + 1] === 1 && (!feather || feather[i + 1] === 1)) i++;
        alphas.fill(OPAQUE, from, i + 1);
        if (runSort === ALL_PHOTO) continue;
        if (runSort !== NO_PHOTO) runs.add(first + runStart, from - runStart, runSort);
        runSort = ALL_PHOTO;
        runStart = from;
        continue;
      } else if (outermost[i] !== 0 || fa > 0 || floorRow || (feather && feather[i] !== 0) || isShaded(masks, i)) {
        const q = (i - y * width) * 4;
        for (let level = 0; level < ringRows.length; level++) {
          const row = ringRows[level];
          if (row) for (let c = 0; c < 4; c++) over[level * 4 + c] = row[q + c]!;
        }
        if (floorRow) {
          fr = floorRow[q]!;
          fg = floorRow[q + 1]!;
          fb = floorRow[q + 2]!;
          fa = floorRow[q + 3]!;
        }
        // Split the pixel's area between the rings; what no ring covers shows what lies beneath.
        let outer = outermost[i]!;
        let beneath = 1 - outer;
        let r = 0;
        let g = 0;
        let b = 0;
        let a = 0;
        let photo = 0;
        for (let level = 0; outer > 0 && level < hasPhoto.length; level++) {
          const inner = level + 1 < hasPhoto.length ? Math.min(levels[level + 1]![i]!, outer) : 0;
          const area = outer - inner;
          outer = inner;
          if (area <= 0) continue;
          const c = level * 4;
          const rest = area * (1 - over[c + 3]!);
          r += area * over[c]!;
          g += area * over[c + 1]!;
          b += area * over[c + 2]!;
          a += area * over[c + 3]!;
          if (feather || hasPhoto[level] !== 1) beneath += rest;
          else photo += rest;
        }
        if (feather) {
          photo = beneath * feather[i]!;
          beneath -= photo;
        }
        if (beneath > 0) {
          let ur = fr;
          let ug = fg;
          let ub = fb;
          let ua = fa;
          for (let s = masks.length - 1; s >= 0; s--) {
            const share = colours[s * 4 + 3]! * masks[s]![i]!;
            const rest = 1 - share;
            ur = colours[s * 4]! * share + ur * rest;
            ug = colours[s * 4 + 1]! * share + ug * rest;
            ub = colours[s * 4 + 2]! * share + ub * rest;
            ua = share + ua * rest;
          }
          r += ur * beneath;
          g += ug * beneath;
          b += ub * beneath;
          a += ua * beneath;
        }
        a += photo;
        if (a >= LEAST_ALPHA) {
          const k = i * 4;
          blank[k + 3] = a * 255;
          sort = photo <= NEGLIGIBLE ? NO_PHOTO : photo >= 1 - NEGLIGIBLE ? ALL_PHOTO : MIXED;
          if (sort === NO_PHOTO) {
            blank[k] = (r / a) * 255;
            blank[k + 1] = (g / a) * 255;
            blank[k + 2] = (b / a) * 255;
          } else if (sort === MIXED) mixed.add((r / a) * 255, (g / a) * 255, (b / a) * 255, photo / a);
        }
      }
      if (sort === runSort) continue;
      if (runSort !== NO_PHOTO) runs.add(first + runStart, i - runStart, runSort);
      runSort = sort;
      runStart = i;
    }
    if (runSort !== NO_PHOTO) runs.add(first + runStart, end - runStart, runSort);
  }
}

/** A plate out of bands, from the top down: their masks take memory only in their turn. */
export function plateOf(width: number, height: number) {
  const blank = new Uint8ClampedArray(width * height * 4);
  const runs = growing((length) => new Int32Array(length));
  const mixed = growing((length) => new Float32Array(length));
  return {
    add: (band: Stack): void => stackBand(band, { blank, runs, mixed }),
    done: (): Omit<Plate, 'scale' | 'bare' | 'finish'> => {
      const rows = runs.done();
      return {
        width,
        height,
        blank,
        runs: rows,
        mixed: mixed.done(),
        photoWindow: windowOfRuns(rows, width),
        inked: inkedWindow(blank, width, height),
      };
    },
  };
}
