/** All layers of which a template has a list, by the list's name. */
import { before } from './before';
import { behind } from './behind';
import { border } from './border';
import { caption } from './caption';
import type { LayerPart } from './layer';
import { shadow } from './shadow';
import { tint } from './tint';

export const LAYER_LISTS = {
  behind,
  before,
  tints: tint,
  borders: border,
  shadows: shadow,
  captions: caption,
} as const;

export type LayerList = keyof typeof LAYER_LISTS;

/** What a list's layers are, for code that works on any list: what it hands over has to be a layer of that one. */
export const layerKind = (list: LayerList): LayerPart => LAYER_LISTS[list];
