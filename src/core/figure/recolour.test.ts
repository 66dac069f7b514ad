import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { oklchOf, rampColour } from '@/core/paint';
import { NO_TURN } from '@/core/number';
import {
  addBacking,
  addRound,
  addShapes,
  changeSwatch,
  linkRound,
  nameColour,
  removeSwatch,
  setMerge,
  setPalette,
} from './commands';
import { foundBy } from './foundBy';
import { coloursOfFigure, inPalette, intoPalette, recoloured, swapColour } from './recolour';
import { reachOfMotif } from './reach';
import { figureSchema } from './schema';
import { newFigure, newRound, newShape } from './start';
import type { Figure } from './model';

const circle = (id: string, fill: string, stroke: string | null = null) =>
  newShape(
    id,
    id,
    { kind: 'ellipse', at: { x: 0, y: -20 }, rotation: NO_TURN, params: { width: 10, height: 10 } },
    { fill, stroke: stroke === null ? null : { colour: stroke, width: 1, cap: 'round', join: 'round' } },
  );

const figure = (): Figure => {
  const made = addShapes(newFigure('Test', 'a'), 'a', [
    circle('dark', '#202020', '#e0e0e0'),
    circle('middle', '#808080'),
    {
      ...circle('run', '#000000'),
      paint: {
        fill: {
          kind: 'linear',
          spread: 'cell',
          from: { x: 0, y: 0 },
          to: { x: 1, y: 0 },
          stops: [
            { at: 0, colour: '#808080' },
            { at: 1, colour: '#20202080' },
          ],
        },
        stroke: null,
      },
    },
  ]);
  return { ...made, page: { ...made.page, background: '#ffffff' }, palette: ['#808080', '#ffffff'] };
};

const textOf = (each: unknown): string => JSON.stringify(each);

describe('colours of a figure', () => {
  it('are counted wherever they paint, the most used first', () => {
    expect(coloursOfFigure(figure())).toEqual([
      { colour: '#808080', uses: 2 },
      { colour: '#ffffff', uses: 1 },
      { colour: '#202020', uses: 1 },
      { colour: '#e0e0e0', uses: 1 },
      { colour: '#20202080', uses: 1 },
    ]);
  });

  it('have names that go along when one is changed, and stay behind with another palette', () => {
    const named = nameColour(nameColour(figure(), '#808080', ' Fog '), '#ffffff', 'Paper');
    expect(named.colourNames).toEqual({ '#808080': 'Fog', '#ffffff': 'Paper' });
    expect(figureSchema.validate(named).error).toBeUndefined();
    expect(changeSwatch(named, '#808080', '#1f8a76').colourNames).toEqual({
      '#1f8a76': 'Fog',
      '#ffffff': 'Paper',
    });
    // Of two that become one the first name counts.
    expect(changeSwatch(named, '#ffffff', '#808080').colourNames).toEqual({ '#808080': 'Fog' });
    expect(inPalette(named, ['#ff0000']).colourNames).toEqual(named.colourNames);
    expect(nameColour(nameColour(named, '#808080', ''), '#ffffff', ' ').colourNames).toBeUndefined();
    expect(foundBy(named).colours).toContain('Fog');
    expect(setPalette(named, ['#123456'], { '#123456': 'Deep' }).colourNames).toMatchObject({
      '#123456': 'Deep',
    });
  });

  it('are swapped everywhere: fills, strokes, stops, page and palette', () => {
    const made = swapColour(figure(), '#808080', '#1f8a76');
    expect(textOf(made)).not.toContain('#808080');
    expect(made.palette).toEqual(['#1f8a76', '#ffffff']);
    expect(textOf(swapColour(made, '#1f8a76', '#808080'))).toBe(textOf(figure()));
  });

  it('follow a swatch that is changed; one that is taken out keeps what it painted', () => {
    const changed = changeSwatch(figure(), '#808080', '#d9512c');
    expect(coloursOfFigure(changed)[0]).toEqual({ colour: '#d9512c', uses: 2 });
    const gone = removeSwatch(figure(), '#808080');
    expect(gone.palette).toEqual(['#ffffff']);
    expect(coloursOfFigure(gone)[0]?.colour).toBe('#808080');
  });

  it('are changed of chosen shapes, of a round or of all', () => {
    const red = (): string => '#ff0000';
    const some = recoloured(figure(), { of: 'shapes', roundId: 'a', shapeIds: new Set(['dark']) }, red);
    expect(some.rounds[0]!.shapes.map(({ paint }) => paint.fill === '#ff0000')).toEqual([true, false, false]);
    expect(some.page.background).toBe('#ffffff');
    const round = recoloured(figure(), { of: 'round', roundId: 'a' }, red);
    expect(coloursOfFigure(round).map(({ colour }) => colour)).toEqual(['#ff0000', '#ffffff']);
    expect(recoloured(figure(), { of: 'figure' }, red).page.background).toBe('#ff0000');
  });

  it('of a merged round are those of its outline', () => {
    const merged = setMerge(figure(), 'a', 'union');
    const changed = swapColour(merged, '#202020', '#123456');
    expect(changed.rounds[0]!.merge?.paint.fill).toBe('#123456');
  });
});

it.each(['circle', 'square'] as const)('a %s backing lies behind all and reaches beyond it', (backing) => {
  let id = 0;
  const made = addBacking(figure(), backing, () => `b${(id += 1)}`, STRAIGHT);
  expect(figureSchema.validate(made).error).toBeUndefined();
  const [back, front] = made.rounds;
  expect(front?.id).toBe('a');
  expect(back?.rule.fold).toBe(1);
  expect(reachOfMotif(back!, STRAIGHT)?.outer).toBeGreaterThan(reachOfMotif(front!, STRAIGHT)!.outer);
  // In a colour that is none of what lies on it.
  const painted = coloursOfFigure(figure()).map(({ colour }) => colour);
  expect(painted).not.toContain(back?.shapes[0]?.paint.fill);
});

it('rounds that share a motif have the same colours, whatever is recoloured', () => {
  const linked = linkRound(addRound(figure(), newRound('b', 'B')), 'b', 'a', 'link');
  const dark = new Set(['dark']);
  for (const scope of [
    { of: 'shapes', roundId: 'a', shapeIds: dark },
    { of: 'round', roundId: 'b' },
    { of: 'figure' },
  ] as const) {
    const [a, b] = recoloured(linked, scope, () => '#ff0000').rounds;
    expect(a!.shapes[0]!.paint.fill).toBe('#ff0000');
    expect(b!.shapes).toEqual(a!.shapes);
  }
});

describe('a figure in another palette', () => {
  it('keeps what is lighter lighter, and the opacity', () => {
    const palette = ['#fff6dc', '#4c2216', '#e0781f', '#a3431b'];
    const made = inPalette(figure(), palette);
    const fill = (k: number): string => made.rounds[0]!.shapes[k]!.paint.fill as string;
    expect(fill(0)).toBe('#4c2216');
    expect(made.page.background).toBe('#fff6dc');
    expect(oklchOf(fill(0)).l).toBeLessThan(oklchOf(fill(1)).l);
    expect(textOf(made)).toContain('#4c221680');
    expect(made.palette).toEqual(palette);
    // Four colours of the figure and four of the palette: each is one of these.
    const used = coloursOfFigure(made).map(({ colour }) => colour.slice(0, 7));
    expect(used.every((colour) => palette.includes(colour))).toBe(true);
  });

  it('of fewer colours mixes between them', () => {
    const made = inPalette(figure(), ['#000000', '#ffffff']);
    expect(made.rounds[0]!.shapes[1]!.paint.fill).toBe(rampColour(['#000000', '#ffffff'], 1 / 3));
  });
});

it('colours of some are put in a palette from dark to light, each with its opacity', () => {
  const change = intoPalette(['#202020', '#808080', '#f0f0f0'], ['#ffffff', '#000000']);
  expect(change('#202020')).toBe('#000000');
  expect(change('#f0f0f080')).toBe('#ffffff80');
  expect(['#000000', '#ffffff']).not.toContain(change('#808080'));
  expect(intoPalette(['#202020'], [])('#202020')).toBe('#202020');
});
