import { describe, expect, it } from 'vitest';

import { NO_TURN } from '@/core/number';
import type { SceneItem, SceneLayer } from '@/core/scene';
import { isDrawnAsCells } from './cellPainter';

const FLAT: SceneItem = {
  origin: { of: 'cells', keys: ['a'] },
  paths: [],
  paint: { fill: '#ff0000', stroke: null },
  rule: 'nonzero',
  mirrored: false,
};
const STROKED: SceneItem = {
  ...FLAT,
  paint: { fill: '#ff0000', stroke: { colour: '#000000', width: 1, cap: 'butt', join: 'miter' } },
};
const layer = (part: Partial<SceneLayer>): SceneLayer => ({
  roundId: 'r',
  copies: [{ turn: NO_TURN }, { turn: NO_TURN }],
  items: [FLAT],
  ...part,
});

describe('what a canvas shows as SVG does', () => {
  it.each<[string, Partial<SceneLayer>, boolean]>([
    ['cells in one paint', {}, true],
    ['with a stroke', { items: [STROKED] }, true],
    ['all as faint', { copies: [{ turn: NO_TURN, opacity: 0.5 }] }, true],
    [
      'faint, with a stroke over the fill',
      { items: [STROKED], copies: [{ turn: NO_TURN, opacity: 0.5 }] },
      false,
    ],
    ['fainter and fainter', { copies: [{ turn: NO_TURN }, { turn: NO_TURN, opacity: 0.5 }] }, false],
    ['some in other colours', { copies: [{ turn: NO_TURN, items: [FLAT] }] }, false],
    ['shapes as they are', { items: [{ ...FLAT, origin: { of: 'shape', shapeId: 's' } }] }, false],
    ['of more than one thing', { items: [FLAT, FLAT] }, false],
    ['reflected as they are drawn', { items: [{ ...FLAT, mirrored: true }] }, false],
    ['blended all together', { blend: 'multiply' }, true],
    ['as wire', { relief: { how: 'raised', edge: 1, from: NO_TURN } }, false],
  ])('%s', (_, part, answer) => {
    expect(isDrawnAsCells(layer(part))).toBe(answer);
  });
});
