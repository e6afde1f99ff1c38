/** 8-bit sRGB into CIELAB (CIE 15:2004, D65; sRGB by IEC 61966-2-1). */

const LINEAR = Float32Array.from({ length: 256 }, (_, i) => {
  const v = i / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
});

/** The cube root branch of CIELAB's f over 0…1.1, finely enough for 0.02 of L*. */
const STEPS = 4096;
const ROOT = Float32Array.from({ length: STEPS + 2 }, (_, i) => {
  const t = (i / STEPS) * 1.1;
  return t > 216 / 24389 ? Math.cbrt(t) : (24389 / 27 / 116) * t + 16 / 116;
});
/** @param t not negative; white has up to 1.0001 in all three */
const root = (t: number) => ROOT[(t * (STEPS / 1.1) + 0.5) | 0]!;

/** Pixels across and down. */
export type Size = { readonly width: number; readonly height: number };

/** A small opaque picture: three bytes a pixel. */
export type Raster = Size & { readonly rgb: Uint8Array | Uint8ClampedArray };

/** L*, a*, b* of every pixel, plane by plane. */
export type Lab = Size & { readonly l: Float32Array; readonly a: Float32Array; readonly b: Float32Array };

export function toLab({ rgb, width, height }: Raster): Lab {
  const n = width * height;
  const [l, a, b] = [new Float32Array(n), new Float32Array(n), new Float32Array(n)];
  for (let i = 0, k = 0; i < n; i++, k += 3) {
    const r = LINEAR[rgb[k]!]!;
    const g = LINEAR[rgb[k + 1]!]!;
    const u = LINEAR[rgb[k + 2]!]!;
    const fx = root((0.4124 * r + 0.3576 * g + 0.1805 * u) / 0.95047);
    const fy = root(0.2126 * r + 0.7152 * g + 0.0722 * u);
    const fz = root((0.0193 * r + 0.1192 * g + 0.9505 * u) / 1.08883);
    l[i] = 116 * fy - 16;
    a[i] = 500 * (fx - fy);
    b[i] = 200 * (fy - fz);
  }
  return { l, a, b, width, height };
}

/** A CIELAB colour as CSS hex, clipped to sRGB. */
export function labToHex([l, a, b]: readonly [number, number, number]): string {
  const fy = (l + 16) / 116;
  const back = (f: number) => (f > 6 / 29 ? f ** 3 : (f - 16 / 116) * (116 / (24389 / 27)));
  const [x, y, z] = [back(fy + a / 500) * 0.95047, back(fy), back(fy - b / 200) * 1.08883];
  const rgb = [
    3.2406 * x - 1.5372 * y - 0.4986 * z,
    -0.9689 * x + 1.8758 * y + 0.0415 * z,
    0.0557 * x - 0.204 * y + 1.057 * z,
  ];
  const coded = rgb.map((v) => {
    const c = Math.min(1, Math.max(0, v));
    return Math.round((c <= 0.0031308 ? c * 12.92 : 1.055 * c ** (1 / 2.4) - 0.055) * 255);
  });
  return '#' + coded.map((v) => v.toString(16).padStart(2, '0')).join('');
}
