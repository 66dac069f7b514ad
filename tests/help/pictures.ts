import { Resvg } from '@resvg/resvg-js';

/** The pixels of an SVG document, by a renderer that is not the browser's, as RGBA. */
export const pixelsOf = (svg: string, side: number): Uint8Array =>
  new Resvg(svg, { fitTo: { mode: 'width', value: side }, font: { loadSystemFonts: false } }).render().pixels;

/**
 * The share of pixels that differ by more than anti-aliasing of an edge does: by more than 96 of 256 levels
 * in some channel.
 */
export function difference(a: Uint8Array, b: Uint8Array): number {
  let differing = 0;
  for (let k = 0; k < a.length; k += 4) {
    const most = Math.max(
      ...[0, 1, 2, 3].map((channel) => Math.abs((a[k + channel] ?? 0) - (b[k + channel] ?? 0))),
    );
    if (most > 96) differing += 1;
  }
  return (4 * differing) / a.length;
}

/** A document of ours with its drawing under one more transform. */
export const transformed = (svg: string, transform: string): string =>
  svg.replace(/(<title>[^]*?<\/title>)([^]*)<\/svg>/, `$1<g transform="${transform}">$2</g></svg>`);
