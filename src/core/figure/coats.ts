/**
 * The cells of a divided round as coats of paint that reach under one another, so that nothing shows between them on the screen and in
 * pictures (core/merge/nested). What is no plain opaque colour keeps its cells as they are, over a coat in the colour that stands for it.
 *
 * @example
 * const task = coatsTask(round, merge, division, request, work);
 * const coats = task && work.ask(task.nested);
 * if (task && coats?.ok) draw(coatedLayers(round, merge, division, task, coats.value, work));
 */
import equal from 'fast-deep-equal';

import { addTurns } from '@/core/number';
import { type Task, taskOf, type Work } from '@/core/derive';
import {
  type CellCopy,
  type Division,
  type MergeRequest,
  type Nested,
  NESTED,
  shortRefs,
} from '@/core/merge';
import { coloursOfFill, isGradient, isOpaque, meanColour } from '@/core/paint';
import type { Colour, Paint, SceneLayer } from '@/core/scene';
import { layersOfGroup, NO_CELL_EDITS, paintsOfCells, shownCells } from './cells';
import { kindKey } from './cellPaints';
import { remembered } from '../remembered';
import type { Round, RoundMerge } from './model';

/** Divisions of more cells than this are drawn as they are: as many are shown by a canvas, cell by cell. */
const MOST_CELLS = 1500;

/** What coats are made of. */
export interface CoatsTask {
  readonly nested: Task<Nested>;
  /** The numbers of the paints of cells, by what names these. */
  readonly paints: Readonly<Record<string, number>>;
  /** The colour of each coat, by the number of its paint. */
  readonly colours: readonly Colour[];
  /** The keys of the kinds that have it. */
  readonly keys: readonly (readonly string[])[];
}

/** The colour that covers all that is beneath a paint; null where something may be seen through it. */
const coverOf = remembered(({ fill }: Paint): Colour | null => {
  const colours = coloursOfFill(fill);
  return colours.length > 0 && colours.every(isOpaque) ? meanColour(colours) : null;
});

/** True for a paint that a coat of its colour is all of. */
const isPlain = ({ fill, stroke }: Paint): boolean => !isGradient(fill) && stroke === null;

/** What is laid on what is below it as a whole, or lit facet by facet, is not put on in coats. */
const canBeCoated = ({ blend, opacity, light, relief }: Round): boolean =>
  (blend === undefined || blend === 'normal') && (opacity ?? 1) === 1 && !light && !relief;

/** The work that coats of a divided round take; null where it is drawn as it is. */
export function coatsTask(
  round: Round,
  merge: RoundMerge,
  division: Division,
  request: MergeRequest,
  work: Work,
): CoatsTask | null {
  const count = division.cells.reduce((sum, { size }) => sum + size, 0);
  if (!canBeCoated(round) || count > MOST_CELLS || count < 2) return null;
  const refs = new Map<Colour, string[]>();
  for (const group of shownCells(division, merge.cells ?? NO_CELL_EDITS, work).groups)
    paintsOfCells(group, merge).forEach((paint, k) => {
      const cover = paint && coverOf(paint);
      if (!cover) return;
      const own = refs.get(cover) ?? [];
      refs.set(cover, own);
      own.push(...(group.copies[k]?.refs ?? []));
    });
  if (refs.size === 0) return null;
  const colours = [...refs.keys()];
  const paints = Object.fromEntries(
    [...refs.values()].flatMap((own, paint) => shortRefs(division.cells, own).map((ref) => [ref, paint])),
  );
  return {
    nested: taskOf(NESTED, { request, paints }),
    paints,
    colours,
    keys: [...refs.values()].map((own) => [...new Set(own.map(kindKey))]),
  };
}

/** Coats as they are wanted now, with the work of those wanted before where the cells are painted alike. Both are of the same shapes. */
export const sameCoats = (before: CoatsTask, now: CoatsTask): CoatsTask =>
  equal(before.paints, now.paints) ? { ...now, nested: before.nested } : now;

/** The colour of the coat that a cell is in; null where it is in none. */
const coatOf =
  ({ paints, colours }: CoatsTask) =>
  ({ refs: [ref = ''] }: CellCopy): Colour | null =>
    colours[paints[ref] ?? paints[kindKey(ref)] ?? -1] ?? null;

/** True where what was painted otherwise since may lie over coats made before: no cell lets its former coat be seen through it. */
export const canBeLaidOver = (task: CoatsTask, merge: RoundMerge, division: Division, work: Work): boolean =>
  shownCells(division, merge.cells ?? NO_CELL_EDITS, work).groups.every((group) => {
    const paints = paintsOfCells(group, merge);
    return group.copies.every((copy, k) => {
      const paint = paints[k];
      return (paint && coverOf(paint)) || coatOf(task)(copy) === null;
    });
  });

/** The layers of a divided round in coats; cells that these are not all of, or that were painted otherwise since, lie over them. */
export function coatedLayers(
  round: Round,
  merge: RoundMerge,
  division: Division,
  task: CoatsTask,
  coats: Nested,
  work: Work,
): SceneLayer[] {
  const { colours, keys } = task;
  const coat = coatOf(task);
  const laid = coats.flatMap(({ paint, parts }) =>
    parts.map(({ turns, loops }): SceneLayer => ({
      roundId: round.id,
      blend: round.blend,
      copies: turns.map((turn) => ({ turn: addTurns(turn, round.rule.start) })),
      items: [
        {
          origin: { of: 'cells', keys: keys[paint] ?? [] },
          paths: loops,
          paint: { fill: colours[paint] ?? null, stroke: null },
          rule: 'nonzero',
          mirrored: false,
        },
      ],
    })),
  );
  const over = shownCells(division, merge.cells ?? NO_CELL_EDITS, work).groups.flatMap((group) => {
    const paints = paintsOfCells(group, merge).map((paint, k) => {
      const copy = group.copies[k];
      const cover = paint && coverOf(paint);
      return cover && isPlain(paint) && copy && coat(copy) === cover ? null : paint;
    });
    return layersOfGroup(round, group, paints);
  });
  return [...laid, ...over];
}
