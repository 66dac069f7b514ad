import { addRound, addShapes, setFold, setLowerAction, setMerge, setMirror } from '@/core/figure/commands';
import {
  type Figure,
  newFigure,
  newRound,
  newShape,
  type Shape,
  START_PAINT,
  withRound,
} from '@/core/figure';
import { pathForm } from '@/core/maker';
import { turn } from '@/core/number';
import { counter, disc, START_LINE } from './figures';

/** Figures that the format permits and that take minutes, or more memory than there is, to draw. */

const line = (k: number): Shape =>
  newShape(
    `l${k}`,
    `Line ${k}`,
    pathForm(
      [
        { x: -60 + 5 * k, y: -10 - k, kind: 'corner' },
        { x: 70 - 7 * k, y: -90 + 4 * k, kind: 'corner' },
      ],
      false,
    ),
    START_LINE,
  );

/** Lines woven at a high fold, mirrored: thousands of crossings. */
const weave = (): Figure => {
  const lines = addShapes(newFigure('Weave', 'r'), 'r', [0, 1, 2, 3].map(line));
  return setMerge(setMirror(setFold(lines, 'r', 90), 'r', true), 'r', 'weave');
};

const discs = (count: number): Shape[] =>
  Array.from({ length: count }, (_, k) =>
    newShape(`d${k}`, `Disc ${k}`, disc(30 * Math.sin(k), -40 - (k % 50), 3 + (k % 7)), START_PAINT),
  );

/** Very many shapes in very many copies, united. */
const union = (): Figure =>
  setMerge(setFold(addShapes(newFigure('Union', 'r'), 'r', discs(2000)), 'r', 720), 'r', 'union');

/** A line of very short dashes, cut by the round above it. */
const dashes = (): Figure => {
  const dashed = line(0);
  const stroke = { ...START_LINE.stroke!, dashes: [1e-9, 1e-9] };
  let figure = addShapes(newFigure('Dashes', 'r'), 'r', [{ ...dashed, paint: { fill: null, stroke } }]);
  figure = addShapes(addRound(figure, newRound('c', 'Cutter', 8)), 'c', discs(1));
  return setLowerAction(figure, 'c', { how: 'cut' });
};

/** Very many rounds, each a whirl of very many. */
const whirls = (): Figure => {
  const newId = counter();
  let figure = addShapes(newFigure('Whirls', 'r'), 'r', discs(20));
  const first = withRound(figure, 'r', (round) => ({
    ...round,
    rule: { ...round.rule, fold: 360 },
    whirl: { angle: turn(1, 17), factor: 0.97, count: 60 },
  }));
  figure = first;
  for (let k = 1; k < 200; k += 1)
    figure = addRound(figure, { ...first.rounds[0]!, id: newId(), name: `Round ${k + 1}` });
  return figure;
};

/** Very many rounds that cut what is below them. */
const cutters = (): Figure => {
  let figure = addShapes(newFigure('Cutters', 'r'), 'r', discs(300));
  figure = setFold(figure, 'r', 90);
  for (let k = 0; k < 40; k += 1) {
    figure = addShapes(addRound(figure, newRound(`c${k}`, `Cutter ${k}`, 60 + k)), `c${k}`, discs(60));
    figure = setLowerAction(figure, `c${k}`, { how: 'cut' });
  }
  return figure;
};

export const HEAVY = { weave, union, dashes, whirls, cutters } as const;
