import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { type Division, mergedFully } from '@/core/merge';
import { carryCells, colourCells, fuseCells, removeCells, roundOf, setFold, setMerge } from './commands';
import { lostRefs, NO_CELL_EDITS, shownCells } from './cells';
import { mergeJobsOf, requestOf } from './jobs';
import { kindsOf } from './kinds';
import type { Figure } from './model';
import { figureSchema } from './schema';

const [A, B, C, D] = ['#aa0000', '#00bb00', '#0000cc', '#cccc00'] as const;

async function divisionOf(figure: Figure): Promise<Division> {
  const request = requestOf(mergeJobsOf(figure, STRAIGHT)[0]!, {}, STRAIGHT);
  return (await mergedFully(request!, {})).division!;
}

const crown = (fold: number): Figure =>
  setMerge(setFold(withForms(disc(0, -40, 22)), 'r', fold), 'r', 'divide');

/** The colours of a division by how many copies cover, the outermost last. */
function coloursByDepth(figure: Figure, division: Division): Map<number, Set<unknown>> {
  const { merge } = roundOf(figure, 'r');
  const found = new Map<number, Set<unknown>>();
  const shown = shownCells(division, merge?.cells ?? NO_CELL_EDITS, STRAIGHT);
  for (const { group, paints } of kindsOf(shown, merge!)) {
    const set = found.get(group.depth) ?? new Set();
    for (const { fill } of paints) set.add(fill);
    found.set(group.depth, set);
  }
  return found;
}

describe('what was done to cells, under another fold', () => {
  it('goes over ring by ring: what was painted alike is painted alike', async () => {
    const before = await divisionOf(crown(18));
    const painted = colourCells(
      crown(18),
      'r',
      before,
      { by: 'overlap', colours: [A, B, C, D], shift: 0 },
      STRAIGHT,
    );
    const wanted = coloursByDepth(painted, before);
    const changed = setFold(painted, 'r', 24);
    const after = await divisionOf(changed);
    // Nothing of it is there without being carried.
    expect(lostRefs(after, roundOf(changed, 'r').merge!.cells!).length).toBeGreaterThan(0);
    const carried = carryCells(changed, 'r', before, after, STRAIGHT);
    expect(figureSchema.validate(carried).error).toBeUndefined();
    expect(lostRefs(after, roundOf(carried, 'r').merge!.cells!)).toEqual([]);
    const found = coloursByDepth(carried, after);
    for (const [depth, colours] of wanted) if (found.has(depth)) expect(found.get(depth)).toEqual(colours);
    const known = new Set([...wanted.values()].flatMap((each) => [...each]));
    for (const colours of found.values()) for (const colour of colours) expect(known).toContain(colour);
  });

  it('keeps away what was removed, and leaves what was fused to its own cells', async () => {
    const before = await divisionOf(crown(9));
    const [inner] = before.cells;
    const outer = before.cells.at(-1);
    let figure = removeCells(crown(9), 'r', before, [inner!.key]);
    figure = fuseCells(figure, 'r', [`${outer!.key}@0`, `${outer!.key}@1`], true);
    const changed = setFold(figure, 'r', 12);
    const after = await divisionOf(changed);
    const carried = carryCells(changed, 'r', before, after, STRAIGHT);
    const edits = roundOf(carried, 'r').merge!.cells!;
    expect(edits.removed).toHaveLength(1);
    const gone = after.cells.find(({ key }) => key === edits.removed[0]);
    expect(gone?.depth).toBe(inner?.depth);
    expect(edits.fused).toEqual(roundOf(changed, 'r').merge!.cells!.fused);
  });

  it('and single cells have it of those in the nearest direction', async () => {
    const before = await divisionOf(crown(8));
    const painted = colourCells(crown(8), 'r', before, { by: 'sector', colours: [A, B], shift: 0 }, STRAIGHT);
    const changed = setFold(painted, 'r', 16);
    const after = await divisionOf(changed);
    const carried = carryCells(changed, 'r', before, after, STRAIGHT);
    const outermost = [...coloursByDepth(carried, after).get(1)!].sort();
    expect(outermost).toEqual([A, B].sort());
  });
});
