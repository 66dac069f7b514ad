import { made } from '../../../../tests/help/made';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../../tests/help/figures';
import { formatOf } from '../formats';
import { readFigure } from './json';
import { dataOf, partedFromPictures, withPictureIds } from './pictures';
import type { TextFormat } from '../format';
import { evaluate, type Figure } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import { STRAIGHT } from '@/core/derive';

const figure: Figure = {
  ...withForms(disc(0, -40, 8)),
  underlay: {
    picture: 'p1',
    name: 'Sketch',
    width: 40,
    height: 30,
    at: { x: 0, y: -40 },
    rotation: NO_TURN,
    strength: 0.5,
    visible: true,
    locked: false,
  },
};
const picture = 'data:image/png;base64,iVBORw0KGgo=';

describe('a figure’s file', () => {
  it('has its pictures with it, and comes back without them as the figure that it was', () => {
    const json = formatOf('json') as TextFormat<object>;
    const scene = evaluate(figure, new Map(), STRAIGHT);
    const text = json.write({ figure, scene, pictures: { p1: picture } }, {});
    const parted = partedFromPictures(JSON.parse(text));
    expect(parted.pictures).toEqual({ p1: picture });
    expect(made(readFigure(text))).toEqual(figure);
    expect(withPictureIds(parted.figure, new Map([['p1', 'p2']]))).toMatchObject({
      underlay: { picture: 'p2' },
    });
    expect(json.write({ figure, scene }, {})).not.toContain('pictures');
  });

  it('brings nothing but pictures in', () => {
    const given = { pictures: { a: 'data:text/html;base64,PGI+', b: 5, c: 'http://elsewhere', d: picture } };
    expect(partedFromPictures(given).pictures).toEqual({ d: picture });
    expect(partedFromPictures([1]).pictures).toEqual({});
    expect(dataOf(picture)).toEqual({ type: 'image/png', base64: 'iVBORw0KGgo=' });
    expect(dataOf('data:image/png;base64,<script>')).toBeNull();
  });
});
