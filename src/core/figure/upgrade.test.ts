import { made } from '../../../tests/help/made';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { describe, expect, it } from 'vitest';

import { difference, pixelsOf } from '../../../tests/help/pictures';
import { PIECES } from '../../../demo/pieces';
import { readFigure, writeFigure } from '@/core/format/figure';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { MOST_DEN } from '@/core/number';
import { evaluateWhole } from './evaluateWhole';
import { STRAIGHT } from '@/core/derive';
import { resolvedShapes } from './combined';
import { combineShapes } from './commands';
import { FIGURE_VERSION, type Figure } from './model';
import { upgraded } from './upgrade';

// Files as earlier versions of the application wrote them.
const FOLDER = path.join(import.meta.dirname, '../../../tests/fixtures');
const FILES = readdirSync(FOLDER).filter((file) => file.endsWith('.json'));
const textOf = (file: string): string => readFileSync(path.join(FOLDER, file), 'utf8');

/** Its outlines alone, as colours of the pieces have changed since. */
const drawn = async (figure: Figure) => {
  const scene = await evaluateWhole(figure);
  return pixelsOf(svgOf(scene, { ...DEFAULT_SVG, background: false }), 300);
};

describe('files of earlier versions', () => {
  it('are there of each version', () => {
    const versions = FILES.map((file) => (JSON.parse(textOf(file)) as { version: number }).version);
    expect([...new Set(versions)].sort((a, b) => a - b)).toEqual(
      Array.from({ length: FIGURE_VERSION - 1 }, (_, k) => k + 1),
    );
  });

  it.each(FILES)('%s is read as a figure of the present version, and drawn', async (file) => {
    const figure = made(readFigure(textOf(file)));
    expect(figure.version).toBe(FIGURE_VERSION);
    expect(made(readFigure(writeFigure(figure)))).toEqual(figure);
    const pixels = await drawn(figure);
    expect(pixels.some((level) => level > 0)).toBe(true);
  });

  it.each(FILES.filter((file) => file.includes('.v3.')))('%s draws what its piece does now', async (file) => {
    const now = PIECES[file.replace('.v3.json', '')]?.();
    expect(now).toBeDefined();
    if (now) expect(difference(await drawn(made(readFigure(textOf(file)))), await drawn(now))).toBe(0);
  });

  it.each(FILES.filter((file) => file.includes('.v4.')))(
    '%s has its colours on the cells on which they were',
    async (file) => {
      const now = PIECES[file.replace('.v4.json', '')]?.();
      const pixels = async (figure: Figure) => pixelsOf(svgOf(await evaluateWhole(figure), DEFAULT_SVG), 300);
      expect(now).toBeDefined();
      if (now) expect(difference(await pixels(made(readFigure(textOf(file)))), await pixels(now))).toBe(0);
    },
  );

  it('have motifs by id: rounds with one link share theirs, one that had come apart keeps its own', () => {
    const figure = made(readFigure(textOf('frost-flake.v11.json')));
    const [first, turned, apart] = figure.rounds;
    expect([first?.motif, turned?.motif, apart?.motif]).toEqual(['flake', 'flake', undefined]);
    expect(turned?.shapes).toEqual(first?.shapes);
    expect(apart?.shapes).toHaveLength(1);
    const stored = JSON.parse(writeFigure(figure)) as {
      motifs: { id: string }[];
      rounds: { motif: string }[];
    };
    expect(stored.rounds.slice(0, 3).map(({ motif }) => motif)).toEqual(['flake', 'flake', 'apart']);
    expect(stored.motifs.filter(({ id }) => id === 'flake')).toHaveLength(1);
  });

  it('have groups with names, combined as they were', async () => {
    const figure = made(readFigure(textOf('scallop-ring.v5.json')));
    const groups = figure.rounds.flatMap((round) => round.groups ?? []);
    expect(groups).toEqual([
      { id: 'cut', name: 'Group 1', op: 'subtract' },
      { id: 'both', name: 'Group 1' },
    ]);
    const piece = PIECES['scallop-ring']?.();
    const ribs = new Set(['rib-outer', 'rib-middle']);
    const now = piece && combineShapes(piece, 'ribs', ribs, 'subtract', () => 'cut');
    expect(now && difference(await drawn(figure), await drawn(now))).toBe(0);
    const ribsOf = ({ rounds }: typeof figure) => rounds.filter(({ id }) => id === 'ribs');
    expect(ribsOf(figure).flatMap((round) => resolvedShapes(round, STRAIGHT))).toHaveLength(2);
  });

  it('keep angles as near as they can be kept', () => {
    const old = JSON.parse(textOf('lamp-burst.v3.json')) as { rounds: { rule: { start: unknown } }[] };
    old.rounds[0]!.rule.start = { num: 2 ** 50 + 1, den: 2 ** 52 };
    const { start } = (upgraded(old) as unknown as typeof old).rounds[0]!.rule as {
      start: { num: number; den: number };
    };
    expect(start.den).toBeLessThanOrEqual(MOST_DEN);
    expect(Math.abs(start.num / start.den - 0.25)).toBeLessThan(2 ** -41);
  });
});
