import { describe, expect, it } from 'vitest';

import { ok } from '@/core/finding';
import { readTokens, tokensOf } from './tokens';

const palette = { name: 'Tide Week', colours: ['#1f8a76', '#d9512c80'] };

describe('design tokens', () => {
  it('are written as the format of 2025.10 has them', () => {
    expect(JSON.parse(tokensOf(palette))).toEqual({
      'Tide Week': {
        $type: 'color',
        'colour-1': {
          $value: { colorSpace: 'srgb', components: [0.121569, 0.541176, 0.462745], hex: '#1f8a76' },
        },
        'colour-2': {
          $value: {
            colorSpace: 'srgb',
            components: [0.85098, 0.317647, 0.172549],
            alpha: 0.501961,
            hex: '#d9512c',
          },
        },
      },
    });
  });

  it('come back as they were', () => {
    expect(readTokens(tokensOf(palette))).toEqual(ok(palette));
  });

  it('have the names of colours, each otherwise, and bring them back', () => {
    const named = { ...palette, names: { '#1f8a76': 'Kelp.green', '#d9512c80': 'Kelp green' } };
    const text = tokensOf(named);
    expect(Object.keys((JSON.parse(text) as Record<string, object>)['Tide Week']!)).toEqual([
      '$type',
      'Kelp green',
      'Kelp green 2',
    ]);
    const names = { '#1f8a76': 'Kelp green', '#d9512c80': 'Kelp green 2' };
    expect(readTokens(text)).toEqual(ok({ ...palette, names }));
  });

  it('are read from nested groups, of other types not, in other spaces and as the strings of earlier drafts', () => {
    const text = JSON.stringify({
      base: {
        $type: 'color',
        sea: { $value: '#123456' },
        deep: { dark: { $value: { colorSpace: 'oklch', components: [0.72322, 0.12403, 247.996] } } },
        same: { $value: '#123456' },
        gap: { $type: 'dimension', $value: '4px' },
      },
    });
    const names = { '#123456': 'sea', '#62acef': 'dark' };
    expect(readTokens(text)).toEqual(ok({ name: 'base', colours: ['#123456', '#62acef'], names }));
  });

  it.each([
    ['no JSON', '{', /no JSON/],
    ['none', '{"a": {"$type": "dimension", "$value": "3px"}}', /no colour tokens/],
    ['broken ones', '{"a": {"$type": "color", "$value": "mud"}}', /None of the 1 colour tokens/],
    ['a list', '[1, 2]', /no colour tokens/],
    [
      'too many',
      JSON.stringify({
        $type: 'color',
        ...Object.fromEntries(
          Array.from({ length: 65 }, (_, k) => [`c${k}`, { $value: `#0000${(k + 16).toString(16)}` }]),
        ),
      }),
      /65 colours/,
    ],
  ])('of a file with %s are refused with the reason', (_, text, reason) => {
    const read = readTokens(text);
    expect(!read.ok && read.finding.sentence).toMatch(reason);
  });
});
