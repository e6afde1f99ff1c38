/** What the page and its preview workers say to each other. */
import type { PhotoWords } from '../core/fields';
import type { PhotoToPlace } from '../core/placement';
import type { Template } from '../core/template';

export type PreviewPhoto = PhotoToPlace & {
  readonly id: number;
  /** Of its content: what its proxies are asked for by. */
  readonly sha256: string;
  /** How captions speak of it; left out where they say nothing of photos. */
  readonly words?: PhotoWords;
  /** Of a group's first photo: all that lies in its cutout, slot by slot. */
  readonly group?: { readonly seats: readonly (PreviewPhoto | null)[] } | undefined;
};

/** Draw these photos through the template, `width` pixels wide. */
export type DrawMessage = {
  readonly ticket: number;
  readonly template: Template;
  readonly width: number;
  readonly photos: readonly PreviewPhoto[];
  /** True where only their mean is seen. */
  readonly forMean: boolean;
};

/** One cutout in straight RGBA, or why it could not be drawn. */
export type Drawn =
  | {
      readonly id: number;
      readonly pixels: Uint8ClampedArray<ArrayBuffer>;
      readonly width: number;
      readonly height: number;
    }
  | { readonly id: number; readonly error: string };

export type DrawnMessage = { readonly ticket: number; readonly drawn: readonly Drawn[] };

/** Asked whether it is there, and answered. */
type IsThere = { readonly isThere: true };

export type PreviewMessage = DrawMessage | IsThere;
export type PreviewAnswer = DrawnMessage | IsThere;
