import { countParam, defineShape, shareParam } from '../definition';
import { mapOutline, onEllipse, scaleThenMove, snap } from '../path';
import { pen } from '../pen';

/** Large enough that rounding to 1/4096 does not show once the unit shape is scaled to its box. */
const UNIT = 1024;

/** How far out the notches lie, as a share of the radius: lobes that touch have theirs at cos(π/n) / (1 + sin(π/n)). */
function notchOf(lobes: number, depth: number): number {
  const half = Math.PI / lobes;
  return Math.max(1 - depth, Math.cos(half) / (1 + Math.sin(half)));
}

/**
 * Scalloped seal: `lobes` arcs around the rim that meet in notches, `depth` of the radius deep,
 * or as deep as lobes can be that only touch: there they turn back at the line between them.
 */
export const seal = defineShape({
  kind: 'seal',
  label: 'Scalloped seal',
  also: ['badge', 'rosette', 'stamp', 'scallop'],
  regular: true,
  params: { lobes: countParam(4, 60, 16), depth: shareParam(0.01, 0.5, 0.08) },
  controls: { lobes: { label: 'Lobes', as: 'count' }, depth: { label: 'Depth', as: 'share' } },
  handles: {
    lobes: ({ lobes, depth }, { width: w, height: h }) => {
      const notch = notchOf(lobes, depth);
      return onEllipse(Math.PI / lobes - Math.PI / 2, (notch * w) / 2, (notch * h) / 2);
    },
    depth: ({ lobes, depth }, { width: w, height: h }) => {
      const notch = notchOf(lobes, depth);
      return onEllipse(-Math.PI / lobes - Math.PI / 2, (notch * w) / 2, (notch * h) / 2);
    },
  },
  outline: ({ lobes, depth }, { width, height }) => {
    const half = Math.PI / lobes;
    const notch = notchOf(lobes, depth);
    // The arc through two notches and the rim halfway between them: half chord c, rise s.
    const c = notch * Math.sin(half);
    const s = 1 - notch * Math.cos(half);
    const radius = (c * c + s * s) / (2 * s);
    const centre = 1 - radius;
    const reach = Math.atan2(c, notch * Math.cos(half) - centre);
    const at = (angle: number, r: number) => [UNIT * r * Math.cos(angle), UNIT * r * Math.sin(angle)] as const;
    const begin = -Math.PI / 2 - half;
    const drawn = pen(snap(at(begin, notch)[0]), snap(at(begin, notch)[1]));
    for (let i = 0; i < lobes; i++) {
      const middle = -Math.PI / 2 + 2 * half * i;
      const [cx, cy] = at(middle, centre);
      drawn.arc(cx, cy, UNIT * radius, UNIT * radius, middle - reach, 2 * reach);
    }
    return mapOutline([drawn.close()], scaleThenMove(width / 2 / UNIT, height / 2 / UNIT));
  },
});
