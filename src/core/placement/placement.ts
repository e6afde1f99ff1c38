/** Where a photo sits behind the shape. */

/** Frame units; `x, y` is where the photo's centre lies. */
export type Placement = {
  /** Frame units per pixel of the upright photo. */
  readonly scale: number;
  /** Degrees clockwise about the photo's centre. */
  readonly angle: number;
  readonly x: number;
  readonly y: number;
  /** Left to right, before it is turned. */
  readonly mirror: boolean;
};

export type Size = { readonly width: number; readonly height: number };
export type Point = readonly [x: number, y: number];

/** Left, top, right, bottom in frame units. */
export type Bounds = readonly [left: number, top: number, right: number, bottom: number];

/** How far the photo is enlarged: output pixels per photo pixel (above 1 pixels are made up). */
export function enlargement(placement: Placement, pixelsPerFrameUnit: number): number {
  return placement.scale * pixelsPerFrameUnit;
}

/** Where (1, 0) comes to lie when it is turned clockwise, y down; quarter turns are exact. */
export function axesOf(degrees: number): Point {
  const radians = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return degrees % 90 === 0 ? [Math.round(cos), Math.round(sin)] : [cos, sin];
}

/** Turned clockwise about the origin, y down; quarter turns are exact. */
export function turned([x, y]: Point, degrees: number): Point {
  const [cos, sin] = axesOf(degrees);
  return [x * cos - y * sin, x * sin + y * cos];
}

/** Where a point of the photo (pixels from its left top corner) lies in the frame. */
export function inFrame({ scale, angle, x, y, mirror }: Placement, photo: Size, [px, py]: Point): Point {
  const across = (px - photo.width / 2) * (mirror ? -1 : 1);
  const [dx, dy] = turned([across * scale, (py - photo.height / 2) * scale], angle);
  return [x + dx, y + dy];
}

/** The photo's pixel that lies at a place of the frame. */
export function inPhoto({ scale, angle, x, y, mirror }: Placement, photo: Size, [fx, fy]: Point): Point {
  const [dx, dy] = turned([fx - x, fy - y], -angle);
  return [photo.width / 2 + (dx / scale) * (mirror ? -1 : 1), photo.height / 2 + dy / scale];
}
