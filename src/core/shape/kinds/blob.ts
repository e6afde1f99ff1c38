import { countParam, defineShape, shareParam } from '../definition';
import { boundsOfOutline } from '../bounds';
import { mapOutline, onEllipse, type Point, snap } from '../path';
import { smoothThrough } from '../ragged';
import { seededShares } from '../seeded';

const UNIT = 1024;

/** Cloud-like blob: a round line through `bumps` points drawn by lot from `seed`, calmer the smoother; fills its box. */
export const blob = defineShape({
  kind: 'blob',
  label: 'Blob',
  also: ['organic', 'pebble'],
  params: { seed: countParam(0, 9999, 7), bumps: countParam(3, 24, 9), smoothness: shareParam(0, 1, 0.35) },
  controls: {
    seed: { label: 'Seed', as: 'count' },
    bumps: { label: 'Bumps', as: 'count' },
    smoothness: { label: 'Smoothness', as: 'share' },
  },
  handles: {
    seed: ({ seed }, { width: w, height: h }) => [(seed / 9999 - 0.5) * w, h / 2],
    bumps: ({ bumps }, { width: w, height: h }) => onEllipse((2 * Math.PI) / bumps, w / 2, h / 2),
    smoothness: ({ smoothness }, { height: h }) => [0, (-smoothness * h) / 2],
  },
  outline: ({ seed, bumps, smoothness }, { width, height }) => {
    const lots = seededShares(seed, 2 * bumps);
    const points = Array.from({ length: bumps }, (_, i): Point => {
      const angle = (2 * Math.PI * (i + 0.5 * (lots[i]! - 0.5) * (1 - smoothness))) / bumps;
      const out = UNIT * (1 - 0.6 * (1 - smoothness) * lots[bumps + i]!);
      return [snap(out * Math.cos(angle)), snap(out * Math.sin(angle))];
    });
    const raw = [smoothThrough(points)];
    const [left, top, right, bottom] = boundsOfOutline(raw);
    const [sx, sy] = [width / (right - left), height / (bottom - top)];
    return mapOutline(raw, [sx, 0, 0, sy, -((left + right) / 2) * sx, -((top + bottom) / 2) * sy]);
  },
});
