import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../tests/help/figures';
import { editorOf } from '../../tests/help/editor';
import { valueOf } from '../../demo/pieces/valueOf';
import { STRAIGHT } from '@/core/derive';
import { bendShapes, roundOf } from '@/core/figure/commands';
import { newShape, START_PAINT } from '@/core/figure';
import { select } from './selecting';
import { shownFigure } from './editorState';
import { isLaid, laneRound, laneStrip, paneRound, withDrawn } from './lane';
import { movedParts } from './parts';
import { IDENTITY } from '@/core/curve';

const both = new Set(['s0', 's1']);
const opened = () => {
  const figure = withForms(disc(-10, -40, 5), disc(10, -40, 5), disc(0, -70, 4));
  return editorOf(valueOf(bendShapes(figure, 'r', both, () => 'g', STRAIGHT)).figure);
};

describe('the lane', () => {
  it('shows the strip alone, straight, while shapes are drawn', () => {
    const editor = opened();
    expect(laneStrip(editor.getState())?.id).toBe('g');
    expect(laneRound(editor.getState())?.shapes.map(({ id }) => id)).toEqual(['s0', 's1']);
    expect(laneRound(editor.getState())?.groups).toBeUndefined();
    expect(laneRound(editor.getState())).toBe(paneRound(editor.getState(), 'lane'));
    editor.setState({ stage: 'colour' });
    expect(laneRound(editor.getState())).toBeNull();
  });

  it('has parts of a strip worked on as they lie, and all of it where it was taken', () => {
    const editor = opened();
    select(editor, 'r', ['s0']);
    expect(isLaid(editor.getState())).toBe(true);
    select(editor, 'r', both);
    expect(isLaid(editor.getState())).toBe(false);
    const bend = () => roundOf(shownFigure(editor.getState()), 'r').groups![0]!.bend!;
    const moved = (by: { x: number; y: number }) =>
      roundOf(movedParts(editor.getState(), shownFigure(editor.getState()), by, IDENTITY), 'r').groups![0]!
        .bend!;
    expect(moved({ x: 0, y: -4 }).radius).toBeCloseTo(bend().radius + 4, 9);
    editor.setState({ laid: true });
    expect(moved({ x: 0, y: -4 })).toEqual(bend());
    select(editor, 'r', ['s2']);
    expect(isLaid(editor.getState())).toBe(false);
  });

  it('takes what is drawn in it into the strip', () => {
    const editor = opened();
    const shape = newShape('new', 'New', disc(0, -40, 1), START_PAINT);
    const drawn = () => {
      const state = editor.getState();
      return roundOf(withDrawn(state, shownFigure(state), 'r', [shape]), 'r').shapes.at(-1);
    };
    expect(drawn()?.group).toBeUndefined();
    editor.setState({ laid: true });
    expect(drawn()?.group).toBe('g');
  });
});
