'use client';
import type { Company, Moves } from '@/core/template';
import { create } from 'zustand';
import type { LayerList } from '@/core/layers';
import type { Anchor } from '@/core/outline';

/** What a click on the stage does: move and pull the shape, bend it by pins, its points, or draw a new one. */
export type StageMode = 'shape' | 'pins' | 'points' | 'draw';

export type Reference =
  | { readonly kind: 'photo' }
  | { readonly kind: 'none' }
  | { readonly kind: 'picture'; readonly url: string; readonly name: string };

/** What fills the middle of the bench: every cutout, one large with its shape in the hand, all averaged into one, or the table of photo data. */
export type MiddleView = 'each' | 'stage' | 'average' | 'table';

/** A layer of the template, by its list and its place there; or what there is once. */
export type HeldLayer =
  | { readonly list: LayerList; readonly i: number }
  | { readonly list: 'backdrop' }
  | { readonly list: 'mat' };

/** What pins bend: the outline with all that follows it, or one of the borders by itself. */
export type Bends = 'edge' | number;

type StageState = {
  readonly view: MiddleView;
  readonly mode: StageMode;
  /** The slot that is worked on, where the template has any. */
  readonly slot: number;
  /** Which slots go with the one that is moved. */
  readonly company: Company;
  /** What goes along as the shape is dragged. */
  readonly moves: Moves;
  readonly bends: Bends;
  /** The part of a combined shape that is worked on; null for the whole. */
  readonly part: number | null;
  /** True where width and height keep their proportion. */
  readonly locked: boolean;
  /** What stays where it is when a size is typed. */
  readonly anchor: Anchor;
  /** The layer that is worked on in the panel: the stage has its handle. */
  readonly layer: HeldLayer | null;
  readonly reference: Reference;
  /** Opacity of the reference, 0…1. */
  readonly strength: number;
};

const BEGINNING: StageState = {
  view: 'each',
  mode: 'shape',
  slot: 0,
  company: 'one',
  moves: 'both',
  bends: 'edge',
  part: null,
  locked: false,
  anchor: [0, 0],
  layer: null,
  reference: { kind: 'photo' },
  strength: 0.5,
};

/** How the stage is set up; a screen that opens it begins with `resetStage`. */
export const useStage = create<StageState>()(() => BEGINNING);

export const setStage = (fields: Partial<StageState>) => useStage.setState(fields);
export const resetStage = () => useStage.setState(BEGINNING);
