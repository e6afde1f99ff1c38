/**
 * A small ray marcher: one camera, one soft key light, sky and bounce light, soft
 * shadows, ambient occlusion and mirror-like glaze. Output is linear light.
 */
import { fractal, noise } from './random';
import type { Ground } from './ground';
import type { Thing } from './pots';
import { add, clamp, cross, dot, mix, multiply, normal, scale, smooth, type Vec3 } from './vector';

export type Scene = {
  readonly things: readonly Thing[];
  readonly ground: Ground;
  readonly camera: {
    readonly target: Vec3;
    readonly distance: number;
    /** Radians: around the subject, and down onto it. */
    readonly yaw: number;
    readonly pitch: number;
    readonly roll: number;
    /** Half the vertical field of view as a tangent. */
    readonly zoom: number;
    /** Where the target lies in the picture, in half heights from its middle. */
    readonly shift: readonly [number, number];
  };
  readonly light: {
    readonly towards: Vec3;
    readonly colour: Vec3;
    readonly fill: Vec3;
    readonly window: boolean;
    readonly sharp: number;
  };
};

/** Linear RGB, row by row, and the first thing's box in pixels ([left, top, right, bottom], right and bottom outside). */
export type Traced = { readonly pixels: Float32Array; readonly subject: readonly [number, number, number, number] };

const FAR = 14;
const NOTHING: Vec3 = [0, 0, 0];

function nearest(things: readonly Thing[], p: Vec3): readonly [number, Thing | null] {
  let best = Infinity;
  let which: Thing | null = null;
  for (const thing of things) {
    const away = Math.hypot(p[0] - thing.centre[0], p[1] - thing.centre[1], p[2] - thing.centre[2]) - thing.radius;
    const d = away > 0.15 ? away : thing.distance(p[0], p[1], p[2]);
    if (d < best) {
      best = d;
      which = thing;
    }
  }
  return [best, which];
}

/** Where the ray enters and leaves the spheres around the things, or null. */
function span(things: readonly Thing[], from: Vec3, along: Vec3): readonly [number, number] | null {
  let near = Infinity;
  let far = -Infinity;
  for (const { centre, radius } of things) {
    const o: Vec3 = [from[0] - centre[0], from[1] - centre[1], from[2] - centre[2]];
    const b = dot(o, along);
    const under = b * b - dot(o, o) + radius * radius;
    if (under <= 0) continue;
    const root = Math.sqrt(under);
    if (-b + root < 0) continue;
    near = Math.min(near, Math.max(-b - root, 0));
    far = Math.max(far, -b + root);
  }
  return near < far ? [near, far] : null;
}

function march(things: readonly Thing[], from: Vec3, along: Vec3, limit: number): readonly [number, Thing] | null {
  const range = span(things, from, along);
  if (!range) return null;
  const end = Math.min(range[1], limit);
  for (let t = range[0], i = 0; t < end && i < 140; i++) {
    const [d, thing] = nearest(things, add(from, scale(along, t)));
    if (d < 0.0006 * (1 + t * 0.2)) return [t, thing!];
    t += d * 0.9;
  }
  return null;
}

/** Share of the key light that arrives, with a penumbra that widens with distance. */
function lit(scene: Scene, p: Vec3): number {
  const { towards, sharp } = scene.light;
  const range = span(scene.things, p, towards);
  if (!range) return 1;
  let share = 1;
  for (let t = Math.max(range[0], 0.02), i = 0; t < range[1] && i < 48; i++) {
    const [d] = nearest(scene.things, add(p, scale(towards, t)));
    share = Math.min(share, 0.5 + (0.5 * d * sharp) / t);
    if (share <= 0) return 0;
    t += clamp(Math.abs(d), 0.02, 0.25);
  }
  return share * share * (3 - 2 * share);
}

function openness(scene: Scene, p: Vec3, n: Vec3): number {
  let closed = 0;
  let weight = 1;
  for (let i = 1; i <= 5; i++) {
    const step = 0.03 * i * i * 0.7;
    const q = add(p, scale(n, step));
    const d = Math.min(nearest(scene.things, q)[0], scene.ground.standing ? q[1] : Infinity);
    closed += weight * Math.max(step - d, 0);
    weight *= 0.62;
  }
  return clamp(1 - 1.5 * closed, 0.06, 1);
}

/** The studio as a mirror would see it. */
function surroundings(scene: Scene, along: Vec3): Vec3 {
  const { towards, colour, fill, window } = scene.light;
  const sky = scale(fill, 0.35 + 0.5 * clamp(along[1] * 0.5 + 0.5));
  const facing = dot(along, towards);
  const right = normal(cross([0, 1, 0], towards));
  const up = cross(towards, right);
  let out = along[1] < 0 ? scale(scene.ground.table(along[0] * 2, along[2] * 2, 3), 0.5) : sky;
  if (facing > 0) {
    const a = Math.abs(dot(along, right)) / facing;
    const b = Math.abs(dot(along, up)) / facing;
    let box = (1 - smooth(0.3, 0.34, a)) * (1 - smooth(0.42, 0.46, b));
    if (window) box *= smooth(0.015, 0.025, a) * smooth(0.015, 0.025, Math.abs(b - 0.12));
    out = add(out, scale(colour, 4.5 * box));
  }
  const strip = dot(along, normal([-towards[0], 0.35, towards[2] * 0.6]));
  return add(out, scale(fill, 1.1 * smooth(0.955, 0.975, strip)));
}

function normalAt(thing: Thing, p: Vec3): Vec3 {
  const e = 0.0016;
  const [x, y, z] = p;
  const a = thing.distance(x + e, y - e, z - e);
  const b = thing.distance(x - e, y - e, z + e);
  const c = thing.distance(x - e, y + e, z - e);
  const d = thing.distance(x + e, y + e, z + e);
  return normal([a - b - c + d, -a - b + c + d, -a + b - c + d]);
}

function shadeThing(scene: Scene, thing: Thing, p: Vec3, along: Vec3): Vec3 {
  const { towards, colour, fill } = scene.light;
  const surface = thing.surface(p[0], p[1], p[2]);
  let n = normalAt(thing, p);
  const rough = surface.bump;
  n = normal([
    n[0] + rough * (fractal(p[0] * 22, p[1] * 60, p[2] * 22, 2) - 0.5) * 3,
    n[1] + rough * (fractal(p[0] * 9 + 7, p[1] * 70, p[2] * 9, 2) - 0.5) * 4,
    n[2] + rough * (fractal(p[0] * 22, p[1] * 60 + 5, p[2] * 22, 2) - 0.5) * 3,
  ]);
  const off = add(p, scale(n, 0.004));
  const shadow = lit(scene, off);
  const open = openness(scene, p, n);
  const soft = surface.soft ?? 0;
  const facing = dot(n, towards);
  const direct = clamp((facing + 0.3 * soft) / (1 + 0.3 * soft)) * shadow;
  let key = scale(colour, direct);
  if (soft > 0) {
    // Light that wanders under the skin leaves it redder at the terminator.
    const glow = soft * Math.exp(-((facing - 0.05) ** 2) * 14) * 0.1 * shadow;
    key = add(key, [glow, glow * 0.3, glow * 0.16]);
  }
  const bounce = scale(scene.ground.table(p[0], p[2], 2), 0.5 * clamp(0.5 - 0.5 * n[1]));
  const ambient = add(scale(fill, (0.5 + 0.5 * n[1]) * 0.5 + 0.14), bounce);
  let out = multiply(surface.colour, add(key, scale(ambient, open)));
  const mirrored = add(along, scale(n, -2 * dot(along, n)));
  const fresnel = 0.04 + 0.6 * (1 - clamp(-dot(along, n))) ** 5;
  const mirror = surface.gloss > 0.25;
  const seen =
    mirror && march(scene.things, add(p, scale(n, 0.01)), mirrored, 3)
      ? scale(fill, 0.1)
      : surroundings(scene, mirrored);
  out = add(out, scale(seen, surface.gloss * fresnel * (0.25 + 0.75 * open)));
  const half = normal(add(towards, scale(along, -1)));
  return add(out, scale(colour, 0.16 * surface.gloss * shadow * clamp(dot(n, half)) ** (20 + 160 * surface.gloss)));
}

function shadeGround(scene: Scene, p: Vec3, wall: Vec3): Vec3 {
  const { towards, colour, fill } = scene.light;
  const away = Math.hypot(p[0], p[2]);
  const blur = Math.max(Math.abs(p[2]) - 0.8, 0) * 0.6;
  const base = scene.ground.table(p[0], p[2], blur);
  const close = away < 7;
  const direct = towards[1] * (close ? lit(scene, [p[0], 0.006, p[2]]) : 1);
  const open = close ? openness(scene, p, [0, 1, 0]) : 1;
  const light = add(scale(colour, direct), scale(fill, 0.62 * open));
  const shaded = multiply(base, light);
  // A sweep curves up into its wall; a table ends in blur.
  const fade = scene.ground.plain ? smooth(-1.6, -5.5, p[2]) : smooth(-3.2, -4.2, p[2]);
  return fade > 0 ? mix(shaded, wall, fade) : shaded;
}

/** Renders the scene at `width` × `height`, one ray a pixel. */
export function trace(scene: Scene, width: number, height: number): Traced {
  const { camera, light } = scene;
  const back: Vec3 = [
    Math.sin(camera.yaw) * Math.cos(camera.pitch),
    Math.sin(camera.pitch),
    Math.cos(camera.yaw) * Math.cos(camera.pitch),
  ];
  const eye = add(camera.target, scale(back, camera.distance));
  const right0 = normal(cross([0, 1, 0], back));
  const up0 = cross(back, right0);
  const right = add(scale(right0, Math.cos(camera.roll)), scale(up0, Math.sin(camera.roll)));
  const up = add(scale(up0, Math.cos(camera.roll)), scale(right0, -Math.sin(camera.roll)));
  const wallLight = add(scale(light.colour, 0.55), scale(light.fill, 0.6));
  const pixels = new Float32Array(width * height * 3);
  let [left, top, end, bottom] = [width, height, 0, 0];
  for (let row = 0; row < height; row++) {
    for (let column = 0; column < width; column++) {
      const u = ((2 * (column + 0.5)) / height - width / height - camera.shift[0]) * camera.zoom;
      const v = (1 - (2 * (row + 0.5)) / height - camera.shift[1]) * camera.zoom;
      const along = normal(add(add(scale(right, u), scale(up, v)), scale(back, -1)));
      const toGround = scene.ground.standing && along[1] < 0 ? -eye[1] / along[1] : Infinity;
      const found = march(scene.things, eye, along, Math.min(toGround, FAR + 6));
      let colour = NOTHING;
      if (found) {
        colour = shadeThing(scene, found[1], add(eye, scale(along, found[0])), along);
        if (found[1] === scene.things[0]) {
          left = Math.min(left, column);
          end = Math.max(end, column + 1);
          top = Math.min(top, row);
          bottom = row + 1;
        }
      } else {
        const wall = multiply(scene.ground.wall(Math.atan2(along[0], -along[2]), Math.asin(along[1])), wallLight);
        const p = add(eye, scale(along, toGround));
        colour = toGround < FAR + 8 && p[2] > -6 ? shadeGround(scene, [p[0], 0, p[2]], wall) : wall;
      }
      const k = (row * width + column) * 3;
      pixels[k] = colour[0];
      pixels[k + 1] = colour[1];
      pixels[k + 2] = colour[2];
    }
  }
  return { pixels, subject: [left, top, end, bottom] };
}

/** Film-like curve, vignette and sRGB encoding to 8 bits, dithered so that no bands show. */
export function develop(traced: Traced, width: number, height: number, exposure: number): Buffer {
  const out = Buffer.alloc(width * height * 3);
  for (let row = 0; row < height; row++)
    for (let column = 0; column < width; column++) {
      const du = column / width - 0.5;
      const dv = row / height - 0.5;
      const shade = exposure * (1 - 0.45 * (du * du + dv * dv));
      const at = (row * width + column) * 3;
      const grey = 0.2126 * traced.pixels[at]! + 0.7152 * traced.pixels[at + 1]! + 0.0722 * traced.pixels[at + 2]!;
      for (let c = 0; c < 3; c++) {
        const k = at + c;
        const v = (traced.pixels[k]! * 0.86 + grey * 0.14) * shade;
        const film = clamp((v * (2.51 * v + 0.03)) / (v * (2.43 * v + 0.59) + 0.14));
        const coded = film <= 0.0031308 ? film * 12.92 : 1.055 * film ** (1 / 2.4) - 0.055;
        out[k] = clamp(Math.round(coded * 255 + noise(column * 1.7, row * 1.7, c * 5 + 0.5) - 0.5), 0, 255);
      }
    }
  return out;
}
