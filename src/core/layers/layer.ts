/** The one form of a layer: what a document says of it, which of that grows with the frame, and how it is asked for. */
import { z } from 'zod';

/** Frame units. */
export const lengthSchema = z.number().min(0).max(100_000);
export const signedLengthSchema = z.number().min(-100_000).max(100_000);
export const shareSchema = z.number().min(0).max(1);
/** Off, a layer is kept and not drawn. */
export const onSchema = z.boolean().default(true);
/** Locked, an editor leaves it as it is and where it lies until that is taken off; nothing is drawn otherwise. */
export const lockedSchema = z.boolean().default(false);
/** What things of one name here are: moved together, and layers among themselves a picture of their own. */
export const setSchema = z.string().trim().min(1).max(60).nullable().default(null);

/** What a form is told besides the layer: lengths that suit the template, frame units. */
export type Room = {
  /** An eighth of the frame's shorter side: as far as most lengths go. */
  readonly reach: number;
  /** A good depth for colours that go from the edge inwards. */
  readonly depth: number;
};

/** How one field of a layer is asked for on screen. */
export type Control<L, K extends keyof L & string = keyof L & string> = {
  readonly label: string;
  /** Left out, always. */
  readonly shown?: (layer: L) => boolean;
} & (
  | {
      readonly as: 'length';
      /** The slider's ends in reaches. */
      readonly slider: readonly [number, number];
      /** Where it may be left open: what it then is, in a few words. */
      readonly open?: string;
    }
  | { readonly as: 'times'; readonly slider: readonly [number, number] }
  | { readonly as: 'angle' | 'count' | 'number'; readonly slider: readonly [number, number] }
  | {
      readonly as: 'colour';
      /** Where it may be left out: what it then is, in a few words. */
      readonly open?: string;
    }
  | { readonly as: 'strength' | 'text' | 'dashes' | 'place' | 'box' | 'picture' | 'mask' | 'seed' | 'curve' | 'set' }
  | { readonly as: 'paint'; readonly depth?: (layer: L, room: Room) => number; readonly isLine?: boolean }
  | {
      readonly as: 'choice' | 'select';
      /** Value to words. */
      readonly options: Readonly<Record<string, string>>;
      /** Those of them that a template with slots has no photo for. */
      readonly ofOnePhoto?: readonly string[];
      /** What else changes with it. */
      readonly besides?: (value: L[K]) => Partial<L>;
    }
);

/** A part of layers, whatever its fields are. */
// oxlint-disable-next-line typescript/no-explicit-any -- a definition's functions take only layers of its own
export type LayerPart = LayerDefinition<any>;

export type LayerDefinition<S extends z.ZodObject> = {
  readonly schema: S;
  /** Fields in frame units, or lists of them: they grow with the frame. A paint's own depth does by itself. */
  readonly lengths: readonly (keyof z.output<S> & string)[];
  /** True where it has a `place` and a `shape` of its own in the frame. */
  readonly isPlaced?: boolean;
  /** Fields that are points of the frame. */
  readonly places?: readonly (keyof z.output<S> & string)[];
  /** Fields that are null, or have a form of their own: what lies on the layer, or becomes of it. */
  readonly parts?: { readonly [K in keyof z.output<S> & string]?: LayerPart };
  /** What a layer is called: a word before its number in the list. */
  readonly title: (layer: z.output<S>) => string;
  /** What it is like in a few words. */
  readonly words: (layer: z.output<S>, unit: string) => string;
  /** Its form, from the top down. */
  readonly controls: { readonly [K in keyof z.output<S> & string]?: Control<z.output<S>, K> };
};

/** Numbers as they are said: thin things in inches still tell one from another. */
export const number = (v: number): string =>
  String(Math.abs(v) < 0.1 ? Number(v.toPrecision(2)) : Math.round(v * 100) / 100);
export const percent = (share: number): string => `${Math.round(share * 100)} %`;

export const defineLayer = <S extends z.ZodObject>(definition: LayerDefinition<S>): LayerDefinition<S> => definition;
