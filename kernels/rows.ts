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

function all(value: f32): v128 {
  return f32x4.splat(value);
}

function choose(mask: v128, yes: v128, no: v128): v128 {
  return v128.bitselect(yes, no, mask);
}

function putColour(row: usize, v: v128): void {
  v128.store64_lane(row, v, 0);
  v128.store32_lane(row, v, 2, 8);
}

// For places along a ramp of `steps` + 1 colours, 0…1 and beyond, with which of its floats each place's colour
// begins. Four pixels at a time: there is room for as many.

function putPlaces(at: usize, along: v128, steps: i32): void {
  const t = f32x4.min(all(1), f32x4.max(all(0), along));
  v128.store(at, i32x4.shl(i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(t, all(<f32>steps)), all(0.5))), 2));
}

/** Places as they are noted. */
export function place(along: usize, steps: i32, at: usize, n: i32): void {
  for (let i = 0; i < n; i += 4) {
    putPlaces(at, v128.load(along), steps);
    along += 16;
    at += 16;
  }
}

/** from + i · by. */
export function placeLinear(from: f32, by: f32, steps: i32, at: usize, n: i32): void {
  let i = f32x4(0, 1, 2, 3);
  for (let k = 0; k < n; k += 4) {
    putPlaces(at, f32x4.add(all(from), f32x4.mul(i, all(by))), steps);
    i = f32x4.add(i, all(4));
    at += 16;
  }
}

/** √((from + i · by)² + down²). */
export function placeRadial(from: f32, by: f32, down: f32, steps: i32, at: usize, n: i32): void {
  let i = f32x4(0, 1, 2, 3);
  for (let k = 0; k < n; k += 4) {
    const across = f32x4.add(all(from), f32x4.mul(i, all(by)));
    putPlaces(at, f32x4.sqrt(f32x4.add(f32x4.mul(across, across), all(down * down))), steps);
    i = f32x4.add(i, all(4));
    at += 16;
  }
}

/** Places in whole numbers, 0…65535 for 0…1. */
export function placeField(field: usize, steps: i32, at: usize, n: i32): void {
  const scale = all(<f32>steps / 65535);
  for (let i = 0; i < n; i += 4) {
    const t = f32x4.convert_i32x4_u(v128.load16x4_u(field));
    v128.store(at, i32x4.shl(i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(t, scale), all(0.5))), 2));
    field += 8;
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
  const rg = f32x4.min(c, v128.shuffle<f32>(c, c, 1, 1, 1, 1));
  return f32x4.min(v128.shuffle<f32>(rg, rg, 0, 0, 0, 0), v128.shuffle<f32>(c, c, 2, 2, 2, 2));
}

function highest(c: v128): v128 {
  const rg = f32x4.max(c, v128.shuffle<f32>(c, c, 1, 1, 1, 1));
  return f32x4.max(v128.shuffle<f32>(rg, rg, 0, 0, 0, 0), v128.shuffle<f32>(c, c, 2, 2, 2, 2));
}

// Loops are written out with all that is in them: no call stands in them, as each would save and bring back every register.

/**
 * Colours blended onto a row, opaque as it is: co = cb + αs · (B(cb, cs) − cb), by a mode that goes channel by channel.
 *
 * @param mode its place among `blendSchema`'s
 * @param values r, g, b straight and alpha, 0…1, as floats
 * @param at for each pixel which of `values` its colour begins with
 */
export function blendChannels(mode: i32, row: usize, values: usize, at: usize, n: i32): void {
  for (let i = 0; i < n; i++) {
    const s = v128.load(values + ((<usize>load<i32>(at)) << 2));
    if (f32x4.extract_lane(s, 3) !== 0) {
      const b = v128.load(row);
      let blended = s;
      switch (mode) {
        case 1: // multiply
          blended = f32x4.mul(b, s);
          break;
        case 2: // screen
          blended = screen(b, s);
          break;
        case 3: // overlay
          blended = hardLight(s, b);
          break;
        case 4: // darken
          blended = f32x4.min(b, s);
          break;
        case 5: // lighten
          blended = f32x4.max(b, s);
          break;
        case 6: // color-dodge
          blended = dodge(b, s);
          break;
        case 7: // color-burn
          blended = burn(b, s);
          break;
        case 8: // hard-light
          blended = hardLight(b, s);
          break;
        case 9: // soft-light
          blended = softLight(b, s);
          break;
        case 10: // difference
          blended = f32x4.abs(f32x4.sub(b, s));
          break;
        case 11: // exclusion
          blended = f32x4.sub(f32x4.add(b, s), f32x4.mul(all(2), f32x4.mul(b, s)));
          break;
      }
      const alpha = v128.shuffle<f32>(s, s, 3, 3, 3, 3);
      putColour(row, f32x4.add(b, f32x4.mul(alpha, f32x4.sub(blended, b))));
    }
    row += COLOUR;
    at += 4;
  }
}

/** The same by a mode that mixes channels: hue 12, saturation 13, color 14, luminosity 15. */
export function blendColours(mode: i32, row: usize, values: usize, at: usize, n: i32): void {
  for (let i = 0; i < n; i++) {
    const s = v128.load(values + ((<usize>load<i32>(at)) << 2));
    if (f32x4.extract_lane(s, 3) !== 0) {
      const b = v128.load(row);
      const isOfPicture = mode === 13 || mode === 15;
      let c = isOfPicture ? b : s;
      let low = lowest(c);
      let high = highest(c);
      if (mode < 14) {
        // SetSat: the saturation of the other one.
        const other = isOfPicture ? s : b;
        const range = f32x4.sub(high, low);
        const wanted = f32x4.sub(highest(other), lowest(other));
        const k = choose(f32x4.gt(range, all(0)), f32x4.div(wanted, range), all(0));
        c = f32x4.mul(f32x4.sub(c, low), k);
        low = all(0);
        high = f32x4.mul(range, k);
      }
      // SetLum, and ClipColor: drawn towards the luminosity where a channel would leave 0…1.
      const l = luminosity(mode === 15 ? s : b);
      const lighter = f32x4.sub(l, luminosity(c));
      low = f32x4.add(low, lighter);
      high = f32x4.add(high, lighter);
      const up = choose(f32x4.lt(low, all(0)), f32x4.div(l, f32x4.sub(l, low)), all(1));
      const down = choose(f32x4.gt(high, all(1)), f32x4.div(f32x4.sub(all(1), l), f32x4.sub(high, l)), all(1));
      const away = f32x4.sub(f32x4.add(c, lighter), l);
      const blended = f32x4.add(l, f32x4.mul(away, f32x4.mul(up, down)));
      const alpha = v128.shuffle<f32>(s, s, 3, 3, 3, 3);
      putColour(row, f32x4.add(b, f32x4.mul(alpha, f32x4.sub(blended, b))));
    }
    row += COLOUR;
    at += 4;
  }
}
