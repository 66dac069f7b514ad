import { STRAIGHT } from '@/core/derive';
import {
  addMotif,
  addRound,
  addShapes,
  bendShapes,
  setBend,
  setProgression,
  START_PROGRESSION,
} from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { motifOfDrawing, readArtwork } from '@/core/format/drawing';
import { turn } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';
import { valueOf } from './valueOf';

/** How long the clipping is, and how far apart its strands lie, in millimetres. */
const LONG = 96;
const LAY = 8;

/** One strand across the rope: two half waves, fuller in the middle. */
const strand = (x: number): string =>
  `<path d="M${x} 11C${x + 5} 11 ${x + 4} 1 ${x + 9} 1C${x + 13.5} 1 ${x + 13} 4 ${x + 12} 6C${x + 9.5} 10.5 ${x + 5} 11 ${x} 11Z"/>`;

/** A rope clipping as it lies in a file: its strands, with a line along each edge. */
const ROPE_SVG = `<svg xmlns="http://www.w3.org/2000/svg" width="${LONG}mm" height="12mm" viewBox="0 0 ${LONG} 12">
<g id="Strands" fill="${TIDE.sand}" stroke="${TIDE.deep}" stroke-width="0.7" stroke-linejoin="round">
${Array.from({ length: LONG / LAY }, (_, k) => strand(k * LAY)).join('\n')}
</g>
</svg>`;

/** Piece 16: a rope clipping from a file, bent to a fifth of a ring and a little more, in five copies that overlap. */
export function mooringBorder(): Figure {
  let made = 0;
  const newId = (): string => `rope-${(made += 1)}`;
  let figure = emptyPiece('Mooring border', 180, TIDE.foam);
  figure = addRound(figure, emptyRound('rope', 'Rope', 5));
  const drawing = valueOf(readArtwork(ROPE_SVG));
  const taking = { name: 'Rope', unit: 'mm', by: 'middle', to: { x: 0, y: -68 } } as const;
  const { motif } = valueOf(motifOfDrawing(drawing, taking, newId));
  figure = addMotif(figure, 'rope', motif.shapes, motif.groups);
  const strip = valueOf(
    bendShapes(figure, 'rope', new Set(motif.shapes.map(({ id }) => id)), newId, STRAIGHT),
  );
  const bend = { units: 1, radius: 68, height: 11, overlap: 14, swell: 0.15 };
  figure = setBend(strip.figure, 'rope', strip.groupId, bend);
  figure = addRound(figure, emptyRound('wake', 'Wake', 24));
  figure = addShapes(figure, 'wake', [named('drop', 'Drop', circleAt(48, 3.4), filled(TIDE.kelp))]);
  figure = setProgression(figure, 'wake', { ...START_PROGRESSION, size: 0.25, out: -30, tint: TIDE.coral });
  figure = addRound(figure, emptyRound('post', 'Post', 1, false, turn(0)));
  return addShapes(figure, 'post', [
    named('ring', 'Ring', circleAt(0, 11), filled(TIDE.deep)),
    named('cap', 'Cap', circleAt(0, 5), filled(TIDE.brass)),
  ]);
}
