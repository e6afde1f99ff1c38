'use client';
import { useGesture } from '@use-gesture/react';
import { useRef } from 'react';
import { betweenFingers, type Fingers } from '@/core/placement';
import type { Shape } from '@/core/shape';

type Pinch = { readonly from: Shape; readonly fingers: Fingers };

/** Two fingers on the stage make the shape larger and turn it. */
export function useStagePinch(shape: Shape, onShape: (shape: Shape) => void, onDrag: (active: boolean) => void) {
  const held = useRef(false);
  const bind = useGesture(
    {
      onPinch: ({ da, first, last, memo }) => {
        const pinch = (memo as Pinch | undefined) ?? { from: shape, fingers: da };
        const { scale, turn } = betweenFingers(pinch.fingers, da);
        const { box } = pinch.from;
        held.current = true;
        if (first) onDrag(true);
        const angle = Math.round((((box.angle + turn + 540) % 360) - 180) * 10) / 10;
        onShape({ ...pinch.from, box: { ...box, width: box.width * scale, height: box.height * scale, angle } });
        if (last) onDrag(false);
        return pinch;
      },
    },
    // A finger on the outline drags it, and pointer events end there.
    { pinch: { pinchOnWheel: false, pointer: { touch: true } } },
  );
  return {
    bind,
    /** True while a drag is part of two fingers' work. `first` is the drag's beginning. */
    isHeld: (first: boolean): boolean => {
      if (first) held.current = false;
      return held.current;
    },
  };
}
