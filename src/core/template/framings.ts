/** Framings of our own: bands with depth and texture that go on any shape. Lengths for a frame whose shorter side is 1080 units. */
import type { z } from 'zod';
import type { framingDocument } from './framing';

export type ReadyFraming = {
  readonly id: string;
  readonly name: string;
  readonly fields: z.input<typeof framingDocument>;
};

/** A texture that runs along its band. */
const along = { kind: 'texture', lies: 'along' } as const;
const flat = { kind: 'texture', lies: 'flat' } as const;

export const READY_FRAMINGS: readonly ReadyFraming[] = [
  {
    id: 'thin-moulding',
    name: 'Thin moulding',
    fields: {
      borders: [
        {
          width: 30,
          paint: { ...along, of: { kind: 'brushed', contrast: 0.5, streaks: 0.3 }, size: 10, stops: [[0, '#8a6a34'], [1, '#d8b673']] }, // prettier-ignore
          relief: {
            profile: 'drawn',
            curve: [
              [0, 0.1],
              [0.2, 0.85],
              [0.42, 0.6],
              [0.72, 1],
              [1, 0.1],
            ],
            depth: 15,
            softness: 3,
            shine: 30,
            highlight: '#fff3d6',
            shade: '#2a1a06',
          },
          shadow: { distance: 6, blur: 16, opacity: 0.5 },
        },
      ],
    },
  },
  {
    id: 'passe-partout',
    name: 'Passe-partout',
    fields: {
      borders: [
        {
          width: 78,
          gap: 20,
          paint: {
            ...flat,
            of: { kind: 'paper', contrast: 0.5 },
            size: 9,
            stops: [
              [0, '#efe9dd'],
              [1, '#fbf8f1'],
            ],
          },
          shadow: { distance: 4, blur: 12, opacity: 0.45 },
        },
        { width: 5, gap: 98, paint: '#fffdf8', relief: { profile: 'chamfer', chamfer: 0.5, depth: -4, softness: 1, shadeStrength: 0.5 } }, // prettier-ignore
        {
          width: 20,
          paint: { ...along, of: { kind: 'wood', contrast: 0.6, waves: 0.3 }, size: 5, stops: [[0, '#1e1712'], [1, '#4a382a']] }, // prettier-ignore
          relief: { profile: 'round', depth: 9, softness: 2, shine: 30, highlightStrength: 0.5 },
          shadow: { distance: 7, blur: 20, opacity: 0.5 },
        },
      ],
    },
  },
  {
    id: 'deckled-paper',
    name: 'Deckled paper',
    fields: {
      borders: [
        {
          width: 72,
          paint: {
            ...flat,
            of: { kind: 'paper', contrast: 0.8 },
            size: 12,
            stops: [
              [0, '#e6dcc8'],
              [1, '#f8f2e4'],
            ],
          },
          rough: { rim: 'outer', kind: 'deckled', amount: 7, size: 70, seed: 4 },
          relief: { profile: 'chamfer', chamfer: 0.06, depth: 3, softness: 3, grain: 2.2, shine: 4, highlightStrength: 0.25, shadeStrength: 0.5 }, // prettier-ignore
          shadow: { distance: 3, blur: 8, opacity: 0.4 },
        },
      ],
      shadows: [{ y: 5, blur: 14, opacity: 0.3 }],
    },
  },
  {
    id: 'glazed-rim',
    name: 'Glazed rim',
    fields: {
      borders: [
        {
          width: 46,
          paint: {
            kind: 'linear',
            angle: 160,
            stops: [
              [0, '#2e8a83'],
              [1, '#0f4a4f'],
            ],
          },
          relief: { profile: 'round', depth: 20, softness: 2, shine: 60, highlightStrength: 0.95, shadeStrength: 0.55 },
          shadow: { distance: 8, blur: 22, opacity: 0.5 },
        },
      ],
    },
  },
  {
    id: 'rope',
    name: 'Rope',
    fields: {
      borders: [
        {
          width: 40,
          paint: { ...along, of: { kind: 'stripes', share: 0.62, soft: 1 }, size: 34, angle: 52, stops: [[0, '#6b4a26'], [0.35, '#b98f57'], [1, '#e2c594']] }, // prettier-ignore
          relief: { profile: 'round', depth: 17, softness: 3, grain: 9, shine: 8, highlightStrength: 0.35, shadeStrength: 0.75, shade: '#2b1804' }, // prettier-ignore
          shadow: { distance: 7, blur: 16, opacity: 0.5 },
        },
      ],
    },
  },
  {
    id: 'scalloped-card',
    name: 'Scalloped',
    fields: {
      borders: [
        {
          width: 76,
          paint: {
            ...flat,
            of: { kind: 'paper', contrast: 0.4 },
            size: 10,
            stops: [
              [0, '#f3d9cf'],
              [1, '#fbeae2'],
            ],
          },
          rough: { rim: 'outer', kind: 'scallops', amount: 9, size: 58, seed: 1 },
          relief: { profile: 'chamfer', chamfer: 0.05, depth: 3, softness: 2, grain: 1, shine: 6, highlightStrength: 0.4, shadeStrength: 0.4 }, // prettier-ignore
          shadow: { distance: 4, blur: 10, opacity: 0.35 },
        },
        { width: 4, gap: 40, paint: '#c9765a', dash: [0, 14], dashCap: 'round' },
      ],
      shadows: [{ y: 6, blur: 18, opacity: 0.28 }],
    },
  },
  {
    id: 'hammered-metal',
    name: 'Hammered',
    fields: {
      borders: [
        {
          width: 64,
          paint: {
            ...flat,
            of: { kind: 'hammered', contrast: 0.35 },
            size: 24,
            stops: [
              [0, '#8c6a4a'],
              [1, '#c89a6c'],
            ],
          },
          relief: { profile: 'round', depth: 13, softness: 4, grain: 30, shine: 26, highlight: '#ffe9cf', highlightStrength: 0.8, shade: '#2c1608', shadeStrength: 0.8 }, // prettier-ignore
          shadow: { distance: 7, blur: 18, opacity: 0.5 },
        },
      ],
    },
  },
  {
    id: 'torn-poster',
    name: 'Torn poster',
    fields: {
      edge: { rough: { kind: 'torn', amount: 12, size: 150, seed: 8 } },
      borders: [
        {
          width: 22,
          align: 'inside',
          paint: {
            ...flat,
            of: { kind: 'paper', contrast: 1 },
            size: 8,
            stops: [
              [0, '#dcd6cc'],
              [1, '#faf8f4'],
            ],
          },
          rough: { rim: 'inner', kind: 'torn', amount: 9, size: 90, seed: 21 },
          relief: { profile: 'chamfer', chamfer: 0.2, depth: 2, softness: 3, grain: 2, shine: 3, highlightStrength: 0.2, shadeStrength: 0.5 }, // prettier-ignore
        },
      ],
      shadows: [{ x: 3, y: 8, blur: 20, opacity: 0.4 }],
    },
  },
  {
    id: 'oak',
    name: 'Oak',
    fields: {
      borders: [
        {
          width: 84,
          paint: { ...along, of: { kind: 'wood', contrast: 0.7, waves: 0.25 }, size: 13, stops: [[0, '#7a5230'], [1, '#c99a63']] }, // prettier-ignore
          relief: {
            profile: 'drawn',
            curve: [
              [0, 0.2],
              [0.08, 0.8],
              [0.16, 0.9],
              [0.22, 0.7],
              [0.6, 1],
              [0.9, 0.75],
              [1, 0.1],
            ],
            depth: 20,
            softness: 4,
            grain: 0.4,
            shine: 14,
            highlightStrength: 0.45,
            shade: '#1e0f03',
          },
          shadow: { distance: 9, blur: 24, opacity: 0.55 },
        },
      ],
    },
  },
  {
    id: 'brushed-steel',
    name: 'Brushed steel',
    fields: {
      borders: [
        {
          width: 52,
          paint: { ...along, of: { kind: 'brushed', contrast: 0.7, streaks: 0.85 }, size: 18, stops: [[0, '#7f878c'], [1, '#d4d9dc']] }, // prettier-ignore
          relief: { profile: 'chamfer', chamfer: 0.18, depth: 8, softness: 1.5, shine: 40, highlightStrength: 0.75, shadeStrength: 0.6 }, // prettier-ignore
          shadow: { distance: 7, blur: 18, opacity: 0.5 },
        },
      ],
    },
  },
  {
    id: 'marble',
    name: 'Marble',
    fields: {
      borders: [
        {
          width: 70,
          paint: { ...flat, of: { kind: 'marble', contrast: 0.8, veins: 0.75 }, size: 110, seed: 5, stops: [[0, '#6f7780'], [0.4, '#d9dbdc'], [1, '#f6f5f2']] }, // prettier-ignore
          relief: { profile: 'chamfer', chamfer: 0.14, depth: 8, softness: 2, shine: 50, highlightStrength: 0.7, shadeStrength: 0.5 }, // prettier-ignore
          shadow: { distance: 7, blur: 20, opacity: 0.45 },
        },
        { width: 4, gap: 70, paint: '#b99a5b', relief: { depth: 2, softness: 0.5 } },
      ],
    },
  },
  {
    id: 'fanned-lines',
    name: 'Fanned lines',
    fields: {
      borders: [
        {
          width: 9,
          gap: 4,
          paint: '#f6efe2',
          relief: { depth: 3, softness: 1, highlightStrength: 0.3, shadeStrength: 0.45 },
          shadow: { distance: 4, blur: 8, opacity: 0.4 },
          echo: { count: 6, scale: 0.965, angle: 4, keeps: 0.93, into: '#d07a4f' },
        },
      ],
    },
  },
];
