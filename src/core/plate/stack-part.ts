/** Parts of a stack, each by itself: together, one over the other, they are the whole. */
import { BLACK, NO_GROUND } from './ground';
import type { Stack } from './stack';

/** What lies behind; what is thrown on it; photo and borders, or the photo as if there were none; what lies before, and where that lets nothing through. */
export type StackPart = 'ground' | 'shadow' | 'cutout' | 'photo' | 'front' | 'opaque front';

const withoutCutout = (stack: Stack): Stack => ({
  ...stack,
  rings: [{ over: [0, 0, 0, 0], varying: null, photo: false }],
  levels: stack.levels.slice(0, 1),
  coats: [null],
  feather: null,
});

export function partOf(stack: Stack, part: StackPart): Stack {
  switch (part) {
    case 'ground':
      return { ...withoutCutout(stack), shadows: [], mirrored: null, before: [] };
    case 'shadow':
      return { ...withoutCutout(stack), ground: NO_GROUND, before: [] };
    case 'cutout':
      return { ...stack, ground: NO_GROUND, shadows: [], mirrored: null, before: [] };
    case 'photo': {
      const rings = stack.rings.map(({ photo }) => ({ over: [0, 0, 0, 0] as const, varying: null, photo }));
      return { ...partOf(stack, 'cutout'), rings, coats: stack.coats.map(() => null) };
    }
    case 'front':
      return { ...withoutCutout(stack), ground: NO_GROUND, shadows: [], mirrored: null };
    case 'opaque front':
      return { ...withoutCutout(stack), ground: BLACK, shadows: [], mirrored: null };
  }
}
