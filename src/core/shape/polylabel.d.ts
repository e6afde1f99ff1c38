/** polylabel ships no types. */
declare module 'polylabel' {
  /** The point of a polygon (outer ring, then holes) that is furthest from its edges. */
  export default function polylabel(rings: number[][][], precision: number): number[] & { distance: number };
}
