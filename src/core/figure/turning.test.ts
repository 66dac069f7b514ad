import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter, disc } from '../../../tests/help/figures';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { applyTo, boundsOfPaths, distance, mapPath, type Path, polarOf } from '@/core/curve';
import { checkFigure } from '@/core/format/figure';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { type Form, pathsOfForm } from '@/core/maker';
import { addTurns, degreesOf, NO_TURN, turn, wrapTurn } from '@/core/number';
import { mixedColour } from '@/core/paint';
import { BLEND_MODES, type Scene } from '@/core/scene';
import { MOST_SWEEP_TURNS } from '@/core/symmetry/rule';
import { copyAt, placementMap, stepOf, sweepProblem, turnsOf } from '@/core/symmetry';
import {
  addRound,
  addShapes,
  duplicateRound,
  freeCopy,
  linkedRounds,
  linkProblem,
  linkRound,
  mirroringOf,
  moveShapes,
  roundOf,
  setBlend,
  setVariation,
  setFold,
  setMerge,
  setMirroring,
  setOpacity,
  setRoundWhirl,
  setStart,
  setSweep,
  setProgression,
  START_VARIATION,
  START_PROGRESSION,
  stepChoices,
  takeCopyBack,
  takeStep,
  unlinkRound,
} from './commands';
import { copiesOf, eased, symmetryOf } from './copies';
import { gapOfRound, gapOfRounds, nextOutward, sizeOfRound, touchingMoves, touchingWhirl } from './distance';
import { evaluate } from './evaluate';
import { mergeJobsOf, requestOf } from './jobs';
import { evaluateWhole } from './evaluateWhole';
import { hitFigure } from './hit';
import type { Figure } from './model';
import { newFigure, newRound, newShape, START_PAINT } from './start';

const withDisc = (fold: number, r = 5, away = 40): Figure =>
  setFold(
    addShapes(newFigure('A', 'r'), 'r', [newShape('s', 'Disc', disc(0, -away, r), START_PAINT)]),
    'r',
    fold,
  );
const both = (): Figure => {
  const figure = addRound(withDisc(8), newRound('b', 'B', 5));
  return addShapes(figure, 'b', [newShape('t', 'Other', disc(0, -70, 6), START_PAINT)]);
};

/** The drawn paths of a scene as they stand. */
const drawn = (scene: Scene): Path[] =>
  scene.layers.flatMap((layer) =>
    layer.copies.flatMap(({ turn: by, transform, items }) =>
      (items ?? layer.items).flatMap(({ paths, mirrored }) =>
        paths.map((path) =>
          mapPath(path, placementMap({ turn: by, transform: transform ?? null, mirrored })),
        ),
      ),
    ),
  );
const middlesOf = (figure: Figure) =>
  drawn(evaluate(figure, new Map(), STRAIGHT)).map((path) => {
    const box = boundsOfPaths([path]);
    return { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, size: box.right - box.left };
  });

describe('a sweep', () => {
  it('spreads copies over a part of the turn, with one at either end or a step before it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 60 }),
        fc.integer({ min: 1, max: 720 }),
        fc.boolean(),
        (fold, degrees, ends) => {
          const rule = { fold, mirror: false, start: turn(1, 9), sweep: { turn: turn(degrees, 360), ends } };
          const turns = turnsOf(rule);
          expect(turns).toHaveLength(fold);
          expect(turns[0]).toEqual(turn(1, 9));
          const last = ends ? turns[fold - 1]! : addTurns(turns[fold - 1]!, stepOf(rule));
          expect(last).toEqual(addTurns(turn(1, 9), turn(degrees, 360)));
        },
      ),
    );
    expect(stepOf({ fold: 1, sweep: { turn: turn(1, 4), ends: true } })).toEqual(turn(1, 4));
  });

  it('of nothing, or of too many turns, is refused', () => {
    expect(sweepProblem(NO_TURN)?.sentence).toContain('of nothing');
    expect(sweepProblem(turn(MOST_SWEEP_TURNS + 1))?.sentence).toContain('at most 40');
    expect(sweepProblem(turn(-3, 2))).toBeNull();
    const figure = withDisc(8);
    expect(setSweep(figure, 'r', { turn: NO_TURN, ends: true })).toBe(figure);
    const swept = setSweep(figure, 'r', { turn: turn(1, 3), ends: true });
    expect(made(checkFigure(JSON.parse(JSON.stringify(swept))))).toEqual(swept);
    const broken = JSON.parse(JSON.stringify(swept)) as { rounds: { rule: { sweep: object } }[] };
    broken.rounds[0]!.rule.sweep = { turn: { num: 0, den: 1 }, ends: true };
    expect(refusal(checkFigure(broken))).toMatch('of nothing');
    expect(setSweep(swept, 'r', null)).toEqual(figure);
  });

  it('is drawn on in the copy nearest to the pointer', () => {
    const rule = { fold: 3, mirror: false, start: NO_TURN, sweep: { turn: turn(1, 2), ends: true } };
    expect(copyAt(rule, { x: 30, y: 2 })).toEqual(turn(1, 4));
    expect(copyAt(rule, { x: -3, y: 30 })).toEqual(turn(1, 2));
    expect(copyAt(rule, { x: -1, y: -30 })).toEqual(NO_TURN);
  });
});

describe('a step angle', () => {
  // A full turn is 360 degrees, so the step is 360/n; a step that does not divide 360 does not close (common practice).
  it('that divides the turn is a fold', () => {
    for (const [step, fold] of [
      [turn(36, 360), 10],
      [turn(1, 7), 7],
      [turn(-1, 12), 12],
      [turn(1, 720), 720],
    ] as const) {
      const [only, another] = stepChoices(step);
      expect(another).toBeUndefined();
      expect(only).toMatchObject({ fold, sweep: null });
    }
  });

  it('that does not closes after several turns, or leaves a gap, or has folds beside it', () => {
    const choices = stepChoices(turn(50, 360));
    expect(choices.map(({ label }) => label)).toEqual([
      '36 copies close after 5 turns',
      '7 copies leave a gap of 10°',
      '7 close in one turn, 51.4286° each',
      '8 close in one turn, 45° each',
    ]);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 359 }), fc.integer({ min: 1, max: 7 }), (num, part) => {
        const step = turn(num, 360 * part);
        for (const choice of stepChoices(step)) {
          const { rule } = roundOf(takeStep(withDisc(8), 'r', choice), 'r');
          expect(rule.fold).toBe(choice.fold);
          // Ways with a sweep keep the very step; the copies then stand at its multiples.
          if (rule.sweep) expect(stepOf(rule)).toEqual(step);
          const whole = wrapTurn(addTurns(turnsOf(rule)[rule.fold - 1]!, stepOf(rule)));
          if (choice.label.includes('close')) expect(whole).toEqual(NO_TURN);
        }
      }),
    );
  });

  it('of nothing, or that needs more copies than there can be, has none', () => {
    expect(stepChoices(NO_TURN)).toEqual([]);
    expect(stepChoices(turn(1, 7200))).toEqual([]);
    expect(stepChoices(turn(123457, 1000000)).map(({ label }) => label)[0]).toContain('leave a gap');
  });
});

describe('copies that differ', () => {
  it('are every second one: at half a step, farther out, of another size and tint', () => {
    const every = { ...START_VARIATION, out: 10, size: 0.5, halfStep: true, tint: '#ffffff' };
    const figure = setVariation(withDisc(12), 'r', every);
    expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
    const copies = middlesOf(figure);
    expect(copies).toHaveLength(12);
    copies.forEach((copy, k) => {
      const odd = k % 2 === 1;
      expect(polarOf(copy).r).toBeCloseTo(odd ? 50 : 40, 9);
      expect(copy.size).toBeCloseTo(odd ? 5 : 10, 9);
      const angle = wrapTurn(turn(k * 2 + (odd ? 1 : 0), 24));
      expect(((polarOf(copy).degrees % 360) + 360) % 360).toBeCloseTo(degreesOf(angle) % 360, 6);
    });
    expect(symmetryOf(roundOf(figure, 'r'))).toBe(6);
    const layer = evaluate(figure, new Map(), STRAIGHT).layers[0]!;
    expect(layer.copies[1]!.items![0]!.paint.fill).toBe(mixedColour('#1f8a76', '#ffffff', 0.5));
    // Of twelve copies all tinted ones share their items: memory grows with the motif.
    expect(new Set(layer.copies.map(({ items }) => items)).size).toBe(2);
    expect(setVariation(figure, 'r', null)).toEqual(withDisc(12));
    expect(symmetryOf(roundOf(setVariation(withDisc(10), 'r', { ...every, nth: 3 }), 'r'))).toBe(1);
  });

  it('are reflections in turn', () => {
    const aside = addShapes(newFigure('A', 'r'), 'r', [newShape('s', 'S', disc(4, -40, 2), START_PAINT)]);
    const figure = setMirroring(setFold(aside, 'r', 6), 'r', 'alternate');
    expect(mirroringOf(roundOf(figure, 'r').rule)).toBe('alternate');
    const copies = middlesOf(figure);
    copies.forEach((copy, k) => {
      const own = applyTo(placementMap({ turn: turn(-k, 6), mirrored: false }), copy);
      expect(own.x).toBeCloseTo(k % 2 === 1 ? -4 : 4, 9);
    });
    expect(symmetryOf(roundOf(figure, 'r'))).toBe(3);
    expect(mirroringOf(roundOf(setMirroring(figure, 'r', 'halves'), 'r').rule)).toBe('halves');
    expect(mirroringOf(roundOf(setMirroring(figure, 'r', 'none'), 'r').rule)).toBe('none');
  });

  it('grow, twist, fade and are tinted on the way from first to last, evenly or eased', () => {
    const way = { ...START_PROGRESSION, out: -20, size: 0.5, fade: 0.2, tint: '#000000' };
    const figure = setProgression(withDisc(5), 'r', way);
    expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
    const copies = middlesOf(figure);
    copies.forEach((copy, k) => {
      expect(polarOf(copy).r).toBeCloseTo(40 - 5 * k, 9);
      expect(copy.size).toBeCloseTo(10 * (1 - k / 8), 9);
    });
    expect(copiesOf(roundOf(figure, 'r'), STRAIGHT).map(({ opacity }) => Number(opacity.toFixed(9)))).toEqual(
      [1, 0.8, 0.6, 0.4, 0.2],
    );
    for (const ease of ['even', 'in', 'out', 'both'] as const) {
      expect([eased(0, ease), eased(1, ease)]).toEqual([0, 1]);
      expect(eased(0.25, ease)).toBeLessThan(eased(0.75, ease));
    }
    // A spiral is a way over several turns.
    const spiral = setSweep(figure, 'r', { turn: turn(2), ends: true });
    const radii = middlesOf(spiral).map((copy) => polarOf(copy).r);
    expect(radii).toEqual([...radii].sort((a, b) => b - a));
    expect(copiesOf(roundOf(spiral, 'r'), STRAIGHT)[2]!.turn).toEqual(turn(1));
  });

  it('are hit where they stand, and merged as they are', async () => {
    const figure = setProgression(withDisc(5), 'r', { ...START_PROGRESSION, size: 1, out: 30 });
    const [, second] = middlesOf(figure);
    const hit = hitFigure(figure, second!, 0.1, STRAIGHT);
    expect(hit?.placement.turn).toEqual(turn(1, 5));
    expect(distance(applyTo(placementMap(hit!.placement), { x: 0, y: -40 }), second!)).toBeLessThan(1e-9);
    const united = setMerge(
      setVariation(withDisc(12, 12), 'r', { ...START_VARIATION, size: 0.8 }),
      'r',
      'union',
    );
    const request = requestOf(mergeJobsOf(united, STRAIGHT)[0]!, {}, STRAIGHT)!;
    expect(request.operands[0]).toMatchObject({ fold: 6 });
    expect(request.operands[0]!.shapes).toHaveLength(2);
    const merged = pixelsOf(svgOf(await evaluateWhole(united), DEFAULT_SVG), 300);
    const copies = pixelsOf(svgOf(evaluate(united, new Map(), STRAIGHT), DEFAULT_SVG), 300);
    expect(difference(merged, copies)).toBeLessThan(0.001);
  });

  it('look the same as symbols and as plain paths, strokes scaled with them', () => {
    const stroked = addShapes(withDisc(7, 6), 'r', [
      newShape('l', 'Line', disc(0, -62, 5), {
        fill: null,
        stroke: { colour: '#113d4c', width: 2, cap: 'round', join: 'round' },
      }),
    ]);
    const way = { ...START_PROGRESSION, size: 0.3, twist: 80, fade: 0.4, tint: '#d9512c' };
    const figure = setBlend(setOpacity(setProgression(stroked, 'r', way), 'r', 0.9), 'r', 'multiply');
    const scene = evaluate(setMirroring(figure, 'r', 'alternate'), new Map(), STRAIGHT);
    const compact = pixelsOf(svgOf(scene, DEFAULT_SVG), 400);
    expect(difference(compact, pixelsOf(svgOf(scene, { ...DEFAULT_SVG, form: 'plain' }), 400))).toBeLessThan(
      0.001,
    );
  });
});

/** The separable formulas of Compositing and Blending Level 1, section 9.1, for one channel from 0 to 1. */
const FORMULAS: Partial<Record<(typeof BLEND_MODES)[number], (b: number, s: number) => number>> = {
  normal: (_, s) => s,
  multiply: (b, s) => b * s,
  screen: (b, s) => b + s - b * s,
  overlay: (b, s) => (b <= 0.5 ? 2 * b * s : 1 - 2 * (1 - b) * (1 - s)),
  darken: Math.min,
  lighten: Math.max,
  'color-dodge': (b, s) => (b === 0 ? 0 : s === 1 ? 1 : Math.min(1, b / (1 - s))),
  'color-burn': (b, s) => (b === 1 ? 1 : s === 0 ? 0 : 1 - Math.min(1, (1 - b) / s)),
  'hard-light': (b, s) => (s <= 0.5 ? 2 * b * s : 1 - 2 * (1 - b) * (1 - s)),
  'soft-light': (b, s) => {
    const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
    return s <= 0.5 ? b - (1 - 2 * s) * b * (1 - b) : b + (2 * s - 1) * (d - b);
  },
  difference: (b, s) => Math.abs(b - s),
  exclusion: (b, s) => b + s - 2 * b * s,
};

describe('a whirl of a round', () => {
  const square: Form = {
    kind: 'polygon',
    at: { x: 0, y: 0 },
    rotation: NO_TURN,
    params: { sides: 4, radius: 60, diagonals: 'none' },
  };
  const whirled = (): Figure =>
    setRoundWhirl(
      addShapes(setFold(newFigure('A', 'r'), 'r', 1), 'r', [newShape('s', 'Square', square, START_PAINT)]),
      'r',
      { angle: turn(1, 36), factor: 0.5, count: 5 },
    );

  it('is the copies again and again, each level turned and as much smaller', () => {
    const figure = setRoundWhirl(withDisc(6), 'r', { angle: turn(1, 24), factor: 0.8, count: 4 });
    expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
    const copies = middlesOf(figure);
    expect(copies).toHaveLength(24);
    copies.forEach((copy, k) => {
      const level = Math.floor(k / 6);
      expect(polarOf(copy).r).toBeCloseTo(40 * 0.8 ** level, 9);
      expect(copy.size).toBeCloseTo(10 * 0.8 ** level, 9);
      const degrees = (k % 6) * 60 + level * 15;
      expect((polarOf(copy).degrees + 720) % 360).toBeCloseTo(degrees % 360, 6);
    });
    expect(freeCopy(figure, 'r', 7, counter(), STRAIGHT)).toBe(figure);
    expect(setRoundWhirl(figure, 'r', null)).toEqual(withDisc(6));
  });

  it('touches by the factor of plane trigonometry, cos(π/n) / cos(π/n − θ)', () => {
    const factor = touchingWhirl(roundOf(whirled(), 'r'), turn(1, 36), STRAIGHT);
    const wanted = Math.cos(Math.PI / 4) / Math.cos(Math.PI / 4 - (10 * Math.PI) / 180);
    expect(factor).toBeCloseTo(wanted, 8);
    expect(touchingWhirl(roundOf(whirled(), 'r'), turn(1, 4), STRAIGHT)).toBeNull();
  });

  it('is merged with all its levels', async () => {
    const united = setMerge(
      setRoundWhirl(withDisc(8, 14), 'r', { angle: turn(1, 16), factor: 0.75, count: 3 }),
      'r',
      'union',
    );
    const merged = pixelsOf(svgOf(await evaluateWhole(united), DEFAULT_SVG), 300);
    const copies = pixelsOf(svgOf(evaluate(united, new Map(), STRAIGHT), DEFAULT_SVG), 300);
    expect(difference(merged, copies)).toBeLessThan(0.001);
  });
});

type Rgb = readonly [number, number, number];

const lumOf = ([r, g, b]: Rgb): number => 0.3 * r + 0.59 * g + 0.11 * b;
const satOf = (c: Rgb): number => Math.max(...c) - Math.min(...c);

/** ClipColor and SetLum of Compositing and Blending Level 1, section 9.2. */
function withLum(c: Rgb, lum: number): Rgb {
  const moved = c.map((x) => x + lum - lumOf(c)) as unknown as Rgb;
  const [l, n, x] = [lumOf(moved), Math.min(...moved), Math.max(...moved)];
  return moved.map((v) => {
    if (n < 0) return l + ((v - l) * l) / (l - n);
    return x > 1 ? l + ((v - l) * (1 - l)) / (x - l) : v;
  }) as unknown as Rgb;
}

/** SetSat of the same section. */
function withSat(c: Rgb, sat: number): Rgb {
  const [low, high] = [Math.min(...c), Math.max(...c)];
  return c.map((v) => (high > low ? ((v - low) * sat) / (high - low) : 0)) as unknown as Rgb;
}

/** The non-separable modes of section 9.2: backdrop b, source s. */
const WHOLE_FORMULAS = {
  hue: (b: Rgb, s: Rgb) => withLum(withSat(s, satOf(b)), lumOf(b)),
  saturation: (b: Rgb, s: Rgb) => withLum(withSat(b, satOf(s)), lumOf(b)),
  color: (b: Rgb, s: Rgb) => withLum(s, lumOf(b)),
  luminosity: (b: Rgb, s: Rgb) => withLum(b, lumOf(s)),
} as const;

describe('blend modes', () => {
  const pixelOf = (mode: (typeof BLEND_MODES)[number]): readonly number[] => {
    const start = newFigure('A', 'r');
    const page = { ...start.page, background: '#c08040' };
    const shape = newShape('s', 'S', disc(0, 0, 80), { fill: '#3060a0', stroke: null });
    const figure = setFold(setBlend(addShapes({ ...start, page }, 'r', [shape]), 'r', mode), 'r', 1);
    const pixels = pixelsOf(svgOf(evaluate(figure, new Map(), STRAIGHT), DEFAULT_SVG), 40);
    const at = 4 * (20 * 40 + 20);
    return [...pixels.slice(at, at + 3)];
  };
  const backdrop: Rgb = [0xc0 / 255, 0x80 / 255, 0x40 / 255];
  const source: Rgb = [0x30 / 255, 0x60 / 255, 0xa0 / 255];

  it.each(Object.keys(WHOLE_FORMULAS) as (keyof typeof WHOLE_FORMULAS)[])(
    '%s, which is not of one channel, is that of the standard',
    (mode) => {
      const wanted = WHOLE_FORMULAS[mode](backdrop, source);
      pixelOf(mode).forEach((value, channel) =>
        expect(Math.abs(value - 255 * wanted[channel]!)).toBeLessThanOrEqual(1.01),
      );
    },
  );

  it.each(Object.keys(FORMULAS) as (keyof typeof FORMULAS)[])('%s is that of the standard', (mode) => {
    const formula = FORMULAS[mode]!;
    pixelOf(mode).forEach((value, channel) =>
      expect(Math.abs(value - 255 * formula(backdrop[channel]!, source[channel]!))).toBeLessThanOrEqual(1.01),
    );
  });

  it('are all in the format, normal being left out', () => {
    for (const mode of BLEND_MODES) {
      const figure = setBlend(withDisc(3), 'r', mode);
      expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
      expect('blend' in roundOf(figure, 'r')).toBe(mode !== 'normal');
    }
    expect('opacity' in roundOf(setOpacity(withDisc(3), 'r', 1), 'r')).toBe(false);
  });
});

describe('shared motifs and free copies', () => {
  it('a motif that is shared is edited once, until it is made its own', () => {
    const linked = linkRound(both(), 'b', 'r', 'l');
    expect(roundOf(linked, 'b').shapes).toEqual(roundOf(linked, 'r').shapes);
    expect(linkedRounds(linked, roundOf(linked, 'r')).map(({ id }) => id)).toEqual(['b']);
    const moved = moveShapes(linked, 'b', new Set(['s']), { x: 0, y: -3 });
    expect(roundOf(moved, 'r').shapes).toBe(roundOf(moved, 'b').shapes);
    expect(made(checkFigure(JSON.parse(JSON.stringify(moved))))).toEqual(moved);
    const own = unlinkRound(moved, 'b');
    expect(own.rounds.some(({ motif }) => motif !== undefined)).toBe(false);
    const apart = moveShapes(own, 'b', new Set(['s']), { x: 0, y: -3 });
    expect(roundOf(apart, 'r').shapes).toBe(roundOf(own, 'r').shapes);
    expect(roundOf(duplicateRound(linked, 'b', counter()), 'n1').motif).toBeUndefined();
    expect(linkProblem('r', 'r')?.sentence).toContain('itself');
    expect(linkRound(linked, 'r', 'r', 'x')).toBe(linked);
  });

  it('a copy set free looks as it did, differs on its own, and is taken back', () => {
    const figure = setStart(
      setProgression(withDisc(6), 'r', { ...START_PROGRESSION, size: 0.5, out: 10 }),
      'r',
      turn(1, 30),
    );
    const free = freeCopy(figure, 'r', 2, counter(), STRAIGHT);
    expect(free.rounds).toHaveLength(2);
    expect(roundOf(free, 'r').omitted).toEqual([2]);
    expect(made(checkFigure(JSON.parse(JSON.stringify(free))))).toEqual(free);
    const order = (f: Figure) =>
      middlesOf(f)
        .map(({ x, y, size }) => [x, y, size].map((n) => n.toFixed(7)).join(' '))
        .sort();
    expect(order(free)).toEqual(order(figure));
    const [own] = free.rounds.filter(({ detachedFrom }) => detachedFrom);
    expect(takeCopyBack(free, own!.id)).toEqual(figure);
    expect(freeCopy(figure, 'r', 17, counter(), STRAIGHT)).toBe(figure);
    expect(takeCopyBack(figure, 'r')).toBe(figure);
    // A smaller fold has no such place any more.
    expect(roundOf(setFold(free, 'r', 2), 'r').omitted).toBeUndefined();
  });
});

describe('distances of rounds', () => {
  it('to the neighbour and to the next round are those of geometry', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 24 }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (fold, r) => {
          const figure = withDisc(fold, r, 40);
          // Equal circles on a ring are 2 R sin(π/n) − 2 r apart.
          expect(gapOfRound(roundOf(figure, 'r'), STRAIGHT)).toBeCloseTo(
            80 * Math.sin(Math.PI / fold) - 2 * r,
            8,
          );
        },
      ),
      { numRuns: 20 },
    );
    const figure = both();
    const [a, b] = figure.rounds as [Figure['rounds'][0], Figure['rounds'][0]];
    expect(nextOutward(figure, a, STRAIGHT)).toBe(b);
    expect(nextOutward(figure, b, STRAIGHT)).toBeNull();
    // The first copies of both stand on the axis: 70 − 6 − (40 + 5).
    expect(gapOfRounds(a, b, STRAIGHT)).toBeCloseTo(19, 9);
    const shifted = roundOf(setStart(figure, 'b', turn(1, 80)), 'b');
    // Turned by 4.5 degrees, which is half of what 8 and 5 copies have between them at least.
    const away = Math.sqrt(40 ** 2 + 70 ** 2 - 2 * 40 * 70 * Math.cos((4.5 * Math.PI) / 180));
    expect(gapOfRounds(a, shifted, STRAIGHT)).toBeCloseTo(away - 11, 7);
    expect(sizeOfRound(a, STRAIGHT)).toMatchObject({ width: expect.closeTo(90, 9) as number });
  });

  it('to touching are solved: a round is moved out or in until its copies just touch those of another', () => {
    const figure = both();
    const [a] = figure.rounds;
    // Along the axis 70 − 6 − 45 is what parts them.
    expect(touchingMoves(figure, a!, STRAIGHT)[0]).toBeCloseTo(19, 6);
    const through = moveShapes(figure, 'r', new Set(['s']), { x: 0, y: -25 });
    expect(touchingMoves(through, through.rounds[0]!, STRAIGHT)[0]).toBeCloseTo(-6, 6);
    const beyond = moveShapes(figure, 'r', new Set(['s']), { x: 0, y: -60 });
    expect(touchingMoves(beyond, beyond.rounds[0]!, STRAIGHT)[0]).toBeCloseTo(70 + 11 - 100, 6);
    expect(touchingMoves(withDisc(3), withDisc(3).rounds[0]!, STRAIGHT)).toEqual([]);
  });

  it('of copies that differ are the least of all pairs, and of nothing none', () => {
    const figure = setVariation(withDisc(10, 4), 'r', { ...START_VARIATION, size: 1.5 });
    expect(gapOfRound(roundOf(figure, 'r'), STRAIGHT)).toBeCloseTo(80 * Math.sin(Math.PI / 10) - 10, 7);
    expect(gapOfRound(newRound('x', 'X'), STRAIGHT)).toBeNull();
    expect(gapOfRounds(newRound('x', 'X'), roundOf(figure, 'r'), STRAIGHT)).toBeNull();
    expect(sizeOfRound(newRound('x', 'X'), STRAIGHT)).toBeNull();
    const [path] = pathsOfForm(disc(0, -40, 4), STRAIGHT);
    expect(path).toBeDefined();
  });
});
