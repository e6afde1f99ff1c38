/** Outlines: closed contours of cubic Bézier segments, y down. */

export type Point = readonly [x: number, y: number];

/** A cubic segment from the previous end: two control points and its own end. */
export type Cubic = readonly [c1x: number, c1y: number, c2x: number, c2y: number, x: number, y: number];

/** A closed contour; the last segment ends where the first began. */
export type Contour = { readonly start: Point; readonly cubics: readonly Cubic[] };

/** Contours that neither cross themselves nor each other, filled by the non-zero rule. */
export type Outline = readonly Contour[];

/** A 2 × 3 affine map: x' = a·x + c·y + e, y' = b·x + d·y + f (the order of SVG's matrix()). */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

/**
 * Rounds to 1/4096. Engines differ in the last bits of sin and cos; coordinates
 * snapped right after trigonometry are the same everywhere.
 */
export const snap = (v: number) => Math.round(v * 4096) / 4096;

/** A straight side as a cubic. */
export function straight([ax, ay]: Point, [bx, by]: Point): Cubic {
  return [ax + (bx - ax) / 3, ay + (by - ay) / 3, bx + (ax - bx) / 3, by + (ay - by) / 3, bx, by];
}

/** A closed contour with straight sides. */
export function polygonContour(corners: readonly Point[]): Contour {
  const start = corners[0]!;
  return { start, cubics: corners.map((corner, i) => straight(corner, corners[(i + 1) % corners.length]!)) };
}

/**
 * Cubics of the elliptic arc around (cx, cy) from angle `from` through `sweep` (radians,
 * clockwise as y is down), in pieces of at most 45°. A whole circle of 8 pieces has an
 * area error of 4e-6. Snapped to 1/4096 unless another map follows.
 */
export function arcCubics(
  cx: number,
  cy: number,
  rx: number,
  ry: number,
  from: number,
  sweep: number,
  snapped = true,
): Cubic[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(sweep) / (Math.PI / 4) - 1e-9));
  const step = sweep / pieces;
  const k = (4 / 3) * Math.tan(step / 4);
  const round = snapped ? snap : (v: number) => v;
  return Array.from({ length: pieces }, (_, i) => {
    const a = from + i * step;
    const b = a + step;
    const [ca, sa, cb, sb] = [Math.cos(a), Math.sin(a), Math.cos(b), Math.sin(b)];
    return [
      round(cx + rx * (ca - k * sa)),
      round(cy + ry * (sa + k * ca)),
      round(cx + rx * (cb + k * sb)),
      round(cy + ry * (sb - k * cb)),
      round(cx + rx * cb),
      round(cy + ry * sb),
    ];
  });
}

/** The point of the ellipse around the origin at an angle (radians, clockwise from the right). */
export const onEllipse = (angle: number, rx: number, ry: number): Point => [rx * Math.cos(angle), ry * Math.sin(angle)];

/** The whole ellipse around the origin with half axes rx and ry, clockwise from its right end. */
export function ellipseContour(rx: number, ry: number): Contour {
  return { start: [snap(rx), 0], cubics: arcCubics(0, 0, rx, ry, 0, 2 * Math.PI) };
}

/** Turns by `degrees` clockwise about the origin, then moves to (x, y). */
export function turnThenMove(degrees: number, x: number, y: number): Affine {
  const radians = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return [cos, sin, -sin, cos, x, y];
}

/** The outline with every point mapped, snapped to 1/4096. */
export function mapOutline(outline: Outline, [a, b, c, d, e, f]: Affine): Outline {
  const px = (x: number, y: number) => snap(a * x + c * y + e);
  const py = (x: number, y: number) => snap(b * x + d * y + f);
  return outline.map(({ start, cubics }) => ({
    start: [px(start[0], start[1]), py(start[0], start[1])],
    cubics: cubics.map(([x1, y1, x2, y2, x, y]) => [
      px(x1, y1),
      py(x1, y1),
      px(x2, y2),
      py(x2, y2),
      px(x, y),
      py(x, y),
    ]),
  }));
}

/** The contour run the other way round: what was filled becomes a hole among contours that fill. */
export function reversed({ start, cubics }: Contour): Contour {
  const ends: Point[] = [start, ...cubics.map(([, , , , x, y]): Point => [x, y])];
  return {
    start: ends[ends.length - 1]!,
    cubics: cubics.map(([c1x, c1y, c2x, c2y], i): Cubic => [c2x, c2y, c1x, c1y, ends[i]![0], ends[i]![1]]).reverse(),
  };
}

/** Scaled about the origin, then moved. */
export const scaleThenMove = (sx: number, sy: number, x = 0, y = 0): Affine => [sx, 0, 0, sy, x, y];
