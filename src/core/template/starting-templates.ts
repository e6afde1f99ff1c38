/** Whole templates to begin with: each for one use, ours to ship and nobody's to overwrite. */
import type { z } from 'zod';
import type { documentSchema } from './schema';

type Written = z.input<typeof documentSchema>;

export type StartingTemplate = {
  readonly id: string;
  /** What it is for, in a few words. */
  readonly about: string;
  readonly document: Omit<Written, 'wobrel'>;
};

const box = (cx: number, cy: number, width: number, height: number, angle = 0) => ({ cx, cy, width, height, angle });
/** Subjects alike in size, whole ones with room round them, and the ground continued where a photo ends. */
const alike = (size: number) => ({ rule: 'auto', size: { face: size * 0.7, subject: size }, gap: 'extend' }) as const;
const square = { width: 1080, height: 1080 };

export const STARTING_TEMPLATES: readonly StartingTemplate[] = [
  {
    id: 'shop-tile',
    about: 'things on white for a shop',
    document: {
      name: 'Shop tile',
      frame: square,
      shape: { kind: 'rectangle', radii: [56, 56, 56, 56], box: box(540, 540, 980, 980) },
      centring: { ...alike(0.72), rule: 'subject' },
      backdrop: '#ffffff',
      shadows: [{ y: 8, blur: 22, opacity: 0.5 }],
      outputs: [
        { name: 'large', format: 'jpeg', quality: 88, size: 'frame' },
        { name: 'small', format: 'webp', size: { factor: 0.5 } },
      ],
    },
  },
  {
    id: 'portrait-ring',
    about: 'faces in circles, a ring in a colour of each photo',
    document: {
      name: 'Portrait ring',
      frame: { width: 800, height: 800 },
      shape: { kind: 'circle', box: box(400, 400, 660, 660) },
      centring: { ...alike(0.7), at: [0.5, 0.45], measure: 'height', straighten: 'eyes' },
      borders: [{ width: 22, align: 'outside', gap: 14, paint: { kind: 'picked', from: 'subject', tone: 'vivid' } }],
      outputs: [{ name: 'team', size: 'frame' }],
    },
  },
  {
    id: 'hexagon-floor',
    about: 'a hexagon on its corner that stands on a floor',
    document: {
      name: 'Pointed hexagon',
      frame: { width: 1080, height: 1180 },
      shape: { kind: 'polygon', sides: 6, up: 'corner', box: box(540, 540, 860, 960) },
      edge: { rounding: 40 },
      centring: alike(0.6),
      borders: [{ width: 12, align: 'inside', paint: '#1c2224' }],
      shadows: [{ kind: 'ground', x: 0, y: 0, blur: 18, reach: 120, depth: 34, opacity: 0.55 }],
      outputs: [{ name: 'hexagon', size: 'frame' }],
    },
  },
  {
    id: 'soft-oval',
    about: 'an upright oval that fades into the page',
    document: {
      name: 'Soft oval',
      frame: { width: 900, height: 1100 },
      shape: { kind: 'ellipse', box: box(450, 550, 820, 1010) },
      edge: { feather: 120 },
      centring: alike(0.62),
      filters: { sepia: 0.25 },
      outputs: [{ name: 'oval', size: 'frame' }],
    },
  },
  {
    id: 'maker-seal',
    about: 'a scalloped seal with words along its rim',
    document: {
      name: 'Maker’s seal',
      frame: square,
      shape: { kind: 'circle', box: box(540, 540, 690, 690) },
      centring: alike(0.62),
      borders: [{ width: 8, align: 'outside', gap: 12, paint: '#f4efe6' }],
      behind: [{ show: 'paint', paint: '#24594f', shape: { kind: 'seal', lobes: 28, box: box(540, 540, 1030, 1030) } }],
      captions: [{ text: '{batch}', font: 'slab', size: 62, paint: '#f4efe6', at: [540, 124], anchor: 'middle', follows: 'over', radius: 416, maxWidth: 1200 }], // prettier-ignore
      outputs: [{ name: 'seal', size: 'frame' }],
    },
  },
  {
    id: 'speech-bubble',
    about: 'a face that says something',
    document: {
      name: 'Speech bubble',
      frame: { width: 1080, height: 1000 },
      shape: { kind: 'bubble', box: box(540, 490, 960, 880) },
      centring: { ...alike(0.6), at: [0.5, 0.42] },
      borders: [{ width: 14, align: 'inside', paint: '#ffffff' }],
      shadows: [{ y: 12, blur: 30, opacity: 0.35 }],
      outputs: [{ name: 'bubble', size: 'frame' }],
    },
  },
  {
    id: 'ticket',
    about: 'a ticket with the photo’s name below it',
    document: {
      name: 'Ticket',
      frame: { width: 1200, height: 700 },
      shape: { kind: 'ticket', box: box(600, 350, 1120, 620) },
      centring: alike(0.7),
      tints: [{ paint: { kind: 'linear', angle: 180, stops: [[0.6, '#00000000'], [1, '#000000b0']] } }], // prettier-ignore
      borders: [{ width: 6, align: 'inside', gap: 22, dash: [22, 14], dashCap: 'round', paint: '#f4efe6' }],
      captions: [{ text: '{photo}', font: 'rounded', size: 52, paint: '#ffffff', at: [600, 590], anchor: 'middle', maxWidth: 800 }], // prettier-ignore
      outputs: [{ name: 'ticket', size: 'frame' }],
    },
  },
  {
    id: 'arch',
    about: 'an arched window in a pale passe-partout',
    document: {
      name: 'Arch',
      frame: { width: 900, height: 1200 },
      shape: { kind: 'arch', box: box(450, 590, 640, 920) },
      centring: alike(0.66),
      backdrop: '#ece4d8',
      borders: [{ width: 4, align: 'outside', gap: 18, paint: '#6b5844' }],
      shadows: [{ kind: 'inner', x: 0, y: 10, blur: 30, opacity: 0.45 }],
      outputs: [{ name: 'arch', size: 'frame', format: 'webp' }],
    },
  },
  {
    id: 'story',
    about: 'upright for stories, the photo blurred behind itself',
    document: {
      name: 'Story',
      frame: { width: 1080, height: 1920 },
      shape: { kind: 'rectangle', radii: [70, 70, 70, 70], box: box(540, 880, 940, 1180) },
      centring: alike(0.66),
      behind: [
        { show: 'photo', blur: 90, zoom: 1.2 },
        { show: 'paint', paint: '#00000040' },
      ],
      shadows: [{ y: 20, blur: 60, opacity: 0.45 }],
      captions: [{ text: '{photo}', font: 'rounded', size: 76, paint: '#ffffff', at: [540, 1650], anchor: 'middle', maxWidth: 920 }], // prettier-ignore
      outputs: [{ name: 'story', size: 'frame', format: 'jpeg', quality: 88 }],
    },
  },
  {
    id: 'banner',
    about: 'a wide banner, the photo in a round end',
    document: {
      name: 'Banner',
      frame: { width: 1920, height: 1080 },
      shape: { kind: 'circle', box: box(1380, 540, 900, 900) },
      centring: alike(0.66),
      backdrop: { kind: 'linear', angle: 115, stops: [[0, '#f4efe6'], [1, '#cfdcd6']] }, // prettier-ignore
      borders: [{ width: 14, align: 'outside', gap: 14, paint: '#24594f' }],
      captions: [{ text: '{photo}', font: 'slab', size: 104, paint: '#1c2224', at: [120, 575], anchor: 'start', maxWidth: 720 }], // prettier-ignore
      outputs: [{ name: 'banner', size: 'frame', format: 'jpeg', quality: 88 }],
    },
  },
  {
    id: 'three-views',
    about: 'three photos of one thing on a sheet, by their names',
    document: {
      name: 'Three views',
      frame: { width: 1600, height: 1000 },
      backdrop: '#ffffff',
      slots: [
        { name: 'front', shape: { kind: 'rectangle', radii: [40, 40, 40, 40], box: box(530, 500, 960, 900) }, centring: alike(0.7) }, // prettier-ignore
        { name: 'side', shape: { kind: 'rectangle', radii: [40, 40, 40, 40], box: box(1295, 262, 470, 424) }, centring: alike(0.7) }, // prettier-ignore
        { name: 'detail', shape: { kind: 'rectangle', radii: [40, 40, 40, 40], box: box(1295, 738, 470, 424) }, centring: alike(0.8) }, // prettier-ignore
      ],
      fill: { by: 'name' },
      outputs: [{ name: 'sheet', size: 'frame', format: 'jpeg', quality: 90 }],
    },
  },
];
