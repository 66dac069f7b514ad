import { made, refusal } from '../../../tests/help/made';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter } from '../../../tests/help/figures';
import { mapPath, type Path, pathLength } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { checkFigure, readFigure, writeFigure } from '@/core/format/figure';
import { pathsOfForm, type Transform } from '@/core/maker';
import { turnFromDegrees } from '@/core/number';
import { STOCK_MOTIFS } from '@/core/stock/motifs';
import { shapesOfGroup } from './bent';
import {
  detachMotif,
  duplicateShapes,
  followMotif,
  groupShapes,
  motifOfUse,
  moveShapes,
  placeMotif,
  resized,
  transformShapes,
} from './commands';
import type { Figure, Shape } from './model';
import { placeAt, usesOfFigure } from './sources';
import { newFigure } from './start';

const stock = (id: string) => STOCK_MOTIFS.find((motif) => motif.id === id)!;
const paths = (shapes: readonly Shape[]): Path[] => shapes.flatMap(({ form }) => pathsOfForm(form, STRAIGHT));
/** Where paths begin and how long they are: enough to tell whether two motifs are the same. */
const marks = (list: readonly Path[]): number[] =>
  list.flatMap((path) => [path.segments[0]!.from.x, path.segments[0]!.from.y, pathLength(path)]);

function used(id: string, newId: () => string, linked = true): { figure: Figure; ids: Set<string> } {
  const { name, shapes } = stock(id);
  const place = placeAt({ x: 0, y: 0 }, 0.5, { x: 3, y: -50 });
  const follows = linked ? { motif: 'kept', revision: 2 } : null;
  const made = placeMotif(
    newFigure('Uses', 'r'),
    'r',
    { name, motif: { shapes }, place, follows },
    newId,
    STRAIGHT,
  );
  return { figure: made.figure, ids: new Set(made.ids) };
}

const transforms = fc.array(
  fc.oneof(
    fc.record({
      kind: fc.constant('move' as const),
      by: fc.record({ x: fc.integer({ min: -9, max: 9 }), y: fc.integer({ min: -9, max: 9 }) }),
    }),
    fc.record({
      kind: fc.constant('rotate' as const),
      by: fc.integer({ min: -180, max: 180 }).map(turnFromDegrees),
      about: fc.constant({ x: 4, y: -30 }),
    }),
    fc
      .double({ min: 0.6, max: 1.6, noNaN: true })
      .map((x) => ({ kind: 'scale' as const, x, y: x, about: { x: 0, y: -20 } })),
    fc.constant({ kind: 'reflect' as const, direction: turnFromDegrees(30), about: { x: 1, y: -40 } }),
  ),
  { maxLength: 5 },
);

describe('a use of a motif of the drawer', () => {
  it('is a group of its name, read and written as it is; a copy of one shape is that shape alone', () => {
    const { figure } = used('sprig', counter());
    const [round] = made(checkFigure(figure)).rounds;
    expect(round!.groups!.map(({ name, source }) => [name, source?.revision])).toEqual([['Sprig', 2]]);
    expect(made(readFigure(writeFigure(figure)))).toEqual(figure);
    const alone = used('leaf', counter(), false).figure.rounds[0]!;
    expect([alone.groups, alone.shapes.length]).toEqual([undefined, 1]);
  });

  it('is where its motif is put by all that was done to it', () => {
    fc.assert(
      fc.property(transforms, fc.constantFrom('sprig', 'fish', 'snow-arm', 'bud', 'sea-star'), (list, id) => {
        const newId = counter();
        const start = used(id, newId);
        const figure = list.reduce<Figure>((before, t: Transform) => {
          const round = before.rounds[0]!;
          const all = new Set(round.shapes.map((shape) => shape.id));
          return transformShapes(before, 'r', all, t, { copy: false, times: 1, newId }, STRAIGHT).figure;
        }, start.figure);
        const { group } = usesOfFigure(figure)[0]!;
        const { place } = group.source;
        const wanted = paths(stock(id).shapes).map((path) => mapPath(path, place));
        const there = paths(shapesOfGroup(figure.rounds[0]!, group.id));
        // Made plain, a shape may begin elsewhere: what is drawn is as long, and as far in all.
        const total = (list2: readonly Path[]): number =>
          list2.reduce((sum, path) => sum + pathLength(path), 0);
        expect(total(there)).toBeCloseTo(total(wanted), 3);
        const back = motifOfUse(figure, 'r', group.id, STRAIGHT)!;
        expect(total(paths(back.shapes))).toBeCloseTo(total(paths(stock(id).shapes)), 3);
        expect(marks(paths(back.shapes)).length).toBe(marks(paths(stock(id).shapes)).length);
      }),
      { numRuns: 60 },
    );
  });

  it('follows its motif where it was moved, turned, copied and resized; one that was let go stays', () => {
    const newId = counter();
    const { figure, ids } = used('leaf', newId);
    const moved = moveShapes(figure, 'r', ids, { x: -3, y: 10 });
    const twice = duplicateShapes(moved, 'r', ids, newId, { x: 12, y: 0 }).figure;
    const [first, second] = usesOfFigure(twice);
    expect([first!.group.source.place.e, second!.group.source.place.e]).toEqual([0, 12]);
    const large = resized(detachMotif(twice, 'r', first!.group.id), 2);
    const { shapes } = stock('drop');
    const followed = followMotif(large, 'kept', { revision: 3, motif: { shapes } }, newId, STRAIGHT);
    const [use, another] = usesOfFigure(made(checkFigure(followed)));
    expect([another, use!.group.source.revision]).toEqual([undefined, 3]);
    expect(use!.shapes.map(({ form }) => form.kind)).toEqual(['drop']);
    const wanted = marks(paths(shapes).map((path) => mapPath(path, use!.group.source.place)));
    marks(paths(use!.shapes)).forEach((mark, k) => expect(mark).toBeCloseTo(wanted[k]!, 6));
    expect(followed.rounds[0]!.shapes.map(({ form }) => form.kind)).toEqual(['petal', 'drop']);
    // Nothing newer, nothing to do.
    expect(followMotif(followed, 'kept', { revision: 3, motif: { shapes } }, newId, STRAIGHT)).toBe(followed);
    expect(followMotif(followed, 'other', { revision: 9, motif: { shapes } }, newId, STRAIGHT)).toBe(
      followed,
    );
  });

  it('that shapes are copied into is no use any more', () => {
    const newId = counter();
    const { figure, ids } = used('sprig', newId);
    const t = { kind: 'rotate', by: turnFromDegrees(40), about: { x: 0, y: 0 } } as const;
    const copied = transformShapes(figure, 'r', ids, t, { copy: true, times: 2, newId }, STRAIGHT);
    expect(usesOfFigure(copied.figure)).toEqual([]);
    const within = groupShapes(figure, 'r', ids, newId);
    expect(usesOfFigure(within)).toHaveLength(1);
  });
});

it('every stock motif can be read, is found by a label, and is as high as the others', () => {
  expect(STOCK_MOTIFS.length).toBeGreaterThanOrEqual(40);
  expect(new Set(STOCK_MOTIFS.map(({ id }) => id)).size).toBe(STOCK_MOTIFS.length);
  for (const { name, labels, shapes } of STOCK_MOTIFS) {
    const [round] = newFigure('Stock', 'r').rounds;
    expect(refusal(checkFigure({ ...newFigure(name, 'r'), rounds: [{ ...round!, shapes }] }))).toBeNull();
    expect(labels.length).toBeGreaterThan(0);
    const ys = paths(shapes).flatMap(({ segments }) => segments.map(({ from }) => from));
    expect(Math.max(...ys.map(({ x, y }) => Math.hypot(x, y)))).toBeLessThan(34);
  }
});
