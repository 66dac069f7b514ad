import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../tests/help/figures';
import { editorOf } from '../../tests/help/editor';
import { applyTo, type Point, subtract } from '@/core/curve';
import { addRound, addShapes, lockRound, removeShapes, setStart } from '@/core/figure/commands';
import { anchorOf, type Figure, newRound, newShape, START_PAINT } from '@/core/figure';
import { NO_TURN, turn } from '@/core/number';
import { placementMap } from '@/core/symmetry';
import { act } from './editor';
import { select } from './selecting';
import { shownFigure } from './editorState';
import {
  frameOf,
  movedParts,
  overParts,
  promote,
  selectedParts,
  selectOver,
  shapesOfParts,
  toggleOther,
  transformedParts,
} from './parts';

/** Discs in two rounds, the second of which starts a quarter turn on. */
const figure = setStart(
  addShapes(addRound(withForms(disc(0, -40, 5), disc(9, -30, 2)), newRound('q', 'Other', 6)), 'q', [
    newShape('q0', 'Disc', disc(0, -60, 5), START_PAINT),
  ]),
  'q',
  turn(1, 4),
);
const quarter = { turn: turn(1, 4), mirrored: false };
const upright = { turn: NO_TURN, mirrored: false };

function overBoth(of: Figure = figure) {
  const editor = editorOf(of);
  select(editor, 'r', ['s0']);
  toggleOther(editor, { roundId: 'q', ids: new Set(['q0']), placement: quarter });
  return editor;
}
const names = (editor: ReturnType<typeof overBoth>) =>
  selectedParts(editor.getState()).map(({ roundId, ids }) => [roundId, ...ids]);

describe('a selection over rounds', () => {
  it('has the round worked on first; another can be that, and all stays selected', () => {
    const editor = overBoth();
    expect(names(editor)).toEqual([
      ['r', 's0'],
      ['q', 'q0'],
    ]);
    expect(shapesOfParts(editor.getState()).map(({ id }) => id)).toEqual(['s0', 'q0']);
    promote(editor, 'q', quarter);
    expect(names(editor)).toEqual([
      ['q', 'q0'],
      ['r', 's0'],
    ]);
    toggleOther(editor, { roundId: 'r', ids: new Set(['s0']), placement: upright });
    expect(names(editor)).toEqual([['q', 'q0']]);
  });

  it('is of another round where nothing of the one worked on is left, and forgets what is gone', () => {
    const editor = overBoth();
    selectOver(editor, { roundId: 'r', ids: [] }, editor.getState().selection.others);
    expect(names(editor)).toEqual([['q', 'q0']]);
    const both = overBoth();
    act(both, 'Delete', (f) => removeShapes(f, 'q', new Set(['q0'])));
    expect(names(both)).toEqual([['r', 's0']]);
    expect(names(overBoth(lockRound(figure, 'q', true)))).toEqual([['r', 's0']]);
  });

  it('moves as it is seen: each shape by the same way in the figure, whatever the turn of its round', () => {
    const editor = overBoth();
    const state = editor.getState();
    const moved = movedParts(state, figure, { x: 3, y: -4 }, frameOf(state, 'whole', upright));
    const seen = (f: Figure, round: number, placement: typeof upright): Point =>
      applyTo(placementMap(placement), anchorOf(f.rounds[round]!.shapes[0]!));
    for (const [round, placement] of [
      [0, upright],
      [1, quarter],
    ] as const) {
      const by = subtract(seen(moved, round, placement), seen(figure, round, placement));
      expect(by.x).toBeCloseTo(3, 12);
      expect(by.y).toBeCloseTo(-4, 12);
    }
  });

  it('is turned and scaled about one place of the figure', () => {
    const editor = overBoth();
    const state = editor.getState();
    const about = { x: 10, y: -20 };
    const made = transformedParts(
      state,
      figure,
      { kind: 'scale', x: 2, y: 2, about },
      frameOf(state, 'whole', upright),
    );
    for (const [round, placement] of [
      [0, upright],
      [1, quarter],
    ] as const) {
      const [was, is] = [figure, made.figure].map((f) =>
        applyTo(placementMap(placement), anchorOf(f.rounds[round]!.shapes[0]!)),
      );
      expect(is!.x - about.x).toBeCloseTo(2 * (was!.x - about.x), 9);
      expect(is!.y - about.y).toBeCloseTo(2 * (was!.y - about.y), 9);
    }
    expect(made.parts.map(({ ids }) => [...ids])).toEqual([['s0'], ['q0']]);
  });

  it('has a command done to every part', () => {
    const editor = overBoth();
    const state = editor.getState();
    act(editor, 'Delete', (f) =>
      overParts(state, f, (next, { roundId, ids }) => removeShapes(next, roundId, ids)),
    );
    expect(shownFigure(editor.getState()).rounds.map(({ shapes }) => shapes.map(({ id }) => id))).toEqual([
      ['s1'],
      [],
    ]);
  });
});
