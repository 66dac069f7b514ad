declare module 'polylabel' {
  /** The pole of inaccessibility of a polygon of rings of points, and its distance from the border. */
  export default function polylabel(
    rings: readonly (readonly number[][])[],
    precision?: number,
  ): number[] & { distance: number };
}
