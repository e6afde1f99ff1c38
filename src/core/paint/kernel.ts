/**
 * The loops over rows of pixels (`kernels/rows.ts`), and the memory that they work in. Made when they
 * are first asked for: pages that only name colours never do.
 */
import { fillPlaces, rowOfField, rowOfLinear, rowOfRadial, type Places } from './places';
import { RAMP_STEPS } from './ramp';
import { fillPaint, type PaintRows } from './rows';
import { ROWS_WASM } from './rows-wasm';

type Loops = {
  readonly memory: WebAssembly.Memory;
  readonly base: () => number;
  readonly lookUp: (table: number, photo: number, row: number, n: number) => void;
  readonly place: (along: number, steps: number, at: number, n: number) => void;
  readonly placeLinear: (from: number, by: number, steps: number, at: number, n: number) => void;
  readonly placeRadial: (from: number, by: number, down: number, steps: number, at: number, n: number) => void;
  readonly placeField: (field: number, steps: number, at: number, n: number) => void;
  readonly mix: (matrix: number, row: number, n: number) => void;
  readonly pack: (row: number, photo: number, out: number, n: number) => void;
  readonly blendChannels: (mode: number, row: number, values: number, at: number, n: number) => void;
  readonly blendColours: (mode: number, row: number, values: number, at: number, n: number) => void;
};

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
/** Read beyond the end of a row. */
const SLACK = 16;

/** Places in memory, in bytes, and what lies there; `pixels` and `loose` floats fit. */
type Room = ReturnType<typeof laidOut>;

function laidOut({ memory, base }: Loops, pixels: number, loose: number) {
  let end = (base() + 15) & ~15;
  const take = (bytes: number) => {
    const from = end;
    end += (bytes + 15) & ~15;
    return from;
  };
  const [matrix, held] = [take(64), take(HELD * 4)];
  const [along, at, photo, out] = [take(pixels * 4), take(pixels * 4), take(pixels * 4), take(pixels * 4)];
  const row = take(pixels * 12 + SLACK);
  const values = take(loose * 4 + SLACK);
  if (end > memory.buffer.byteLength) memory.grow(Math.ceil((end - memory.buffer.byteLength) / PAGE));
  const { buffer } = memory;
  return {
    pixels,
    loose,
    places: { matrix, held, along, at, row, photo, out, values },
    matrix: new Float32Array(buffer, matrix, 16),
    held: new Float32Array(buffer, held, HELD),
    along: new Float32Array(buffer, along, pixels),
    field: new Uint16Array(buffer, along, pixels * 2),
    at: new Int32Array(buffer, at, pixels),
    row: new Float32Array(buffer, row, pixels * 3),
    photo: new Uint8Array(buffer, photo, pixels * 4),
    out: new Uint8ClampedArray(buffer, out, pixels * 4),
    values: new Float32Array(buffer, values, loose),
  };
}

let made: { readonly loops: Loops; room: Room } | null = null;

function atWork() {
  if (made) return made;
  const bytes = Uint8Array.from(atob(ROWS_WASM), (letter) => letter.charCodeAt(0));
  const loops = new WebAssembly.Instance(new WebAssembly.Module(bytes)).exports as unknown as Loops;
  return (made = { loops, room: laidOut(loops, 0, 0) });
}

/** Loops and memory for rows of `pixels` and so many colours' floats beside them. */
function workOn(pixels: number, loose: number) {
  const work = atWork();
  const { room } = work;
  if (room.pixels < pixels || room.loose < loose)
    work.room = laidOut(work.loops, Math.max(room.pixels, pixels), Math.max(room.loose, loose));
  return work;
}

/** What lies in `held`, and from which float on. */
const known = new Map<Float32Array, number>();
let used = 0;

/** Where a ramp or a table lies that is asked for row after row. */
function placeOf(values: Float32Array, { held, places }: Room): number {
  let from = known.get(values);
  if (from === undefined) {
    if (used + values.length > HELD) {
      known.clear();
      used = 0;
    }
    from = used;
    held.set(values, from);
    known.set(values, from);
    used += Math.ceil(values.length / 4) * 4;
  }
  return places.held + from * 4;
}

/** The modes that go channel by channel come first. */
const CHANNELWISE = 12;

/** Blends onto the row what `at` says of the floats from `values` on. */
function blendFrom(mode: number, values: number, n: number): void {
  const { loops, room } = atWork();
  const blend = mode < CHANNELWISE ? loops.blendChannels : loops.blendColours;
  blend(mode, room.places.row, values, room.places.at, n);
}

/** Blends onto the row what `at` says of `values`, of which only what it says is taken along. */
function blendLoose(mode: number, values: Float32Array, n: number, at: Int32Array): void {
  let [low, high] = [at[0]!, at[0]!];
  for (let i = 1; i < n; i++) {
    const k = at[i]!;
    if (k < low) low = k;
    if (k > high) high = k;
  }
  const { room } = workOn(n, high + 4 - low);
  room.values.set(values.subarray(low, high + 4));
  blendFrom(mode, room.places.values - low * 4, n);
}

/** Works in place on a row that lies elsewhere: n times r, g, b. */
function onRow(row: Float32Array, n: number, work: (made: ReturnType<typeof atWork>) => void): void {
  const own = row.subarray(0, n * 3);
  const made = workOn(n, 0);
  made.room.row.set(own);
  work(made);
  // Memory may have moved.
  row.set(made.room.row.subarray(0, n * 3));
}

function putMatrix({ matrix }: Room, m: Matrix): void {
  for (let row = 0; row < 3; row++) for (let column = 0; column < 4; column++) matrix[column * 4 + row] = m[row * 4 + column]!; // prettier-ignore
}

/** A row of n colours through a matrix, in place. */
export const mixRow = (m: Matrix, row: Float32Array, n: number): void =>
  onRow(row, n, ({ loops, room }) => {
    putMatrix(room, m);
    loops.mix(room.places.matrix, room.places.row, n);
  });

/** Blends a row of colours onto a row of an opaque picture, in place; `mode` is a number of `kernels/rows.ts`. */
export function blendOnto(mode: number, picture: Float32Array, { values, at }: Colours, n: number): void {
  if (n === 0) return;
  onRow(picture, n, ({ room }) => {
    room.at.set(at.subarray(0, n));
    blendLoose(mode, values, n, at);
  });
}

/** Where on a ramp of so many steps the pixels of a row are. */
function putPlaces(where: Places, steps: number, x: number, y: number, n: number): void {
  const { loops, room } = atWork();
  const { along, at } = room.places;
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
    room.field.set(noted);
    return loops.placeField(along, steps, at, n);
  }
  fillPlaces(where, x, y, n, room.along);
  loops.place(along, steps, at, n);
}

let last: { readonly room: Room; readonly n: number; readonly row: Row } | null = null;

/** Room for a row of n pixels of a photo; one at a time. */
export function rowOf(n: number): Row {
  // A colour for each pixel at the most: no step needs more room once they have begun.
  const { loops, room } = workOn(n, n * 4);
  if (last?.room !== room || last.n !== n) last = { room, n, row: rowIn(room, loops, n) };
  return last.row;
}

function rowIn(room: Room, loops: Loops, n: number): Row {
  const { places } = room;
  return {
    lookUp: (table, photo, p) => {
      room.photo.set(photo.subarray(p, p + n * 4));
      loops.lookUp(placeOf(table, room), places.photo, places.row, n);
    },
    mix: (matrix) => {
      putMatrix(room, matrix);
      loops.mix(places.matrix, places.row, n);
    },
    blend: (mode, paint, x, y) => {
      const { ramp, places: where } = paint;
      if (where.kind === 'each') {
        fillPaint(paint, x, y, n, room.along, room.at);
        return blendLoose(mode, ramp, n, room.at);
      }
      putPlaces(where, ramp.length > 4 ? RAMP_STEPS : 0, x, y, n);
      blendFrom(mode, placeOf(ramp, room), n);
    },
    pack: () => {
      loops.pack(places.row, places.photo, places.out, n);
      return room.out;
    },
  };
}
