/** Masks and colours of a template's layers stacked into the pixels of a plate. */
import { sameUntil } from '../raster';
import type { Rgba } from '../paint';
import { bounds, inkedWindow } from './bounds';
import { frontRows, type FrontRow } from './front';
import { growing, roomFor, sizedTo, type Growing } from './growing';
import type { Coat } from './coat';
import { cutoutReader, type Cutout } from './cutout';
import { groundRows, type Ground } from './ground';
import { mirrorReader, type Mirrored } from './mirror';
import { ALPHA, channelsFor, MIRRORED, OTHERS, PHOTO, type Others } from './pixel';
import { SORTS, type Plate } from './plate';
import { writeShaded, type Shades } from './shaded';

/** A share this close to 0 or 1 makes no difference in 8 bits. */
const NEGLIGIBLE = 1 / 2048;

/** Less alpha than this is none in 8 bits. */
const LEAST_ALPHA = 0.5 / 255;

/** Pixels that come from no source. */
const FIXED = -1;

/** A band of rows of the picture with everything that lies in it. */
export type Stack = Cutout & {
  readonly ground: Ground;
  /** First listed on top, as in CSS. */
  readonly shadows: readonly { readonly colour: Rgba; readonly mask: Float32Array }[];
  readonly mirrored: Mirrored | null;
  /** Over everything, the lowest first. */
  readonly before: readonly Coat[];
};

/** A black pixel without transparency, as four bytes in this machine's order. */
const OPAQUE = new Uint32Array(new Uint8Array([0, 0, 0, 255]).buffer)[0]!;

/** What the bands of a plate are written to. */
type PlatePixels = {
  readonly width: number;
  readonly blank: Uint8ClampedArray;
  readonly runs: Growing<Int32Array>;
  readonly mixed: Growing<Float32Array>;
  /** The photo's pixels that are seen, where they are or mirrored. */
  readonly photo: ReturnType<typeof bounds>;
  readonly mirror: number;
};

/** Writes finished pixels and the runs that they lie in. */
function writer({ width, blank, runs, mixed, photo: seen, mirror }: PlatePixels, others: Others) {
  const channels = channelsFor(others);
  /** The first of the photos behind. */
  const behind = OTHERS + others.picks;
  let sort: number = FIXED;
  let start = 0;
  const flat = new Float32Array(channels);
  const hold = (at: number, n: number, isMirrored: boolean) => {
    const y = Math.floor(at / width);
    seen.hold(at - y * width, isMirrored ? mirror - y : y, n);
  };
  const end = (at: number) => {
    if (sort === FIXED) return;
    const k = roomFor(runs, 3);
    runs.values[k] = start;
    runs.values[k + 1] = at - start;
    runs.values[k + 2] = sort;
    if (sort <= SORTS.mirrored) hold(start, at - start, sort === SORTS.mirrored);
  };
  /** Pixels from `at` on are of this sort. */
  const begin = (at: number, next: number) => {
    end(at);
    sort = next;
    start = at;
  };
  /** Goes on with the run of one even colour, or begins another. */
  const addFlat = (at: number, v: Float64Array, k: number) => {
    let same = sort === SORTS.flat;
    for (let c = 0; c < channels; c++) {
      const value = Math.fround(v[c]! * (c < 3 ? 255 : 1) * k);
      if (flat[c] !== value) same = false;
      flat[c] = value;
    }
    if (same) return;
    begin(at, SORTS.flat);
    const m = roomFor(mixed, 3 + others.picks);
    for (let c = 0; c < 3; c++) mixed.values[m + c] = flat[c]!;
    for (let c = OTHERS; c < behind; c++) mixed.values[m + 3 + c - OTHERS] = flat[c]!;
  };
  return {
    begin,
    isIn: (other: number) => sort === other,
    /** A pixel in the making. */
    add: (at: number, v: Float64Array) => {
      const photo = v[PHOTO]!;
      const mirrored = v[MIRRORED]!;
      const alpha = v[ALPHA]! + photo;
      if (alpha < LEAST_ALPHA) {
        if (sort !== FIXED) begin(at, FIXED);
        return;
      }
      blank[at * 4 + 3] = alpha * 255;
      let picked = 0;
      for (let c = OTHERS; c < behind; c++) picked += v[c]!;
      let pictured = 0;
      for (let c = behind; c < channels; c++) {
        pictured += v[c]!;
        if (v[c]! < 1 - NEGLIGIBLE) continue;
        const pure = SORTS.behind + c - behind;
        if (sort !== pure) begin(at, pure);
        return;
      }
      const k = 1 / alpha;
      if (picked + pictured > NEGLIGIBLE || (photo > NEGLIGIBLE && mirrored > NEGLIGIBLE)) {
        if (photo <= NEGLIGIBLE && mirrored <= NEGLIGIBLE && pictured <= NEGLIGIBLE) return addFlat(at, v, k);
        if (sort !== SORTS.parted) begin(at, SORTS.parted);
        const m = roomFor(mixed, 3 + channels - PHOTO);
        for (let c = 0; c < 3; c++) mixed.values[m + c] = v[c]! * 255 * k;
        for (let c = PHOTO; c < channels; c++) mixed.values[m + 3 + c - PHOTO] = v[c]! * k;
        if (photo > 0) hold(at, 1, false);
        if (mirrored > 0) hold(at, 1, true);
        return;
      }
      const next = mirrored > NEGLIGIBLE ? SORTS.mirrored : photo <= NEGLIGIBLE ? FIXED : photo >= 1 - NEGLIGIBLE ? SORTS.photo : SORTS.mixed; // prettier-ignore
      if (next === FIXED) {
        blank[at * 4] = (v[0]! / alpha) * 255;
        blank[at * 4 + 1] = (v[1]! / alpha) * 255;
        blank[at * 4 + 2] = (v[2]! / alpha) * 255;
      } else if (next !== SORTS.photo) {
        const m = roomFor(mixed, 4);
        mixed.values[m] = (v[0]! / alpha) * 255;
        mixed.values[m + 1] = (v[1]! / alpha) * 255;
        mixed.values[m + 2] = (v[2]! / alpha) * 255;
        mixed.values[m + 3] = (next === SORTS.mirrored ? mirrored : photo) / alpha;
      }
      if (sort !== next) begin(at, next);
    },
  };
}

/**
 * The plate's pixels of a band. Flat arrays and plain numbers throughout: this runs over every
 * pixel at each move of a slider, and a tuple a pixel costs several times as much.
 */
function stackBand(stack: Stack, pixels: PlatePixels): void {
  const { width, height, top, ground, shadows, feather, rings, levels, mirrored, others, before } = stack;
  const channels = channelsFor(others);
  const colours = Float64Array.from(shadows.flatMap(({ colour: { r, g, b, alpha } }) => [r, g, b, alpha]));
  const masks = shadows.map(({ mask }) => mask);
  const rowOfGround = groundRows(ground, width, others);
  const mirror = mirrored && mirrorReader(mirrored, top);
  const cutout = cutoutReader(stack);
  const [seen, below] = [new Float64Array(channels), new Float64Array(channels)];
  const outermost = levels[0]!;
  const innermost = levels[levels.length - 1]!;
  const last = rings[rings.length - 1]!;
  const plainInside = last.photo && last.over[ALPHA] === 0 && !last.varying;
  const even = Float64Array.from(ground.even);
  const bare = new Float64Array(channels);
  bare.set(even);
  /** Whether no photo has a share of what is behind. */
  const isFixed = rowOfGround === null || channels === OTHERS;
  const shades = { colours, masks };

  const first = top * width;
  const alphas = new Uint32Array(pixels.blank.buffer, pixels.blank.byteOffset, pixels.blank.length / 4);
  const out = writer(pixels, others);
  const frontRow = frontRows(before, width, others);
  /** A pixel in the making with what lies before it. */
  const finish = (front: FrontRow | null, i: number, x: number, v: Float64Array) => {
    if (front && front.keep[x] !== 1) {
      const keep = front.keep[x]!;
      const k = x * channels;
      for (let c = 0; c < channels; c++) v[c] = front.over[k + c]! + v[c]! * keep;
    }
    out.add(first + i, v);
  };
  /** What lies behind pixel `i`, column `x`, into `below`. */
  const behind = (groundRow: Float32Array | null, i: number, x: number) => {
    if (groundRow) for (let c = 0, k = x * channels; c < channels; c++, k++) below[c] = groundRow[k]!;
    else for (let c = 0; c < channels; c++) below[c] = bare[c]!;
    let r = below[0]!;
    let g = below[1]!;
    let b = below[2]!;
    let alpha = below[ALPHA]!;
    for (let s = masks.length - 1; s >= 0; s--) {
      const own = masks[s]![i]!;
      if (own === 0) continue;
      const share = colours[s * 4 + 3]! * own;
      const rest = 1 - share;
      r = colours[s * 4]! * share + r * rest;
      g = colours[s * 4 + 1]! * share + g * rest;
      b = colours[s * 4 + 2]! * share + b * rest;
      alpha = share + alpha * rest;
      for (let c = OTHERS; c < channels; c++) below[c]! *= rest;
    }
    below[0] = r;
    below[1] = g;
    below[2] = b;
    below[ALPHA] = alpha;
    if (mirror?.isIn(x)) mirror.lay(x, below);
  };

  /** How far from pixel `i` on, in a row that ends before `end`, nothing but the photo shows. */
  const photoUntil = (i: number, end: number): number => {
    if (plainInside && !feather) return sameUntil(innermost, 1, i, end);
    let k = i;
    while (k < end && innermost[k] === 1 && (!feather || feather[k] === 1) && (plainInside || cutout.isPhoto(k))) k++;
    return k;
  };
  /** How far nothing of the cutout and of its mirror image shows. */
  const outsideUntil = (i: number, end: number, from: number): number => {
    const bare = sameUntil(outermost, 0, i, end);
    const most = feather ? sameUntil(feather, 0, i, bare) : bare;
    if (!mirror) return most;
    let k = i;
    while (k < most && !mirror.isIn(k - from)) k++;
    return k;
  };

  const begin = (at: number, sort: number) => {
    if (!out.isIn(sort)) out.begin(at, sort);
  };
  /** Most pixels lie in long stretches of pure photo or of what is behind: writes one that begins at `i`; where it ends, or `i`. */
  const passed = (i: number, end: number, from: number, groundRow: Float32Array | null): number => {
    const photo = photoUntil(i, end);
    if (photo > i) {
      alphas.fill(OPAQUE, first + i, first + photo);
      begin(first + i, SORTS.photo);
      return photo;
    }
    const outside = isFixed ? outsideUntil(i, end, from) : i;
    if (outside === i) return i;
    begin(first + i, FIXED);
    const [ground, each] = groundRow ? [groundRow, channels] : [even, 0];
    writeShaded(pixels.blank, (first + i) * 4, outside - i, ground, (i - from) * each, each, shades, i, LEAST_ALPHA);
    return outside;
  };
  /** The same of what lies before and lets nothing through. */
  const hidden = ({ keep, over }: FrontRow, i: number, from: number): number => {
    if (channels > OTHERS) return i;
    const end = from + sameUntil(keep, 0, i - from, width);
    if (end === i) return i;
    begin(first + i, FIXED);
    writeShaded(pixels.blank, (first + i) * 4, end - i, over, (i - from) * channels, channels, NO_SHADES, i, LEAST_ALPHA); // prettier-ignore
    return end;
  };
  const writePixel = (i: number, from: number, groundRow: Float32Array | null, front: FrontRow | null) => {
    const x = i - from;
    if (outermost[i] === 0 && (feather === null || feather[i] === 0)) {
      behind(groundRow, i, x);
      return finish(front, i, x, below);
    }
    const beneath = cutout.at(i, seen);
    if (beneath > 0) {
      behind(groundRow, i, x);
      for (let c = 0; c < channels; c++) if (c !== PHOTO) seen[c]! += below[c]! * beneath;
    }
    finish(front, i, x, seen);
  };

  for (let y = 0; y < height; y++) {
    const from = y * width;
    const end = from + width;
    out.begin(first + from, FIXED);
    cutout.row(y);
    mirror?.row(y);
    const groundRow = rowOfGround && rowOfGround(top + y);
    const front = frontRow(top + y);
    /** Up to there nothing lies before. */
    let open = front ? from : end;
    for (let i = from; i < end;) {
      if (front && i >= open) open = from + sameUntil(front.keep, 1, i - from, width);
      const next = i < open ? passed(i, open, from, groundRow) : hidden(front!, i, from);
      if (next === i) writePixel(i, from, groundRow, front);
      i = Math.max(next, i + 1);
    }
    out.begin(first + end, FIXED);
  }
}

const NO_SHADES: Shades = { colours: new Float64Array(0), masks: [] };

/**
 * A plate out of bands, from the top down: their masks take memory only in their turn.
 *
 * @param mirror what a row and the one mirrored in it add up to
 */
export function plateOf(width: number, height: number, mirror: number) {
  const blank = new Uint8ClampedArray(width * height * 4);
  const runs = growing((length) => new Int32Array(length));
  const mixed = growing((length) => new Float32Array(length));
  const photo = bounds();
  return {
    add: (band: Stack): void => stackBand(band, { width, blank, runs, mixed, photo, mirror }),
    done: () =>
      ({
        width,
        height,
        blank,
        runs: sizedTo(runs),
        mixed: sizedTo(mixed),
        mirror,
        photoWindow: photo.window(),
        inked: inkedWindow(blank, width, height),
      }) satisfies Partial<Plate>,
  };
}
