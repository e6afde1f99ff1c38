/** The guild's products: turned and built forms as distance fields with a glazed surface. */
import { glazeOf, type Glaze, type GlazeName, type Surface } from './glaze';
import { between, fractal, type Random } from './random';
import { revolve, type ProfilePoint, type Revolved } from './revolve';
import { linear, mix, smooth, smoothMin, type Vec3 } from './vector';

/** A thing in a scene; lengths in units of about 10 cm, y up, standing on y = 0. */
export type Thing = {
  readonly distance: (x: number, y: number, z: number) => number;
  /** The same without its handle, where it has one. */
  readonly body?: (x: number, y: number, z: number) => number;
  readonly surface: (x: number, y: number, z: number) => Surface;
  /** A sphere around all of it. */
  readonly centre: Vec3;
  readonly radius: number;
  /** Half the width and the height of its body, for framing. */
  readonly extent: readonly [halfWidth: number, height: number];
};

export const POT_KINDS = ['mug', 'bowl', 'vase', 'jug', 'plate', 'tile'] as const;
export type PotKind = (typeof POT_KINDS)[number];

type Handle = {
  readonly x: number;
  readonly y: number;
  readonly across: number;
  readonly up: number;
  readonly tube: number;
};

function handleDistance(h: Handle, x: number, y: number, z: number): number {
  const u = (x - h.x) / h.across;
  const v = (y - h.y) / h.up;
  const ringAway = (Math.sqrt(u * u + v * v) - 1) * Math.min(h.across, h.up);
  return (Math.hypot(ringAway, z * 0.6) - h.tube) * 0.8;
}

type Turned = {
  readonly form: Revolved;
  readonly glaze: Glaze;
  readonly turn: number;
  readonly wall: number;
  readonly handle?: Handle;
  readonly spout?: number;
};

function turnedThing({ form, glaze, turn, wall, handle, spout = 0 }: Turned): Thing {
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  const { height, maxRadius } = form;
  const body = (x: number, y: number, z: number) => {
    let radius = Math.hypot(x, z);
    if (spout > 0 && y > height * 0.6) {
      const away = Math.atan2(z, -x);
      radius -= spout * smooth(height * 0.66, height, y) * Math.exp(-away * away * 9);
    }
    return form.distance(radius, y) * (spout > 0 ? 0.75 : 0.95);
  };
  const upright = (wx: number, wz: number) => [wx * cos + wz * sin, -wx * sin + wz * cos] as const;
  const distance = (wx: number, y: number, wz: number) => {
    const [x, z] = upright(wx, wz);
    const d = body(x, y, z);
    if (!handle) return d;
    const grip = Math.max(handleDistance(handle, x, y, z), handle.x - 0.015 - Math.hypot(x, z));
    return smoothMin(d, grip, 0.05);
  };
  const surface = (wx: number, y: number, wz: number): Surface => {
    const [x, z] = upright(wx, wz);
    const radius = Math.hypot(x, z);
    // Inside the wall the distance keeps falling when one steps outwards.
    const inside =
      radius < maxRadius && y > wall && form.distance(radius + 0.02, y) < form.distance(Math.max(radius - 0.02, 0), y);
    return glaze(y / height, Math.atan2(z, x), x, y, z, inside);
  };
  const reach = Math.max(maxRadius + (handle ? handle.across + handle.tube : 0) + spout, height / 2);
  return {
    distance,
    ...(handle && { body: (wx: number, y: number, wz: number) => body(upright(wx, wz)[0], y, upright(wx, wz)[1]) }),
    surface,
    centre: [0, height / 2, 0],
    radius: Math.hypot(reach, height / 2) + 0.02,
    extent: [maxRadius, height],
  };
}

function vessel(outer: readonly ProfilePoint[], wall: number, floor: number): ProfilePoint[] {
  const inner = outer
    .slice(2)
    .reverse()
    .map(([r, y]): ProfilePoint => [Math.max(r - wall, 0.02), Math.max(y, floor)])
    .filter((p, i) => i === 0 || p[1] > floor);
  const rim = outer[outer.length - 1]!;
  return [
    ...outer,
    [rim[0] - wall * 0.5, rim[1] + wall * 0.35],
    ...inner,
    [inner[inner.length - 1]![0] * 0.7, floor],
    [0, floor],
  ];
}

function mug(random: Random, glaze: Glaze): Thing {
  const h = between(random, 0.88, 1.15);
  const r = between(random, 0.4, 0.5);
  const belly = between(random, -0.03, 0.08);
  const flare = between(random, -0.04, 0.06);
  const outer: ProfilePoint[] = [
    [0, 0],
    [r * 0.82, 0],
    [r * 0.93 + belly * 0.3, h * 0.06],
    [r + belly, h * 0.35],
    [r + belly * 0.6, h * 0.65],
    [r + flare, h],
  ];
  const handle = {
    x: r * 0.98,
    y: h * between(random, 0.5, 0.58),
    across: between(random, 0.2, 0.28),
    up: h * between(random, 0.26, 0.32),
    tube: 0.05,
  };
  return turnedThing({
    form: revolve(vessel(outer, 0.045, 0.06)),
    glaze,
    turn: between(random, -0.7, 0.5),
    wall: 0.06,
    handle,
  });
}

function bowl(random: Random, glaze: Glaze): Thing {
  const r = between(random, 0.75, 1.05);
  const h = r * between(random, 0.45, 0.72);
  const foot = r * between(random, 0.32, 0.45);
  const outer: ProfilePoint[] = [
    [0, 0],
    [foot, 0],
    [foot * 1.02, h * 0.1],
    [r * 0.72, h * 0.3],
    [r * 0.93, h * 0.62],
    [r, h],
  ];
  return turnedThing({ form: revolve(vessel(outer, 0.05, 0.09)), glaze, turn: random() * 6, wall: 0.1 });
}

function vase(random: Random, glaze: Glaze): Thing {
  const h = between(random, 1.4, 2.1);
  const r = between(random, 0.42, 0.68);
  const neck = between(random, 0.14, 0.26);
  const at = between(random, 0.32, 0.52);
  const outer: ProfilePoint[] = [
    [0, 0],
    [r * 0.55, 0],
    [r * 0.68, h * 0.06],
    [r, h * at],
    [r * 0.82, h * (at + 0.17)],
    [neck, h * 0.82],
    [neck * 0.95, h * 0.9],
    [neck * between(random, 1.2, 1.7), h],
  ];
  return turnedThing({ form: revolve(vessel(outer, 0.04, 0.08)), glaze, turn: random() * 6, wall: 0.1 });
}

function jug(random: Random, glaze: Glaze): Thing {
  const h = between(random, 1.25, 1.7);
  const r = between(random, 0.46, 0.6);
  const neck = r * between(random, 0.55, 0.7);
  const outer: ProfilePoint[] = [
    [0, 0],
    [r * 0.7, 0],
    [r * 0.85, h * 0.07],
    [r, h * 0.34],
    [r * 0.85, h * 0.58],
    [neck, h * 0.78],
    [neck * 1.02, h * 0.88],
    [neck * 1.2, h],
  ];
  const handle = { x: neck * 0.96, y: h * 0.66, across: between(random, 0.3, 0.4), up: h * 0.24, tube: 0.055 };
  return turnedThing({
    form: revolve(vessel(outer, 0.045, 0.08)),
    glaze,
    turn: between(random, -0.5, 0.5),
    wall: 0.1,
    handle,
    spout: between(random, 0.1, 0.18),
  });
}

function plate(random: Random, glaze: Glaze): Thing {
  const r = between(random, 0.95, 1.25);
  const h = between(random, 0.12, 0.2);
  const profile: ProfilePoint[] = [
    [0, 0],
    [r * 0.5, 0],
    [r * 0.58, h * 0.2],
    [r * 0.85, h * 0.6],
    [r, h],
    [r * 0.985, h + 0.02],
    [r * 0.82, h * 0.75 + 0.02],
    [r * 0.62, h * 0.42],
    [r * 0.5, h * 0.36],
    [0, h * 0.34],
  ];
  const flat: Glaze = (height, angle, x, y, z) =>
    glaze(0.2 + 0.78 * (Math.hypot(x, z) / r), angle, x, y, z, height < 0);
  return turnedThing({ form: revolve(profile), glaze: flat, turn: random() * 6, wall: 9 });
}

function tile(random: Random, glaze: Glaze): Thing {
  const half = between(random, 0.72, 0.85);
  const deep = 0.09;
  const tilt = between(random, 0.12, 0.25);
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  const petals = Math.floor(between(random, 4, 9));
  const accent = linear(random() < 0.5 ? '#ece6d8' : '#1f3550');
  // The tile leans back on a hidden easel: turn the point upright first.
  const upright = (y: number, z: number) => [y * cos - z * sin, y * sin + z * cos] as const;
  const motif = (x: number, y: number) => {
    const radius = Math.hypot(x, y) / half;
    const angle = Math.atan2(y, x);
    const rosette = radius - 0.48 - 0.2 * Math.cos(angle * petals);
    const corner = Math.hypot(Math.abs(x) / half - 1, Math.abs(y) / half - 1) - 0.42;
    const line = Math.min(Math.abs(rosette), Math.abs(corner), Math.abs(radius - 0.22));
    return { line, filled: rosette < 0 || corner < 0 };
  };
  const distance = (x: number, wy: number, wz: number) => {
    const [y, z] = upright(wy, wz);
    const qx = Math.abs(x) - half + 0.04;
    const qy = Math.abs(y - half) - half + 0.04;
    const qz = Math.abs(z) - deep + 0.04;
    const box =
      Math.hypot(Math.max(qx, 0), Math.max(qy, 0), Math.max(qz, 0)) + Math.min(Math.max(qx, qy, qz), 0) - 0.04;
    const groove = z > 0 ? 0.014 * (1 - smooth(0.02, 0.05, motif(x, y - half).line)) : 0;
    return (box + groove) * 0.85;
  };
  const surface = (x: number, wy: number, wz: number): Surface => {
    const [y, z] = upright(wy, wz);
    const base = glaze(0.5, 1, x, y, z, true);
    const { line, filled } = motif(x, y - half);
    let colour = filled ? mix(base.colour, accent, 0.85) : base.colour;
    colour = mix(
      mix(colour, base.colour, 0.5),
      colour,
      smooth(0.01, 0.05, line) * (0.8 + 0.2 * fractal(x * 9, y * 9, 1, 3)),
    );
    return { ...base, colour };
  };
  return { distance, surface, centre: [0, half, 0], radius: half * 1.75, extent: [half, half * 2 * cos] };
}

const MAKERS: Record<PotKind, (random: Random, glaze: Glaze) => Thing> = { mug, bowl, vase, jug, plate, tile };

export function pot(kind: PotKind, glaze: GlazeName, random: Random): Thing {
  return MAKERS[kind](random, glazeOf(glaze, random));
}

/** The same thing standing at (x, z) on the ground. */
export function moved(thing: Thing, x: number, z: number): Thing {
  return {
    ...thing,
    distance: (px, py, pz) => thing.distance(px - x, py, pz - z),
    ...(thing.body && { body: (px: number, py: number, pz: number) => thing.body!(px - x, py, pz - z) }),
    surface: (px, py, pz) => thing.surface(px - x, py, pz - z),
    centre: [thing.centre[0] + x, thing.centre[1], thing.centre[2] + z],
  };
}
