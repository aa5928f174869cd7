declare module 'polylabel' {
  /** The place furthest from all edges of a polygon, to a precision, and how far from them it is. */
  export default function polylabel(
    polygon: readonly (readonly (readonly [number, number])[])[],
    precision: number,
  ): [x: number, y: number] & { readonly distance: number };
}
