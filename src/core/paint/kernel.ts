/**
 * The loops over rows of pixels (`kernels/rows.ts`), and the memory that they work in. Made when they
 * are first asked for: pages that only name colours never do.
 */
import { fillPlaces, rowOfField, rowOfLinear, rowOfRadial, type Places } from './places';
import { RAMP_STEPS } from './ramp';
import { fillPaint, type PaintRows } from './rows';
import { ROWS_WASM } from './rows-wasm';

type Loops = {
  readonly lookUp: (table: number, photo: number, row: number, plane: number, n: number) => void;
  readonly part: (colours: number, row: number, plane: number, n: number) => void;
  readonly join: (row: number, plane: number, colours: number, n: number) => void;
  readonly place: (along: number, steps: number, at: number, n: number) => void;
  readonly placeLinear: (from: number, by: number, steps: number, at: number, n: number) => void;
  readonly placeRadial: (from: number, by: number, down: number, steps: number, at: number, n: number) => void;
  readonly placeField: (field: number, steps: number, at: number, n: number) => void;
  readonly mix: (matrix: number, row: number, plane: number, n: number) => void;
  readonly pack: (row: number, plane: number, photo: number, out: number, n: number) => void;
  readonly blendChannels: Blending;
  readonly blendColours: Blending;
};
type Blending = (mode: number, row: number, plane: number, values: number, at: number, source: number, n: number) => void; // prettier-ignore

/** Colours of pixels: r, g, b straight and alpha, 0…1, and where in them each pixel's begin. */
export type Colours = { readonly values: Float32Array; readonly at: Int32Array };

/** Three rows of four: r, g, b and what is added. The answer is clamped to 0…1. */
export type Matrix = readonly number[];

type Bytes = Uint8Array | Uint8ClampedArray;

/** A row being worked on. */
export type Row = {
  /** Takes a photo's pixels from `p` on, each channel by its own 256 values of a table. */
  readonly lookUp: (table: Float32Array, photo: Bytes, p: number) => void;
  readonly mix: (matrix: Matrix) => void;
  /** Blends a paint's colours, the row beginning at (x, y); neither its ramp nor a table is changed once it has been used. */
  readonly blend: (mode: number, paint: PaintRows, x: number, y: number) => void;
  /** RGBA with the alpha of the photo that was taken; holds until the next row. */
  readonly pack: () => Uint8ClampedArray;
};

const PAGE = 65_536;
/** Floats for ramps and tables that are asked for row after row: some fifteen of a gradient. */
const HELD = 65_536;
/** Rooms are made for at least so many pixels, and for powers of two: a row a little wider than the last needs none. */
const LEAST_PIXELS = 1024;
/** Between channels of a row, so that places in them are not all alike in their last twelve bits: that takes time. */
const APART = 64;

let program: WebAssembly.Module | null = null;
const compiled = () =>
  (program ??= new WebAssembly.Module(Uint8Array.from(atob(ROWS_WASM), (letter) => letter.charCodeAt(0))));

/** Loops with memory of their own: places in it, in bytes, and what lies there; `pixels` and `loose` floats fit. */
type Room = ReturnType<typeof laidOut>;

/** The loops keep nothing in memory themselves; its first bytes are left alone. */
const FREE = 64;

function laidOut(pixels: number, loose: number) {
  let end = FREE;
  const take = (bytes: number) => {
    const from = end;
    end += (bytes + 15) & ~15;
    return from;
  };
  const plane = pixels * 4 + APART;
  const [matrix, held, values] = [take(48), take(HELD * 4), take(loose * 4)];
  const [along, at, photo, out] = [take(plane), take(plane), take(plane), take(plane)];
  const [colours, row, source] = [take(pixels * 12), take(plane * 3), take(plane * 4)];
  const memory = new WebAssembly.Memory({ initial: Math.ceil(end / PAGE) });
  const { buffer } = memory;
  return {
    loops: new WebAssembly.Instance(compiled(), { env: { memory } }).exports as unknown as Loops,
    /** What lies in `held`, and from which float on. */
    known: new Map<Float32Array, number>(),
    used: 0,
    pixels,
    loose,
    plane,
    places: { matrix, held, along, at, row, source, colours, photo, out, values },
    matrix: new Float32Array(buffer, matrix, 12),
    held: new Float32Array(buffer, held, HELD),
    along: new Float32Array(buffer, along, pixels),
    field: new Uint16Array(buffer, along, pixels * 2),
    at: new Int32Array(buffer, at, pixels),
    colours: new Float32Array(buffer, colours, pixels * 3),
    photo: new Uint8Array(buffer, photo, pixels * 4),
    out: new Uint8ClampedArray(buffer, out, pixels * 4),
    values: new Float32Array(buffer, values, loose),
  };
}

let room: Room | null = null;

/** The power of two that holds so many. */
const roomy = (count: number) => 2 ** Math.ceil(Math.log2(count));

/**
 * Room for rows of `pixels` and so many colours' floats beside them; what lay in the room before is gone where it was
 * too small. Memory is made anew, not grown: that would take its buffer away from whoever has it, and once any
 * buffer has been taken away V8 asks of every array whether its own is still there, a tenth of all loops' time.
 */
function workOn(pixels: number, loose: number): Room {
  if (room && room.pixels >= pixels && room.loose >= loose) return room;
  room = laidOut(
    roomy(Math.max(room?.pixels ?? LEAST_PIXELS, pixels)),
    roomy(Math.max(room?.loose ?? LEAST_PIXELS * 4, loose)),
  );
  return room;
}

/** Where a ramp or a table lies that is asked for row after row. */
function placeOf(values: Float32Array, room: Room): number {
  const { held, known, places } = room;
  let from = known.get(values);
  if (from === undefined) {
    if (room.used + values.length > HELD) {
      known.clear();
      room.used = 0;
    }
    from = room.used;
    held.set(values, from);
    known.set(values, from);
    room.used += Math.ceil(values.length / 4) * 4;
  }
  return places.held + from * 4;
}

/** So many modes go channel by channel: those that come first. */
export const CHANNELWISE = 12;

/** Blends onto the row what its places say of the floats from `values` on. */
function blendFrom(mode: number, values: number, n: number, { loops, plane, places }: Room): void {
  const blend = mode < CHANNELWISE ? loops.blendChannels : loops.blendColours;
  blend(mode, places.row, plane, values, places.at, places.source, n);
}

/** Loops go on to the next four: what they find there must be a colour's place. */
function evened(at: Int32Array, n: number): void {
  at.fill(at[n - 1]!, n, (n + 3) & ~3);
}

/** The first and the end of the floats that places speak of. */
function spanOf(at: Int32Array, n: number): readonly [low: number, end: number] {
  let [low, high] = [at[0]!, at[0]!];
  for (let i = 1; i < n; i++) {
    const k = at[i]!;
    if (k < low) low = k;
    if (k > high) high = k;
  }
  return [low, high + 4];
}

function putColours({ loops, plane, places, colours }: Room, row: Float32Array, n: number): void {
  colours.set(row.subarray(0, n * 3));
  loops.part(places.colours, places.row, plane, n);
}

function takeColours({ loops, plane, places, colours }: Room, row: Float32Array, n: number): void {
  loops.join(places.row, plane, places.colours, n);
  row.set(colours.subarray(0, n * 3));
}

/** A row of n colours r, g, b through a matrix, in place. */
export function mixRow(m: Matrix, row: Float32Array, n: number): void {
  const room = workOn(n, 0);
  putColours(room, row, n);
  room.matrix.set(m);
  room.loops.mix(room.places.matrix, room.places.row, room.plane, n);
  takeColours(room, row, n);
}

/** Blends a row of colours onto a row of an opaque picture, n times r, g, b, in place; `mode` is a number of `kernels/rows.ts`. */
export function blendOnto(mode: number, picture: Float32Array, { values, at }: Colours, n: number): void {
  if (n === 0) return;
  const [low, end] = spanOf(at, n);
  const room = workOn(n, end - low);
  putColours(room, picture, n);
  room.at.set(at.subarray(0, n));
  evened(room.at, n);
  room.values.set(values.subarray(low, end));
  blendFrom(mode, room.places.values - low * 4, n, room);
  takeColours(room, picture, n);
}

/** Where on a ramp of so many steps the pixels of a row are. */
function putPlaces(
  { loops, places, along, field }: Room,
  where: Places,
  steps: number,
  x: number,
  y: number,
  n: number,
): void {
  const { at } = places;
  if (where.kind === 'linear') {
    const { from, by } = rowOfLinear(where, x, y);
    return loops.placeLinear(from, by, steps, at, n);
  }
  if (where.kind === 'radial') {
    const { from, by, down } = rowOfRadial(where, x, y);
    return loops.placeRadial(from, by, down, steps, at, n);
  }
  const noted = where.kind === 'field' ? rowOfField(where.field, x, y, n) : null;
  if (noted) {
    field.set(noted);
    return loops.placeField(places.along, steps, at, n);
  }
  fillPlaces(where, x, y, n, along);
  loops.place(places.along, steps, at, n);
}

let last: { readonly room: Room; readonly rowOf: (n: number) => Row } | null = null;

/** Room for a row of n pixels of a photo; one at a time. */
export function rowOf(n: number): Row {
  // A colour for each pixel at the most: no step needs more room once they have begun.
  const room = workOn(n, n * 4);
  if (last?.room !== room) last = { room, rowOf: rowsIn(room) };
  return last.rowOf(n);
}

function rowsIn(room: Room): (n: number) => Row {
  const { loops, plane, places } = room;
  let n = 0;
  const row: Row = {
    lookUp: (table, photo, p) => {
      room.photo.set(photo.subarray(p, p + n * 4));
      loops.lookUp(placeOf(table, room), places.photo, places.row, plane, n);
    },
    mix: (matrix) => {
      room.matrix.set(matrix);
      loops.mix(places.matrix, places.row, plane, n);
    },
    blend: (mode, paint, x, y) => {
      const { ramp, places: where } = paint;
      if (where.kind === 'each') {
        fillPaint(paint, x, y, n, room.along, room.at);
        evened(room.at, n);
        const [low, end] = spanOf(room.at, n);
        room.values.set(ramp.subarray(low, end));
        return blendFrom(mode, places.values - low * 4, n, room);
      }
      putPlaces(room, where, ramp.length > 4 ? RAMP_STEPS : 0, x, y, n);
      blendFrom(mode, placeOf(ramp, room), n, room);
    },
    pack: () => {
      loops.pack(places.row, plane, places.photo, places.out, n);
      return room.out;
    },
  };
  return (pixels) => {
    n = pixels;
    return row;
  };
}
