import { petalOfCircles } from '@/core/maker';
import { addRound, addShapes } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { NO_TURN, turn } from '@/core/number';
import type { Paint } from '@/core/scene';
import { built, circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 13: a petal from two equal circles with a gradient that fades outward, 14-fold, and a shaded hub. */
/** From the foot of a petal to its tip, where it fades. */
const fading = (foot: string, tip: string): Paint => ({
  fill: {
    kind: 'linear',
    spread: 'cell',
    from: { x: 0.5, y: 1 },
    to: { x: 0.5, y: 0 },
    stops: [
      { at: 0, colour: foot },
      { at: 0.55, colour: tip, middle: 0.6 },
      { at: 1, colour: `${tip}59` },
    ],
  },
  stroke: null,
});

/** A ball lit from the upper left. */
const shaded = (light: string, dark: string): Paint => ({
  fill: {
    kind: 'radial',
    spread: 'cell',
    from: { x: 0.36, y: 0.32 },
    to: { x: 1, y: 0.5 },
    stops: [
      { at: 0, colour: light },
      { at: 1, colour: dark },
    ],
  },
  stroke: null,
});

export function anemone(): Figure {
  let figure = emptyPiece('Anemone', 180, TIDE.sand);
  const petal = (apart: number, radius: number, from: number) => ({
    kind: 'petal' as const,
    at: { x: 0, y: 0 - from },
    rotation: NO_TURN,
    params: petalOfCircles(radius, apart),
  });
  figure = addRound(figure, emptyRound('back', 'Back', 14, false, turn(1, 28)));
  figure = addShapes(figure, 'back', [
    named('back', 'Petal', petal(62, 46, 12), fading(TIDE.kelp, TIDE.foam)),
  ]);
  figure = addRound(figure, emptyRound('front', 'Front', 14));
  figure = addShapes(figure, 'front', [
    named('front', 'Petal', petal(56, 40, 10), fading('#a8331a', TIDE.shell)),
    named('vein', 'Vein', petal(50, 29, 16), fading(TIDE.coral, '#fff4ea')),
  ]);
  figure = addRound(figure, emptyRound('hub', 'Hub', 1));
  return addShapes(figure, 'hub', [
    named('disc', 'Disc', circleAt(0, 17), shaded('#2d6f86', TIDE.deep)),
    named(
      'beads',
      'Beads',
      built('touchingRing', { solve: 'size', count: 14, ring: 13, gap: 0.6 }),
      filled(TIDE.brass),
    ),
    named('scallops', 'Heart', circleAt(0, 7), shaded('#f6a17f', TIDE.coral)),
  ]);
}
