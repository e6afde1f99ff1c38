/** Independent references that several tests compare with. */
import { Resvg } from '@resvg/resvg-js';
import type { Outline } from '../shape';

/** Alpha of an SVG drawn by resvg, 0…255. */
export function resvgAlpha(svg: string, width: number, height: number): Uint8Array {
  const { pixels } = new Resvg(svg, { font: { loadSystemFonts: false } }).render();
  return Uint8Array.from({ length: width * height }, (_, i) => pixels[i * 4 + 3]!);
}

/** Coverage of path data by resvg (a general SVG renderer): the alpha of a black path, 0…255. */
export function resvgPathCoverage(d: string, rule: string, width: number, height: number, frame = width): Uint8Array {
  const view = `0 0 ${frame} ${(frame * height) / width}`;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${view}"><path fill-rule="${rule}" d="${d}"/></svg>`;
  return resvgAlpha(svg, width, height);
}

/** Coverage of an outline by resvg. */
export function resvgCoverage(outline: Outline, width: number, height: number, frame: number): Uint8Array {
  const d = outline
    .map(({ start, cubics }) => `M${start.join(' ')}${cubics.map((c) => `C${c.join(' ')}`).join('')}Z`)
    .join('');
  return resvgPathCoverage(d, 'nonzero', width, height, frame);
}

/**
 * Share of the pixel (x, y) that lies inside, by n × n samples of a test that knows
 * nothing of paths.
 */
export function supersample(inside: (x: number, y: number) => boolean, x: number, y: number, n = 64): number {
  let hits = 0;
  for (let j = 0; j < n; j++) for (let i = 0; i < n; i++) if (inside(x + (i + 0.5) / n, y + (j + 0.5) / n)) hits++;
  return hits / (n * n);
}
