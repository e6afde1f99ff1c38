/** All catalogue shapes, in the order in which they are offered. Adding one is one line here. */
import { arch } from './kinds/arch';
import { arrow } from './kinds/arrow';
import { blob } from './kinds/blob';
import { bubble } from './kinds/bubble';
import { chevron } from './kinds/chevron';
import { circle } from './kinds/circle';
import { cross } from './kinds/cross';
import { diamond } from './kinds/diamond';
import { drop } from './kinds/drop';
import { ellipse } from './kinds/ellipse';
import { halfRound } from './kinds/half-round';
import { heart } from './kinds/heart';
import { leaf } from './kinds/leaf';
import { polygon } from './kinds/polygon';
import { rectangle } from './kinds/rectangle';
import { ring } from './kinds/ring';
import { seal } from './kinds/seal';
import { shield } from './kinds/shield';
import { star } from './kinds/star';
import { superellipse } from './kinds/superellipse';
import { tag } from './kinds/tag';
import { ticket } from './kinds/ticket';

export const DEFINITIONS = [
  circle,
  ellipse,
  rectangle,
  superellipse,
  polygon,
  star,
  seal,
  ring,
  heart,
  drop,
  leaf,
  arrow,
  chevron,
  cross,
  bubble,
  shield,
  blob,
  tag,
  ticket,
  arch,
  diamond,
  halfRound,
] as const;

type Definition = (typeof DEFINITIONS)[number];
export type ShapeKind = Definition['kind'];

/** The definitions by their kind. */
export const SHAPES = Object.fromEntries(DEFINITIONS.map((definition) => [definition.kind, definition])) as {
  readonly [K in ShapeKind]: Extract<Definition, { kind: K }>;
};
export const SHAPE_KINDS: readonly ShapeKind[] = DEFINITIONS.map(({ kind }) => kind);
