import { readFileSync } from 'node:fs';
import path from 'node:path';

import { addRound, addShapes, setMerge } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn } from '@/core/number';
import { faceOf, shapeWords } from '@/core/words';
import { built, circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';
import { valueOf } from './valueOf';

const FACE = 'josefin-sans';
const FILE = '@expo-google-fonts/josefin-sans/600SemiBold/JosefinSans_600SemiBold.ttf';

/** A line of text in the seal's face. */
function wordsOf(text: string) {
  const file = path.join(import.meta.dirname, '../../node_modules', FILE);
  const face = valueOf(faceOf(new Uint8Array(readFileSync(file))));
  return { text, face: FACE, run: valueOf(shapeWords(face, text)).run };
}

/** A seal with words on its ring: read from outside above, from inside below, and petals that overlap in its middle. */
export function coveSeal(): Figure {
  let figure = emptyPiece('Cove seal', 180, TIDE.sand);
  figure = addRound(figure, emptyRound('plate', 'Plate', 1));
  figure = addShapes(figure, 'plate', [
    named('ground', 'Ground', circleAt(0, 82), filled(TIDE.deep)),
    named('rim', 'Rim', circleAt(0, 78), lined(TIDE.brass, 1)),
    named('inner', 'Inner', circleAt(0, 53), lined(TIDE.brass, 1)),
  ]);
  figure = addRound(figure, emptyRound('words', 'Words', 1));
  const ring = { line: 'above', align: 'middle', sizeBy: 'height', height: 10, span: turn(1, 2) } as const;
  figure = addShapes(figure, 'words', [
    named(
      'above',
      'Above',
      built('words', { ...ring, words: wordsOf('TIDE WEEK'), radius: 60.5, side: 'out', spacing: 2.4 }),
      filled(TIDE.sand),
    ),
    named(
      'below',
      'Below',
      built('words', {
        ...ring,
        words: wordsOf('COVE OF LANTERNS'),
        radius: 69,
        side: 'in',
        height: 7,
        spacing: 1.6,
      }),
      filled(TIDE.foam),
    ),
  ]);
  figure = addRound(figure, emptyRound('marks', 'Marks', 2, false, turn(1, 4)));
  figure = addShapes(figure, 'marks', [named('mark', 'Mark', circleAt(65.5, 2.2), filled(TIDE.coral))]);
  figure = addRound(figure, emptyRound('petals', 'Petals', 9));
  figure = addShapes(figure, 'petals', [named('petal', 'Petal', petalBetween(4, 48, 26), filled(TIDE.kelp))]);
  figure = setMerge(figure, 'petals', 'exclusion');
  figure = addRound(figure, emptyRound('heart', 'Heart', 1));
  return addShapes(figure, 'heart', [named('dot', 'Dot', circleAt(0, 6), filled(TIDE.brass))]);
}
