/** All textures, in the order in which they are offered. Adding one is one line here. */
import { brushed } from './kinds/brushed';
import { canvas } from './kinds/canvas';
import { checks } from './kinds/checks';
import { dots } from './kinds/dots';
import { hammered } from './kinds/hammered';
import { marble } from './kinds/marble';
import { paper } from './kinds/paper';
import { scallops } from './kinds/scallops';
import { speckle } from './kinds/speckle';
import { stripes } from './kinds/stripes';
import { wood } from './kinds/wood';

export const DEFINITIONS = [
  paper,
  canvas,
  brushed,
  wood,
  marble,
  hammered,
  speckle,
  dots,
  stripes,
  checks,
  scallops,
] as const;

type Definition = (typeof DEFINITIONS)[number];
export type TextureKind = Definition['kind'];

/** The definitions by their kind. */
export const TEXTURES = Object.fromEntries(DEFINITIONS.map((definition) => [definition.kind, definition])) as {
  readonly [K in TextureKind]: Extract<Definition, { kind: K }>;
};
