/** One border as it is drawn: its edges, its paint, its dashes, and how it stands in the light. */
import type { Border, Light } from '../layers';
import { blendRow, fillPaint, flatRamp, isPattern, isPicked, isTexture, parseColour } from '../paint';
import { besideOutline, dashField, dashPolygons, placesWithin, softCoverage, type PixelWindow } from '../raster';
import { offset, raggedPolygons, thinned, unionInRow, type Join, type Polygon } from '../shape';
import type { Coat } from './coat';
import { borderBand, roughAt } from './layers';
import { boxOf, paintRows, type LaidPaint, type PaintGround } from './paints';
import { inSteps } from './steps';
import { shadingOf, slopesOf, type Shading, type Slopes } from './relief';
import { textureValues } from './textures';

type EdgeScene = Pick<PaintGround, 'outline' | 'scale'> & {
  /** Edges that were worked out. */
  readonly edges: Map<string, Polygon[]>;
  /** True where the outline itself is rough. */
  readonly isRagged: boolean;
};

/** What a band goes by. */
export type BandScene = EdgeScene &
  Pick<PaintGround, 'picks' | 'corner'> & {
    readonly light: Light;
    /** Of an outline's offsets those that lie along the shape. */
    readonly alongShape: (polygons: readonly Polygon[]) => readonly Polygon[];
    /** Of each border with echoes the band that was worked out last: they are drawn from it, too. */
    readonly bands: Map<Border, Band>;
  };

/** Pixels that a border may touch beyond its edges. */
const RIM = 2;

/** A ragged outline need not be followed as closely, pixels. */
const RAGGED = 0.03;

/** The outline as its offsets are taken from it: a ragged one has more corners than can be seen. */
function sourceOf({ outline, edges, isRagged }: EdgeScene): readonly Polygon[] {
  if (!isRagged) return outline;
  const known = edges.get('') ?? thinned(outline, RAGGED);
  edges.set('', known);
  return known;
}

/** An edge of a border: an offset of the outline, as rough as it is. Each is worked out once. */
export function edgeOf(scene: EdgeScene, distance: number, join: Join, rough: Border['rough']): Polygon[] {
  const { scale, edges, isRagged } = scene;
  const key = JSON.stringify([distance, join, rough]);
  const known = edges.get(key);
  if (known) return known;
  const edge = offset(sourceOf(scene), distance * scale, join, isRagged ? RAGGED : undefined);
  const made = rough
    ? raggedPolygons(edge, { ...rough, amount: rough.amount * scale, size: rough.size * scale })
    : edge;
  edges.set(key, made);
  return made;
}

/** A border's dashes in pixels. */
const dashesOf = ({ width, dashCap: cap, dashFit: fit }: Border, lengths: readonly number[], scale: number) => ({
  lengths: lengths.map((v) => v * scale),
  cap,
  fit,
  width: width * scale,
});

/** Everything that a border covers. */
export function bandOf(border: Border, scene: BandScene): Polygon[] {
  const { scale, alongShape } = scene;
  const [outer, inner] = borderBand(border);
  if (border.dash) {
    const middle = edgeOf(scene, (outer + inner) / 2, border.join, null);
    const dashes = dashPolygons(alongShape(middle), dashesOf(border, border.dash, scale));
    if (dashes) return unionInRow(dashes);
  }
  const hole = edgeOf(scene, inner, border.join, roughAt(border, 'inner')).map((polygon) => [...polygon].reverse());
  return [...edgeOf(scene, outer, border.join, roughAt(border, 'outer')), ...hole];
}

/** A band's paint without any light on it, and where and how it stands out. */
export type Band = {
  readonly window: PixelWindow;
  readonly paint: LaidPaint;
  readonly dash: Coat['dash'];
  readonly stands: { readonly places: Int32Array; readonly slopes: Slopes } | null;
};

const isPlaced = (paint: Border['paint']) => isTexture(paint) || isPattern(paint);

/** Whether a border has to be asked how its pixels lie beside its rim. */
const hasSides = ({ relief, paint }: Border): boolean => relief !== null || (isPlaced(paint) && paint.lies === 'along');

/** Where everything that a border may touch is looked for need not be known finely, pixels. */
const ROUGHLY = 0.5;

/** A border's paint, dashes and slopes, for one part of the picture after the other. */
export function bandMaker(border: Border, scene: BandScene): (window: PixelWindow) => Band {
  const { outline, scale, picks, corner, alongShape } = scene;
  const { paint, opacity, join, width, dash, relief } = border;
  const [outer, inner] = borderBand(border);
  const swing = border.rough ? border.rough.amount * scale : 0;
  const rough = thinned(sourceOf(scene), ROUGHLY / 2);
  const around = (distance: number) => offset(rough, distance, join, ROUGHLY);
  const hole = around(inner * scale - RIM - swing).map((polygon) => [...polygon].reverse());
  const within = [...around(outer * scale + RIM + swing), ...hole];
  const middle = edgeOf(scene, (outer + inner) / 2, join, null);
  const line = { outline: middle, reach: (width / 2) * scale + RIM, within };
  const box = boxOf(alongShape(edgeOf(scene, outer, join, null)));
  const dashes = dash && dashesOf(border, dash, scale);
  const rim = hasSides(border) ? edgeOf(scene, outer, join, roughAt(border, 'outer')) : [];
  const ground = { outline, line, box, scale, picks, corner };
  const made = (window: PixelWindow): Band => {
    const beside = hasSides(border) ? besideOutline(rim, width * scale + 2 * swing + RIM, within, window) : null;
    const places = beside?.places ?? (isPlaced(paint) ? placesWithin(within, window) : null);
    const texture = isTexture(paint) ? textureValues(paint, { window, scale, corner, beside, places }) : null;
    return {
      window,
      paint: paintRows(paint, opacity, { ...ground, window, beside, places, texture }),
      dash: dashes && { kind: 'field', field: { ...window, values: dashField(line, dashes, window) } },
      stands: relief && beside && { places: beside.places, slopes: slopesOf(relief, width * scale, scale, beside, texture) }, // prettier-ignore
    };
  };
  // Echoes alone ask for a band again; of all others nothing is kept.
  if (!border.echo) return made;
  return (window) => {
    const known = scene.bands.get(border);
    if (known?.window === window) return known;
    const band = made(window);
    scene.bands.set(border, band);
    return band;
  };
}

/** Light and shade as two colours that are blended onto others. */
export type Shine = { readonly shading: Shading; readonly lay: (colours: Float32Array, amounts: Float32Array, n: number) => void }; // prettier-ignore

/** For each amount 0…1 of a colour where it begins in its ramp. */
const STEPS = 1023;

function amountRamp(colour: string): Float32Array {
  const { r, g, b, alpha } = parseColour(colour);
  const ramp = new Float32Array((STEPS + 1) * 4);
  for (let i = 0; i <= STEPS; i++) ramp.set([r, g, b, (alpha * i) / STEPS], i * 4);
  return ramp;
}

/** How the light of a template lies on a relief. */
export function shineOf(light: Light, relief: NonNullable<Border['relief']>): Shine {
  const [shades, highlights] = [amountRamp(relief.shade), amountRamp(relief.highlight)];
  let at = new Int32Array(0);
  return {
    shading: shadingOf(light, relief),
    lay: (colours, amounts, n) => {
      if (at.length < n) at = new Int32Array(n);
      for (let i = 0; i < n; i++) at[i] = Math.round(amounts[2 * i]! * STEPS) * 4;
      blendRow(relief.shadeBlend, colours, { values: shades, at }, n);
      for (let i = 0; i < n; i++) at[i] = Math.round(amounts[2 * i + 1]! * STEPS) * 4;
      blendRow(relief.highlightBlend, colours, { values: highlights, at }, n);
    },
  };
}

/** Premultiplied RGBA of a paint with the light on it; of one that each photo gives, of the light alone, to lie atop. */
function litPixels({ window, paint, stands }: Band, shine: Shine, isAtop: boolean): Uint8ClampedArray {
  const { left, top, width, height } = window;
  const out = new Uint8ClampedArray(width * height * 4);
  const [scratch, at] = [new Float32Array(width), new Int32Array(width)];
  const [colours, amounts, pair] = [new Float32Array(width * 3), new Float32Array(width * 2), new Float64Array(2)];
  const { places, slopes } = stands!;
  const { ramp } = paint;
  for (let i = 0; i < places.length;) {
    const first = places[i]!;
    const y = Math.floor(first / width);
    const end = (y + 1) * width;
    // One stretch of a row.
    let n = 0;
    while (i < places.length && places[i] === first + n && first + n < end) {
      shine.shading(slopes.right[i]!, slopes.down[i]!, pair);
      amounts[2 * n] = pair[0]!;
      amounts[2 * n + 1] = pair[1]!;
      n++;
      i++;
    }
    const from = first * 4;
    if (isAtop) {
      layAtop(out, from, amounts, n, shine);
      continue;
    }
    fillPaint(paint, left + first - y * width, top + y, n, scratch, at);
    for (let k = 0, q = 0; k < n; k++, q += 3) {
      const p = at[k]!;
      colours[q] = ramp[p]!;
      colours[q + 1] = ramp[p + 1]!;
      colours[q + 2] = ramp[p + 2]!;
    }
    shine.lay(colours, amounts, n);
    for (let k = 0, q = 0, o = from; k < n; k++, q += 3, o += 4) {
      const alpha = ramp[at[k]! + 3]! * 255;
      out[o] = colours[q]! * alpha;
      out[o + 1] = colours[q + 1]! * alpha;
      out[o + 2] = colours[q + 2]! * alpha;
      out[o + 3] = alpha;
    }
  }
  return out;
}

/** What a row of light does to black and to white says what it adds and what it leaves: exact where it adds the same to all. */
function layAtop(out: Uint8ClampedArray, from: number, amounts: Float32Array, n: number, { lay }: Shine): void {
  const [black, white] = [new Float32Array(n * 3), new Float32Array(n * 3).fill(1)];
  lay(black, amounts, n);
  lay(white, amounts, n);
  for (let x = 0, k = from; x < n; x++, k += 4) {
    let kept = 0;
    for (let c = 0; c < 3; c++) {
      kept += (white[3 * x + c]! - black[3 * x + c]!) / 3;
      out[k + c] = black[3 * x + c]! * 255;
    }
    out[k + 3] = (1 - kept) * 255;
  }
}

/** A border's coat, for one band of the picture after the other. */
export function coatMaker(border: Border, scene: BandScene): (window: PixelWindow) => Coat {
  const make = bandMaker(border, scene);
  const shine = border.relief && shineOf(scene.light, border.relief);
  return (window) => {
    const band = make(window);
    const { paint, dash, stands } = band;
    if (!stands || !shine) return { ...paint, dash };
    if (isPicked(border.paint)) return { ...paint, dash, atop: { window, data: litPixels(band, shine, true) } };
    const pixels = { window, data: litPixels(band, shine, false), opacity: 1 };
    return { ramp: flatRamp('#000000', 0), places: { kind: 'flat' }, pick: -1, dash, pixels };
  };
}

/** How far the shadow that a border throws lies from it, pixels. */
export function castOffset({ shadow }: Border, { light, scale }: BandScene): readonly [x: number, y: number] {
  const turn = (light.angle * Math.PI) / 180;
  const far = shadow!.distance * scale;
  return [-Math.sin(turn) * far, Math.cos(turn) * far];
}

/** The shadow that a border throws on what lies below it, away from the light. */
export function castMaker(border: Border, scene: BandScene): (window: PixelWindow) => Coat {
  const { blur, color, opacity } = border.shadow!;
  const { scale } = scene;
  const [dx, dy] = castOffset(border, scene);
  const moved = bandOf(border, scene).map((polygon) => polygon.map(([x, y]) => [x + dx, y + dy] as const));
  return (window) => {
    const values = inSteps(softCoverage(moved, window, (blur / 2) * scale));
    return {
      ramp: flatRamp(color, opacity),
      places: { kind: 'flat' },
      pick: -1,
      dash: { kind: 'field', field: { ...window, values } },
    };
  };
}
