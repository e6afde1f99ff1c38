/** Copies of bands, each a step smaller, turned or moved: drawn from one band, with the light where it is. */
import type { Border } from '../layers';
import { blendRow, flatRamp, isPicked, parseColour, type Blend } from '../paint';
import { coverageRows, softCoverage, type PixelWindow } from '../raster';
import { after, boundsOf, cutTo, inverseOf, mapPoint, stepMap, thinned, type Affine, type Polygon, type Rectangle } from '../shape'; // prettier-ignore
import { bandOf, castOffset, shineOf, type Shine } from './band';
import type { Coat } from './coat';
import { CHANNELS, sampleLine, sourceOf, type EchoScene, type Source } from './echo-source';
import { visibleBorders } from './layers';
import { samePick } from './paints';

/** The scene of each border: one with pins has an outline of its own. */
export type EchoSceneFor = (border: Border) => EchoScene;

type Echoed = Border & { readonly echo: NonNullable<Border['echo']> };

const isEchoed = (border: Border): border is Echoed => border.echo !== null;

/** A copy as it is laid: what it covers, where it comes from, and what it is like. */
type Copy = {
  readonly covers: readonly Polygon[];
  readonly map: Affine;
  /** 0 for the band itself, 1 for the last copy. */
  readonly share: number;
  readonly opacity: number;
};

function copiesOf(border: Echoed, scene: EchoScene, band: readonly Polygon[] = bandOf(border, scene)): Copy[] {
  const { echo } = border;
  return Array.from({ length: echo.count }, (_, k) => {
    const map = stepMap({ ...echo, x: echo.x * scene.scale, y: echo.y * scene.scale }, k + 1, scene.middle);
    const covers = band.map((polygon) => polygon.map((point) => mapPoint(map, point)));
    return { covers, map, share: (k + 1) / echo.count, opacity: echo.keeps ** (k + 1) };
  });
}

/** The pixels of a window that polygons, or what lies so far around them, may touch; null where there are none. */
function touched(polygons: readonly Polygon[], window: PixelWindow, around = 0): PixelWindow | null {
  const bounds = boundsOf(polygons);
  if (!bounds) return null;
  const left = Math.max(window.left, Math.floor(bounds[0] - around));
  const top = Math.max(window.top, Math.floor(bounds[1] - around));
  const right = Math.min(window.left + window.width, Math.ceil(bounds[2] + around));
  const bottom = Math.min(window.top + window.height, Math.ceil(bounds[3] + around));
  return right > left && bottom > top ? { left, top, width: right - left, height: bottom - top } : null;
}

/** A picture in the making, all premultiplied, 0…1; of a paint that each photo gives, with how much of each pixel that is. */
type Canvas = {
  readonly window: PixelWindow;
  readonly data: Float32Array;
  readonly shares: Float32Array | null;
  /** True where what is drawn next lies below all that is there, else above it. */
  readonly isFromTop: boolean;
};

/** Less than this of a pixel left to what lies below makes no difference in 8 bits. */
const NEGLIGIBLE = 1 / 2048;

/** The first pixel from column `x` on, before `end`, of a row that begins at `start`, of which what is drawn below all would show; else `end`. */
function openFrom(data: Float32Array, start: number, x: number, end: number): number {
  let i = x;
  while (i < end && data[start + i * 4 + 3]! > 1 - NEGLIGIBLE) i++;
  return i;
}

/** The first one of which it would not. */
function openUntil(data: Float32Array, start: number, x: number, end: number): number {
  let i = x;
  while (i < end && data[start + i * 4 + 3]! <= 1 - NEGLIGIBLE) i++;
  return i;
}

/** One pixel more; `shown` of it is the photo's colour. */
function put(
  { data: out, shares, isFromTop }: Canvas,
  k: number,
  r: number,
  g: number,
  b: number,
  alpha: number,
  shown = 0,
): void {
  const own = isFromTop ? 1 - out[k + 3]! : 1;
  const rest = isFromTop ? 1 : 1 - alpha;
  if (shares) shares[k >> 2] = shown * own + shares[k >> 2]! * rest;
  out[k] = r * own + out[k]! * rest;
  out[k + 1] = g * own + out[k + 1]! * rest;
  out[k + 2] = b * own + out[k + 2]! * rest;
  out[k + 3] = alpha * own + out[k + 3]! * rest;
}

function drawShadow(canvas: Canvas, { covers, opacity }: Copy, border: Border, scene: EchoScene): void {
  const { window } = canvas;
  const { blur, color, opacity: strength } = border.shadow!;
  const [dx, dy] = castOffset(border, scene);
  const { r, g, b, alpha } = parseColour(color);
  const moved = covers.map((p) => p.map(([x, y]) => [x + dx, y + dy] as const));
  // Six standard deviations either way.
  const part = touched(moved, window, 3 * blur * scene.scale + 1);
  if (!part) return;
  const mask = softCoverage(moved, part, (blur / 2) * scene.scale);
  const k = alpha * strength * opacity;
  for (let y = 0, i = 0; y < part.height; y++) {
    let o = ((part.top + y - window.top) * window.width + part.left - window.left) * 4;
    for (let x = 0; x < part.width; x++, i++, o += 4) {
      const a = mask[i]! * k;
      if (a > 0) put(canvas, o, r * a, g * a, b * a, a);
    }
  }
}

/** Colours as they come out on what is there by a blend mode: Compositing 1 §5.1, cs = (1 − αb)·cs + αb·B(cb, cs). */
function blendOn(mode: Blend, there: Float32Array, from: number, colours: Float32Array, n: number): void {
  const [below, own, at] = [new Float32Array(n * 3), new Float32Array(n * 4), new Int32Array(n)];
  for (let i = 0, k = from; i < n; i++, k += 4) {
    const alpha = there[k + 3]!;
    for (let c = 0; c < 3; c++) {
      below[3 * i + c] = alpha > 0 ? Math.min(1, there[k + c]! / alpha) : 0;
      own[4 * i + c] = colours[3 * i + c]!;
    }
    own[4 * i + 3] = 1;
    at[i] = 4 * i;
  }
  blendRow(mode, below, { values: own, at }, n);
  for (let i = 0, k = from; i < n; i++, k += 4)
    for (let c = 0; c < 3; c++) {
      const q = 3 * i + c;
      colours[q]! += there[k + 3]! * (below[q]! - colours[q]!);
    }
}

function drawCopy(canvas: Canvas, source: Source, copy: Copy, border: Echoed, shine: Shine | null): void {
  const { window, data, shares, isFromTop } = canvas;
  const part = touched(copy.covers, window);
  if (!part) return;
  const back = after([source.times, 0, 0, source.times, 0, 0], inverseOf(copy.map));
  const turn = Math.hypot(copy.map[0], copy.map[1]);
  const [cos, sin] = [copy.map[0] / turn, copy.map[1] / turn];
  const into = border.echo.into === null ? null : parseColour(border.echo.into);
  const { width } = part;
  const [found, pair] = [new Float64Array(width * CHANNELS), new Float64Array(2)];
  const [colours, amounts, alphas] = [
    new Float32Array(width * 3),
    new Float32Array(width * 2),
    new Float32Array(width),
  ];
  // Of a colour that each photo gives all is worked out for black and for white: both say what is added and what is left.
  const white = shares && new Float32Array(width * 3);
  /** Makes `n` pixels of a row ready, from column `first` on. */
  const fill = (y: number, covers: Float32Array, first: number, n: number) => {
    const [px, py] = [part.left + first + 0.5, part.top + y + 0.5];
    sampleLine(source, n, [back[0] * px + back[2] * py + back[4], back[1] * px + back[3] * py + back[5], back[0], back[1]], found); // prettier-ignore
    for (let i = 0, o = 0; i < n; i++, o += CHANNELS) {
      const alpha = found[o + 3]!;
      alphas[i] = alpha * covers[first + i]! * copy.opacity;
      const k = alpha > 0 ? 1 / alpha : 0;
      for (let c = 0; c < 3; c++) colours[3 * i + c] = Math.min(1, found[o + c]! * k);
      if (into) {
        colours[3 * i]! += (into.r - colours[3 * i]!) * copy.share;
        colours[3 * i + 1]! += (into.g - colours[3 * i + 1]!) * copy.share;
        colours[3 * i + 2]! += (into.b - colours[3 * i + 2]!) * copy.share;
      }
      if (white) for (let c = 0; c < 3; c++) white[3 * i + c] = colours[3 * i + c]! + (into ? 1 - copy.share : 1);
      if (!shine) continue;
      // The slopes turn with the copy; the light stays.
      shine.shading(found[o + 4]! * cos - found[o + 5]! * sin, found[o + 4]! * sin + found[o + 5]! * cos, pair);
      amounts[2 * i] = pair[0]!;
      amounts[2 * i + 1] = pair[1]!;
    }
  };
  /** Lays them, the first at `k` of the canvas. */
  const lay = (k: number, n: number) => {
    shine?.lay(colours, amounts, n);
    if (white) shine?.lay(white, amounts, n);
    // Of a colour that is not known yet no blend mode can be worked out.
    if (border.echo.blend !== 'normal' && !white) blendOn(border.echo.blend, data, k, colours, n);
    for (let i = 0; i < n; i++) {
      const a = alphas[i]!;
      if (a === 0) continue;
      let kept = 0;
      if (white) for (let c = 0; c < 3; c++) kept += (white[3 * i + c]! - colours[3 * i + c]!) / 3;
      put(canvas, k + 4 * i, colours[3 * i]! * a, colours[3 * i + 1]! * a, colours[3 * i + 2]! * a, a, kept * a);
    }
  };
  coverageRows(copy.covers, part, (y, covers, spans) => {
    const start = ((part.top + y - window.top) * window.width + part.left - window.left) * 4;
    for (let s = 0; s < spans.length; s += 2)
      for (let x = spans[s]!; x < spans[s + 1]!;) {
        const first = isFromTop ? openFrom(data, start, x, spans[s + 1]!) : x;
        x = isFromTop ? openUntil(data, start, first, spans[s + 1]!) : spans[s + 1]!;
        if (x === first) continue;
        fill(y, covers, first, x - first);
        lay(start + first * 4, x - first);
      }
  });
}

/** Values 0…1 as 0…255: several times as quick as having them clamped. */
function inBytes(values: Float32Array): Uint8ClampedArray {
  const bytes = new Uint8Array(values.length);
  for (let i = 0; i < values.length; i++) bytes[i] = (values[i]! * 255 + 0.5) | 0;
  return new Uint8ClampedArray(bytes.buffer);
}

const CLEAR = { ramp: flatRamp('#000000', 0), places: { kind: 'flat' }, pick: -1, dash: null } as const;

function coatsFor(border: Echoed, scene: EchoScene): (window: PixelWindow) => Coat[] {
  let source: Source | null = null;
  const copies = copiesOf(border, scene);
  const { paint } = border;
  const pick = isPicked(paint) ? scene.picks.findIndex((other) => samePick(paint, other)) : -1;
  const shine = border.relief && shineOf(scene.light, border.relief);
  // A blend mode asks for what lies below; else it is quicker to leave out what is hidden.
  const isFromTop = border.echo.blend === 'normal' || pick >= 0;
  // Each behind the one before it, or before it.
  if ((border.echo.lies === 'behind') !== isFromTop) copies.reverse();
  return (window) => {
    source ??= sourceOf(border, scene, window);
    if (!source) return [];
    const size = window.width * window.height;
    const canvas = { window, data: new Float32Array(size * 4), shares: pick < 0 ? null : new Float32Array(size), isFromTop }; // prettier-ignore
    const shadow = (copy: Copy) => border.shadow && drawShadow(canvas, copy, border, scene);
    for (const copy of copies) {
      if (!isFromTop) shadow(copy);
      drawCopy(canvas, source, copy, border, shine);
      if (isFromTop) shadow(copy);
    }
    const data = inBytes(canvas.data);
    const shares = canvas.shares && new Uint8ClampedArray(canvas.shares.map((v) => v * 255));
    return [{ ...CLEAR, pick, pixels: { window, data, opacity: 1, ...(shares && { shares }) } }];
  };
}

/** The echoes of all borders that lie on one side of the cutout, the lowest first. */
export function echoMaker(borders: readonly Border[], lies: 'behind' | 'before', sceneFor: EchoSceneFor) {
  const makers = visibleBorders(borders)
    .filter(isEchoed)
    .filter(({ echo }) => echo.lies === lies)
    .map((border) => coatsFor(border, sceneFor(border)));
  return (window: PixelWindow): Coat[] => makers.flatMap((make) => make(window));
}

/** Points that what throws a shadow may have: of more it is followed less closely. */
const MOST_POINTS = 40_000;

/** All that echoes cover of a part of the plane, pixels, as closely as their shadow shows it. */
export function echoBands(borders: readonly Border[], sceneFor: EchoSceneFor, area: Rectangle): Polygon[] {
  return visibleBorders(borders)
    .filter(isEchoed)
    .flatMap((border) => {
      const scene = sceneFor(border);
      let close = 0.1;
      let band = thinned(bandOf(border, scene), close);
      const points = () => band.reduce((sum, { length }) => sum + length, 0) * border.echo.count;
      while (points() > MOST_POINTS && close < 8) band = thinned(band, (close *= 2));
      return copiesOf(border, scene, band).flatMap(({ covers }) => cutTo(covers, area));
    });
}

/** How far echoes of bands that lie within `radius` of their middle, and the shadows of those, reach from it; 0 where there are none. Frame units. */
export const echoReach = (borders: readonly Border[], radius: number): number =>
  Math.max(
    0,
    ...visibleBorders(borders)
      .filter(isEchoed)
      .flatMap(({ echo: { count, scale, x, y }, shadow }) =>
        Array.from(
          { length: count },
          (_, k) =>
            scale ** (k + 1) * radius + (k + 1) * Math.hypot(x, y) + (shadow ? shadow.distance + 3 * shadow.blur : 0),
        ),
      ),
  );
