import { expect, it } from 'vitest';

import { colourName } from './colourName';

it('calls colours what people call them, whatever their opacity', () => {
  // The keywords of CSS Color Level 4, section 6.1, that have a basic word in them.
  const keywords = {
    black: '#000000',
    white: '#ffffff',
    red: '#ff0000',
    green: '#008000',
    blue: '#0000ff',
    yellow: '#ffff00',
    orange: '#ffa500',
    purple: '#800080',
    pink: '#ffc0cb',
    brown: '#a52a2a80',
    teal: '#008080',
    grey: '#808080',
    beige: '#f5f5dc',
  };
  const called = Object.entries(keywords).map(([word, colour]) => [word, colourName(colour)]);
  // CSS's brown is a dark red to most eyes: it may be either.
  expect(called.filter(([word, name]) => word !== name && word !== 'brown')).toEqual([]);
  expect(['brown', 'red']).toContain(colourName(keywords.brown));
});
