/**
 * Loops over rows of pixels, in AssemblyScript: a pixel's three channels at a time in one register of
 * four floats, several times as quick as the same sums in JavaScript. `npm run kernels` compiles them into
 * `src/core/paint/rows-wasm.ts`; `src/core/paint/kernel.ts` says where in memory everything lies.
 *
 * A row is n times r, g, b as floats, 0…1; a photo's pixels are n times r, g, b, a as bytes. Every `usize`
 * is a place in memory. Four floats are read where three are: behind a row there is room for one more.
 */

/** Bytes of a pixel of a row, and of a photo. */
const COLOUR: usize = 12;
const PIXEL: usize = 4;

/** Where memory is free. */
export function base(): usize {
  return __heap_base;
}

function all(value: f32): v128 {
  return f32x4.splat(value);
}

function choose(mask: v128, yes: v128, no: v128): v128 {
  return v128.bitselect(yes, no, mask);
}

function first(v: v128): f32 {
  return f32x4.extract_lane(v, 0);
}

function putColour(row: usize, v: v128): void {
  v128.store64_lane(row, v, 0);
  v128.store32_lane(row, v, 2, 8);
}

/**
 * For places along a ramp of `steps` + 1 colours, 0…1 and beyond, with which of its floats each place's colour begins.
 * Four pixels at a time: there is room for as many.
 */
export function place(along: usize, steps: i32, at: usize, n: i32): void {
  for (let i = 0; i < n; i += 4) {
    const t = f32x4.min(all(1), f32x4.max(all(0), v128.load(along)));
    const step = i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(t, all(<f32>steps)), all(0.5)));
    v128.store(at, i32x4.shl(step, 2));
    along += 16;
    at += 16;
  }
}

/** A photo's channels, each by its own table of 256 floats. */
export function lookUp(table: usize, photo: usize, row: usize, n: i32): void {
  for (let i = 0; i < n; i++) {
    store<f32>(row, load<f32>(table + ((<usize>load<u8>(photo)) << 2)));
    store<f32>(row, load<f32>(table + ((<usize>load<u8>(photo, 1)) << 2), 1024), 4);
    store<f32>(row, load<f32>(table + ((<usize>load<u8>(photo, 2)) << 2), 2048), 8);
    photo += PIXEL;
    row += COLOUR;
  }
}

/** Colours through a matrix, clamped to 0…1; of the matrix column by column, what is added last, four floats each. */
export function mix(matrix: usize, row: usize, n: i32): void {
  const r = v128.load(matrix);
  const g = v128.load(matrix, 16);
  const b = v128.load(matrix, 32);
  const more = v128.load(matrix, 48);
  for (let i = 0; i < n; i++) {
    const c = v128.load(row);
    const mixed = f32x4.add(
      f32x4.add(f32x4.mul(r, v128.shuffle<f32>(c, c, 0, 0, 0, 0)), f32x4.mul(g, v128.shuffle<f32>(c, c, 1, 1, 1, 1))),
      f32x4.add(f32x4.mul(b, v128.shuffle<f32>(c, c, 2, 2, 2, 2)), more),
    );
    putColour(row, f32x4.min(all(1), f32x4.max(all(0), mixed)));
    row += COLOUR;
  }
}

/** The colours as bytes, with the photo's own alpha. */
export function pack(row: usize, photo: usize, out: usize, n: i32): void {
  for (let i = 0; i < n; i++) {
    const whole = i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(v128.load(row), all(255)), all(0.5)));
    const words = i16x8.narrow_i32x4_s(whole, whole);
    const bytes = i32x4.extract_lane(i8x16.narrow_i16x8_u(words, words), 0);
    store<u32>(out, ((<u32>bytes) & 0x00ffffff) | (load<u32>(photo) & 0xff000000));
    row += COLOUR;
    photo += PIXEL;
    out += PIXEL;
  }
}

// Blend modes: W3C Compositing and Blending 1, §9.1 those that go channel by channel, §9.2 those that mix them.

function screen(b: v128, s: v128): v128 {
  return f32x4.sub(f32x4.add(b, s), f32x4.mul(b, s));
}

function hardLight(b: v128, s: v128): v128 {
  const twice = f32x4.add(s, s);
  return choose(f32x4.le(s, all(0.5)), f32x4.mul(b, twice), screen(b, f32x4.sub(twice, all(1))));
}

function softLight(b: v128, s: v128): v128 {
  const far = f32x4.sub(f32x4.add(s, s), all(1));
  const dark = f32x4.add(b, f32x4.mul(far, f32x4.mul(b, f32x4.sub(all(1), b))));
  const curve = f32x4.mul(f32x4.add(f32x4.mul(f32x4.sub(f32x4.mul(all(16), b), all(12)), b), all(4)), b);
  const d = choose(f32x4.le(b, all(0.25)), curve, f32x4.sqrt(b));
  return choose(f32x4.le(s, all(0.5)), dark, f32x4.add(b, f32x4.mul(far, f32x4.sub(d, b))));
}

function dodge(b: v128, s: v128): v128 {
  const lit = choose(f32x4.ge(s, all(1)), all(1), f32x4.min(all(1), f32x4.div(b, f32x4.sub(all(1), s))));
  return choose(f32x4.eq(b, all(0)), all(0), lit);
}

function burn(b: v128, s: v128): v128 {
  const left = f32x4.min(all(1), f32x4.div(f32x4.sub(all(1), b), s));
  const dark = choose(f32x4.le(s, all(0)), all(0), f32x4.sub(all(1), left));
  return choose(f32x4.ge(b, all(1)), all(1), dark);
}

// Of one colour, in all four places.

function luminosity(c: v128): v128 {
  const r = v128.shuffle<f32>(c, c, 0, 0, 0, 0);
  const g = v128.shuffle<f32>(c, c, 1, 1, 1, 1);
  const b = v128.shuffle<f32>(c, c, 2, 2, 2, 2);
  return f32x4.add(f32x4.add(f32x4.mul(all(0.3), r), f32x4.mul(all(0.59), g)), f32x4.mul(all(0.11), b));
}

function lowest(c: v128): v128 {
  return f32x4.min(
    f32x4.min(v128.shuffle<f32>(c, c, 0, 0, 0, 0), v128.shuffle<f32>(c, c, 1, 1, 1, 1)),
    v128.shuffle<f32>(c, c, 2, 2, 2, 2),
  );
}

function highest(c: v128): v128 {
  return f32x4.max(
    f32x4.max(v128.shuffle<f32>(c, c, 0, 0, 0, 0), v128.shuffle<f32>(c, c, 1, 1, 1, 1)),
    v128.shuffle<f32>(c, c, 2, 2, 2, 2),
  );
}

/** The colour with another's saturation. */
function saturatedAs(c: v128, other: v128): v128 {
  const low = lowest(c);
  const range = f32x4.sub(highest(c), low);
  if (first(range) <= 0) return all(0);
  return f32x4.mul(f32x4.sub(c, low), f32x4.div(f32x4.sub(highest(other), lowest(other)), range));
}

/** The colour with another's luminosity, drawn towards it where a channel would leave 0…1 (SetLum with ClipColor). */
function lumAs(c: v128, other: v128): v128 {
  let v = f32x4.add(c, f32x4.sub(luminosity(other), luminosity(c)));
  const l = luminosity(v);
  const low = lowest(v);
  const high = highest(v);
  if (first(low) < 0) v = f32x4.add(l, f32x4.mul(f32x4.sub(v, l), f32x4.div(l, f32x4.sub(l, low))));
  if (first(high) > 1)
    v = f32x4.add(l, f32x4.mul(f32x4.sub(v, l), f32x4.div(f32x4.sub(all(1), l), f32x4.sub(high, l))));
  return v;
}

/** B(cb, cs); `mode` is its place among `blendSchema`'s. */
function blended(mode: i32, b: v128, s: v128): v128 {
  switch (mode) {
    case 1: // multiply
      return f32x4.mul(b, s);
    case 2: // screen
      return screen(b, s);
    case 3: // overlay
      return hardLight(s, b);
    case 4: // darken
      return f32x4.min(b, s);
    case 5: // lighten
      return f32x4.max(b, s);
    case 6: // color-dodge
      return dodge(b, s);
    case 7: // color-burn
      return burn(b, s);
    case 8: // hard-light
      return hardLight(b, s);
    case 9: // soft-light
      return softLight(b, s);
    case 10: // difference
      return f32x4.abs(f32x4.sub(b, s));
    case 11: // exclusion
      return f32x4.sub(f32x4.add(b, s), f32x4.mul(all(2), f32x4.mul(b, s)));
    case 12: // hue
      return lumAs(saturatedAs(s, b), b);
    case 13: // saturation
      return lumAs(saturatedAs(b, s), b);
    case 14: // color
      return lumAs(s, b);
    case 15: // luminosity
      return lumAs(b, s);
    default: // normal
      return s;
  }
}

/**
 * Colours blended onto a row, opaque as it is: co = cb + αs · (B(cb, cs) − cb).
 *
 * @param values r, g, b straight and alpha, 0…1, as floats
 * @param at for each pixel which of `values` its colour begins with
 */
export function blend(mode: i32, row: usize, values: usize, at: usize, n: i32): void {
  for (let i = 0; i < n; i++) {
    const s = v128.load(values + ((<usize>load<i32>(at)) << 2));
    if (f32x4.extract_lane(s, 3) !== 0) {
      const b = v128.load(row);
      const alpha = v128.shuffle<f32>(s, s, 3, 3, 3, 3);
      putColour(row, f32x4.add(b, f32x4.mul(alpha, f32x4.sub(blended(mode, b, s), b))));
    }
    row += COLOUR;
    at += 4;
  }
}
