/**
 * Loops over rows of pixels, in AssemblyScript: four pixels at a time in registers of four floats, many times as
 * quick as the same sums in JavaScript. `npm run kernels` compiles them into `src/core/paint/rows-wasm.ts`;
 * `src/core/paint/kernel.ts` says where in memory everything lies.
 *
 * A row is n reds, n greens and n blues as floats, 0…1, each channel `plane` bytes behind the one before; a photo's
 * pixels are n times r, g, b, a as bytes. Every `usize` is a place in memory. All loops go on to the next four: what
 * lies behind n is read and written, and means nothing.
 */

function all(value: f32): v128 {
  return f32x4.splat(value);
}

function choose(mask: v128, yes: v128, no: v128): v128 {
  return v128.bitselect(yes, no, mask);
}

// For places along a ramp of `steps` + 1 colours, 0…1 and beyond, with which of its floats each place's colour
// begins.

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
export function lookUp(table: usize, photo: usize, row: usize, plane: usize, n: i32): void {
  const greens = row + plane;
  const blues = greens + plane;
  for (let i: usize = 0; i < <usize>(n << 2); i += 4) {
    store<f32>(row + i, load<f32>(table + ((<usize>load<u8>(photo + i)) << 2)));
    store<f32>(greens + i, load<f32>(table + ((<usize>load<u8>(photo + i, 1)) << 2), 1024));
    store<f32>(blues + i, load<f32>(table + ((<usize>load<u8>(photo + i, 2)) << 2), 2048));
  }
}

/** n times r, g, b as floats, parted into channels. */
export function part(colours: usize, row: usize, plane: usize, n: i32): void {
  const greens = row + plane;
  const blues = greens + plane;
  for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
    const first = v128.load(colours); // r g b r
    const second = v128.load(colours, 16); // g b r g
    const third = v128.load(colours, 32); // b r g b
    v128.store(row + i, v128.shuffle<f32>(v128.shuffle<f32>(first, second, 0, 3, 6, 6), third, 0, 1, 2, 5));
    v128.store(greens + i, v128.shuffle<f32>(v128.shuffle<f32>(first, second, 1, 4, 7, 7), third, 0, 1, 2, 6));
    v128.store(blues + i, v128.shuffle<f32>(v128.shuffle<f32>(first, second, 2, 5, 5, 5), third, 0, 1, 4, 7));
    colours += 48;
  }
}

/** Channels as n times r, g, b. */
export function join(row: usize, plane: usize, colours: usize, n: i32): void {
  const greens = row + plane;
  const blues = greens + plane;
  for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
    const r = v128.load(row + i);
    const g = v128.load(greens + i);
    const b = v128.load(blues + i);
    const low = v128.shuffle<f32>(r, g, 0, 4, 1, 5);
    const high = v128.shuffle<f32>(r, g, 2, 6, 3, 7);
    v128.store(colours, v128.shuffle<f32>(low, b, 0, 1, 4, 2));
    v128.store(colours, v128.shuffle<f32>(v128.shuffle<f32>(low, b, 3, 5, 3, 3), high, 0, 1, 4, 5), 16);
    v128.store(colours, v128.shuffle<f32>(b, high, 2, 6, 7, 3), 32);
    colours += 48;
  }
}

function mixed(matrix: usize, r: v128, g: v128, b: v128): v128 {
  const rg = f32x4.add(f32x4.mul(v128.load32_splat(matrix), r), f32x4.mul(v128.load32_splat(matrix, 4), g));
  const more = f32x4.add(f32x4.mul(v128.load32_splat(matrix, 8), b), v128.load32_splat(matrix, 12));
  return f32x4.min(all(1), f32x4.max(all(0), f32x4.add(rg, more)));
}

/** Colours through a matrix, three rows of four floats, clamped to 0…1. */
export function mix(matrix: usize, row: usize, plane: usize, n: i32): void {
  const greens = row + plane;
  const blues = greens + plane;
  for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
    const r = v128.load(row + i);
    const g = v128.load(greens + i);
    const b = v128.load(blues + i);
    v128.store(row + i, mixed(matrix, r, g, b));
    v128.store(greens + i, mixed(matrix + 16, r, g, b));
    v128.store(blues + i, mixed(matrix + 32, r, g, b));
  }
}

function whole(channel: v128): v128 {
  return i32x4.trunc_sat_f32x4_s(f32x4.add(f32x4.mul(channel, all(255)), all(0.5)));
}

/** The colours as bytes, with the photo's own alpha. */
export function pack(row: usize, plane: usize, photo: usize, out: usize, n: i32): void {
  const greens = row + plane;
  const blues = greens + plane;
  for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
    const rg = i16x8.narrow_i32x4_s(whole(v128.load(row + i)), whole(v128.load(greens + i)));
    const b = whole(v128.load(blues + i));
    const bytes = i8x16.narrow_i16x8_u(rg, i16x8.narrow_i32x4_s(b, b));
    const own = v128.load(photo + i);
    v128.store(out + i, v128.shuffle<u8>(bytes, own, 0, 4, 8, 19, 1, 5, 9, 23, 2, 6, 10, 27, 3, 7, 11, 31));
  }
}

/** The four floats that begin with the one whose number stands at `at`. */
function colourAt(values: usize, at: usize): v128 {
  return v128.load(values + ((<usize>load<i32>(at)) << 2));
}

/**
 * Colours r, g, b, a of a row, in channels.
 *
 * @param values colours as floats
 * @param at for each pixel which of `values` its colour begins with
 * @returns whether any of them is not clear
 */
function gather(values: usize, at: usize, source: usize, plane: usize, n: i32): bool {
  const greens = source + plane;
  const blues = greens + plane;
  const alphas = blues + plane;
  let seen = all(0);
  for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
    const first = colourAt(values, at + i);
    const second = colourAt(values, at + i + 4);
    const third = colourAt(values, at + i + 8);
    const fourth = colourAt(values, at + i + 12);
    const rgs = v128.shuffle<f32>(first, second, 0, 4, 1, 5);
    const more = v128.shuffle<f32>(third, fourth, 0, 4, 1, 5);
    v128.store(source + i, v128.shuffle<f32>(rgs, more, 0, 1, 4, 5));
    v128.store(greens + i, v128.shuffle<f32>(rgs, more, 2, 3, 6, 7));
    const bas = v128.shuffle<f32>(first, second, 2, 6, 3, 7);
    const rest = v128.shuffle<f32>(third, fourth, 2, 6, 3, 7);
    v128.store(blues + i, v128.shuffle<f32>(bas, rest, 0, 1, 4, 5));
    const alpha = v128.shuffle<f32>(bas, rest, 2, 3, 6, 7);
    v128.store(alphas + i, alpha);
    seen = v128.or(seen, alpha);
  }
  return v128.any_true(seen);
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

function luminosity(r: v128, g: v128, b: v128): v128 {
  return f32x4.add(f32x4.add(f32x4.mul(all(0.3), r), f32x4.mul(all(0.59), g)), f32x4.mul(all(0.11), b));
}

function lowest(r: v128, g: v128, b: v128): v128 {
  return f32x4.min(f32x4.min(r, g), b);
}

function highest(r: v128, g: v128, b: v128): v128 {
  return f32x4.max(f32x4.max(r, g), b);
}

function over(alpha: v128, b: v128, blended: v128): v128 {
  return f32x4.add(b, f32x4.mul(alpha, f32x4.sub(blended, b)));
}

// Loops are written out with all that is in them: no call stands in them, as each would save and bring back every register.

/**
 * Colours blended onto a row, opaque as it is: co = cb + αs · (B(cb, cs) − cb), by a mode that goes channel by channel.
 *
 * @param mode its place among `blendSchema`'s
 * @param values, at the colours, as in `gather`
 * @param source room for four channels
 */
export function blendChannels(
  mode: i32,
  row: usize,
  plane: usize,
  values: usize,
  at: usize,
  source: usize,
  n: i32,
): void {
  if (!gather(values, at, source, plane, n)) return;
  const alphas = source + plane * 3;
  for (let channel: usize = 0; channel < 3; channel++) {
    const under = row + channel * plane;
    const upper = source + channel * plane;
    for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
      const alpha = v128.load(alphas + i);
      if (v128.any_true(alpha)) {
        const b = v128.load(under + i);
        const s = v128.load(upper + i);
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
        v128.store(under + i, over(alpha, b, blended));
      }
    }
  }
}

/** The same by a mode that mixes channels: hue 12, saturation 13, color 14, luminosity 15. */
export function blendColours(
  mode: i32,
  row: usize,
  plane: usize,
  values: usize,
  at: usize,
  source: usize,
  n: i32,
): void {
  if (!gather(values, at, source, plane, n)) return;
  const isOfPicture = mode === 13 || mode === 15;
  for (let i: usize = 0; i < <usize>(n << 2); i += 16) {
    const alpha = v128.load(source + plane * 3 + i);
    if (v128.any_true(alpha)) {
      const b0 = v128.load(row + i);
      const b1 = v128.load(row + plane + i);
      const b2 = v128.load(row + plane * 2 + i);
      const s0 = v128.load(source + i);
      const s1 = v128.load(source + plane + i);
      const s2 = v128.load(source + plane * 2 + i);
      let c0 = isOfPicture ? b0 : s0;
      let c1 = isOfPicture ? b1 : s1;
      let c2 = isOfPicture ? b2 : s2;
      let low = lowest(c0, c1, c2);
      let high = highest(c0, c1, c2);
      if (mode < 14) {
        // SetSat: the saturation of the other one.
        const most = isOfPicture ? highest(s0, s1, s2) : highest(b0, b1, b2);
        const wanted = f32x4.sub(most, isOfPicture ? lowest(s0, s1, s2) : lowest(b0, b1, b2));
        const range = f32x4.sub(high, low);
        const k = choose(f32x4.gt(range, all(0)), f32x4.div(wanted, range), all(0));
        c0 = f32x4.mul(f32x4.sub(c0, low), k);
        c1 = f32x4.mul(f32x4.sub(c1, low), k);
        c2 = f32x4.mul(f32x4.sub(c2, low), k);
        low = all(0);
        high = f32x4.mul(range, k);
      }
      // SetLum, and ClipColor: drawn towards the luminosity where a channel would leave 0…1.
      const l = mode === 15 ? luminosity(s0, s1, s2) : luminosity(b0, b1, b2);
      const lighter = f32x4.sub(l, luminosity(c0, c1, c2));
      low = f32x4.add(low, lighter);
      high = f32x4.add(high, lighter);
      const up = choose(f32x4.lt(low, all(0)), f32x4.div(l, f32x4.sub(l, low)), all(1));
      const down = choose(f32x4.gt(high, all(1)), f32x4.div(f32x4.sub(all(1), l), f32x4.sub(high, l)), all(1));
      const k = f32x4.mul(up, down);
      v128.store(row + i, over(alpha, b0, f32x4.add(l, f32x4.mul(f32x4.sub(f32x4.add(c0, lighter), l), k))));
      v128.store(row + plane + i, over(alpha, b1, f32x4.add(l, f32x4.mul(f32x4.sub(f32x4.add(c1, lighter), l), k))));
      v128.store(
        row + plane * 2 + i,
        over(alpha, b2, f32x4.add(l, f32x4.mul(f32x4.sub(f32x4.add(c2, lighter), l), k))),
      );
    }
  }
}
