import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import type { Scene } from '@/core/scene';
import { pixelsOf } from './pictures';

/** How much of the page is seen through each pixel, from 0 to 255: how far two pictures on two papers differ. */
function pageThrough(dark: Uint8Array, light: Uint8Array): Uint8Array {
  return Uint8Array.from({ length: dark.length / 4 }, (_, k) =>
    Math.max(...[0, 1, 2].map((c) => Math.abs((dark[4 * k + c] ?? 0) - (light[4 * k + c] ?? 0)))),
  );
}

/** As far from pixels that are all page the artwork may end, in pixels: notches between two shapes get narrow. */
const EDGE = 6;

const on = (scene: Scene, background: string): Scene => ({
  ...scene,
  page: { ...scene.page, background },
});

/**
 * The most that the page shows through where it is not meant to, from 0 to 255: away from pixels that are all page, whose neighbours are
 * edges of the artwork.
 */
export function worstSeam(scene: Scene, side: number): number {
  const [dark, light] = ['#000000', '#ffffff'].map((paper) =>
    pixelsOf(svgOf(on(scene, paper), DEFAULT_SVG), side),
  );
  const through = pageThrough(dark ?? new Uint8Array(), light ?? new Uint8Array());
  const isOpen = (x: number, y: number): boolean =>
    x < 0 || y < 0 || x >= side || y >= side || (through[y * side + x] ?? 0) > 250;
  let worst = 0;
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1) {
      const own = through[y * side + x] ?? 0;
      if (own <= worst || own > 250) continue;
      let isEdge = false;
      for (let dy = -EDGE; dy <= EDGE && !isEdge; dy += 1)
        for (let dx = -EDGE; dx <= EDGE && !isEdge; dx += 1) isEdge = isOpen(x + dx, y + dy);
      if (!isEdge) worst = own;
    }
  return worst;
}
