import { describe, expect, it } from 'vitest';

import { counter, withForms } from '../../../tests/help/figures';
import { valueOf } from '../../../demo/pieces/valueOf';
import { plainBend } from '@/core/bend';
import { boundsOfPaths, lengthOf, polygonPath, signedArea } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { type Form, formOfPaths, pathsOfForm } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import { resolvedShapes } from './combined';
import {
  bendShapes,
  duplicateShapes,
  fitStrip,
  makeCombinedPlain,
  moveRoundOut,
  moveShapes,
  resized,
  roundOf,
  setBend,
  setFold,
  straighten,
  transformShapes,
} from './commands';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';
import { hitMotif } from './hit';
import { figureSchema } from './schema';
import { seenPaths } from './seen';

const box = (left: number, right: number, top: number, bottom: number): Form =>
  formOfPaths([
    polygonPath([
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ]),
  ]);
const both = new Set(['s0', 's1']);

/** Two boxes side by side as a strip, bent to a fifth in a round of five. */
function strip(part: Parameters<typeof setBend>[3] = {}): Figure {
  const straight = setFold(withForms(box(-20, 0, -46, -34), box(0, 20, -46, -34)), 'r', 5);
  const { figure, groupId } = valueOf(bendShapes(straight, 'r', both, () => 'g', STRAIGHT));
  return setBend(figure, 'r', groupId, { radius: 40, units: 1, ...part });
}
const bendOf = (figure: Figure, id = 'g') =>
  roundOf(figure, 'r').groups!.find((group) => group.id === id)!.bend!;
const seenBox = (figure: Figure) => boundsOfPaths(seenPaths(roundOf(figure, 'r'), STRAIGHT));
const areas = (figure: Figure) =>
  resolvedShapes(roundOf(figure, 'r'), STRAIGHT).map(({ form }) =>
    Math.abs(signedArea(pathsOfForm(form, STRAIGHT))),
  );

describe('a strip in a motif', () => {
  it('is drawn bent to a step of its round, while its shapes lie as they lay', () => {
    const figure = strip();
    expect(figureSchema.validate(figure).error).toBeUndefined();
    expect(bendOf(figure).span).toEqual(turn(1, 5));
    // Half a sector of a ring each: α/2 · (R² − r²).
    const half = (Math.PI / 5 / 2) * (46 ** 2 - 34 ** 2);
    for (const area of areas(figure)) expect(area).toBeCloseTo(half, 6);
    expect(roundOf(figure, 'r').shapes.map(({ form }) => form)).toEqual([
      box(-20, 0, -46, -34),
      box(0, 20, -46, -34),
    ]);
  });

  it('closes a ring with its copies: all of them together are the ring', async () => {
    const ring = await evaluateWhole(strip());
    const circles = withForms({
      kind: 'ellipse',
      at: { x: 0, y: 0 },
      rotation: NO_TURN,
      params: { width: 92, height: 92 },
    });
    const disc = await evaluateWhole(setFold(circles, 'r', 1));
    const options = { ...DEFAULT_SVG, background: false };
    const ringArea = pixelsOf(svgOf(ring, options), 300).reduce((sum, level) => sum + level, 0);
    const discArea = pixelsOf(svgOf(disc, options), 300).reduce((sum, level) => sum + level, 0);
    expect(ringArea / discArea).toBeCloseTo(1 - (34 / 46) ** 2, 2);
  });

  it('goes where all of it is moved, and keeps its straight drawing; a part of it moves in the drawing', () => {
    const figure = strip();
    const out = moveShapes(figure, 'r', both, { x: 0, y: -7 });
    expect(bendOf(out).radius).toBeCloseTo(47, 12);
    expect(roundOf(out, 'r').shapes).toEqual(roundOf(figure, 'r').shapes);
    const aside = moveShapes(figure, 'r', new Set(['s0']), { x: 0, y: -7 });
    expect(bendOf(aside)).toEqual(bendOf(figure));
    expect(-seenBox(aside).top).toBeCloseTo(53, 1);
    const laid = moveShapes(figure, 'r', both, { x: 3, y: 0 }, { straight: true });
    expect(bendOf(laid)).toEqual(bendOf(figure));
    expect(roundOf(laid, 'r').shapes).not.toEqual(roundOf(figure, 'r').shapes);
    expect(bendOf(moveRoundOut(figure, 'r', 5)).radius).toBeCloseTo(45, 12);
  });

  it('is turned and reflected about the centre exactly, and grows with what it is on', () => {
    const figure = strip();
    const how = { copy: false, times: 3, newId: () => 'n' };
    const about = { x: 0, y: 0 };
    const turned = transformShapes(
      figure,
      'r',
      both,
      { kind: 'rotate', by: turn(1, 7), about },
      how,
      STRAIGHT,
    );
    expect(bendOf(turned.figure).middle).toEqual(turn(3, 7));
    expect(turned.ids).toEqual(['s0', 's1']);
    const t = { kind: 'reflect', direction: turn(1, 10), about } as const;
    const reflected = transformShapes(figure, 'r', both, t, { ...how, times: 1 }, STRAIGHT);
    expect(bendOf(reflected.figure)).toMatchObject({ middle: turn(1, 5), mirrored: true });
    const larger = resized(figure, 2);
    expect(bendOf(larger)).toMatchObject({ radius: 80, height: 24, strip: { left: -40, right: 40 } });
    expect(figureSchema.validate(larger).error).toBeUndefined();
  });

  it('is copied as a strip of its own', () => {
    const newId = counter();
    const { figure, ids } = duplicateShapes(strip(), 'r', both, newId, { x: 0, y: -20 });
    const round = roundOf(figure, 'r');
    expect(round.groups).toHaveLength(2);
    expect(ids).toHaveLength(2);
    expect(round.groups!.map(({ bend }) => bend!.radius)).toEqual([40, expect.closeTo(60, 9)]);
    const how = { copy: true, times: 2, newId };
    const t = { kind: 'rotate', by: turn(1, 10), about: { x: 0, y: 0 } } as const;
    const more = transformShapes(strip(), 'r', both, t, how, STRAIGHT).figure;
    expect(roundOf(more, 'r').groups!.map(({ bend }) => bend!.middle)).toEqual([
      NO_TURN,
      turn(1, 10),
      turn(1, 5),
    ]);
  });

  it('is made plain as it is seen, or straight again as the group that it was', async () => {
    const figure = strip({ swell: 0.4, wave: 2, twist: 12, units: 3 });
    const { figure: plain } = makeCombinedPlain(figure, 'r', both, STRAIGHT);
    expect(roundOf(plain, 'r').groups).toBeUndefined();
    const picture = async (each: Figure) => pixelsOf(svgOf(await evaluateWhole(each), DEFAULT_SVG), 200);
    expect(difference(await picture(plain), await picture(figure))).toBe(0);
    const straight = straighten(figure, 'r', 'g');
    expect(resolvedShapes(roundOf(straight, 'r'), STRAIGHT)).toBe(roundOf(straight, 'r').shapes);
    expect(roundOf(straight, 'r').groups).toEqual([{ id: 'g', name: 'Group 1' }]);
  });

  it('takes what is drawn later as its unit when asked, as high in proportion', () => {
    const taller = moveShapes(strip(), 'r', new Set(['s0']), { x: 0, y: -12 });
    const fitted = bendOf(fitStrip(taller, 'r', 'g', STRAIGHT));
    expect(fitted).toMatchObject({ strip: { top: -58, bottom: -34 }, height: 24 });
  });

  it('is one shape too, and is refused where it is flat', () => {
    const one = withForms(box(-20, 20, -46, -34));
    expect(bendShapes(one, 'r', new Set(['s0']), () => 'g', STRAIGHT).ok).toBe(true);
    const flat = withForms(box(-20, 20, -40, -40));
    expect(bendShapes(flat, 'r', new Set(['s0']), () => 'g', STRAIGHT).ok).toBe(false);
    expect(setBend(strip(), 'r', 'g', { radius: 2 })).toEqual(strip());
  });

  it('stays outside the centre and within a turn in a figure that is read', () => {
    const figure = strip();
    const broken = (part: object) => ({
      ...figure,
      rounds: figure.rounds.map((round) => ({
        ...round,
        groups: round.groups!.map((group) => ({ ...group, bend: { ...group.bend!, ...part } })),
      })),
    });
    for (const part of [{ radius: 3 }, { span: turn(2) }, { units: 0 }, { twist: NaN }, { how: 'curl' }])
      expect(figureSchema.validate(broken(part)).error).toBeDefined();
    expect(lengthOf({ x: plainBend(bendOf(figure).strip, turn(1)).radius, y: 0 })).toBeCloseTo(
      40 / (2 * Math.PI),
      12,
    );
  });

  it('has runs of colour bent with what they are on, unit by unit', () => {
    const figure = strip({ units: 2 });
    const run = {
      kind: 'linear',
      spread: 'copy',
      from: { x: -20, y: -40 },
      to: { x: 0, y: -40 },
      stops: [
        { at: 0, colour: '#ffffff' },
        { at: 1, colour: '#000000' },
      ],
    } as const;
    const painted = {
      ...figure,
      rounds: figure.rounds.map((round) => ({
        ...round,
        shapes: round.shapes.map((shape) =>
          shape.id === 's0' ? { ...shape, paint: { fill: run, stroke: null } } : shape,
        ),
      })),
    };
    const shapes = resolvedShapes(roundOf(painted, 'r'), STRAIGHT);
    expect(shapes.map(({ id }) => id)).toEqual(['s0', 's0-1', 's1']);
    for (const { form, paint } of shapes.slice(0, 2)) {
      const { fill } = paint;
      if (typeof fill !== 'object' || !fill) throw new Error('a run is kept');
      // It goes through the middle of its unit, square to the ray there, from end to end.
      const { left, right, top, bottom } = boundsOfPaths(pathsOfForm(form, STRAIGHT));
      const middle = { x: (fill.from.x + fill.to.x) / 2, y: (fill.from.y + fill.to.y) / 2 };
      expect(lengthOf(middle)).toBeCloseTo(40, 9);
      expect(middle.x).toBeGreaterThan(left);
      expect(middle.x).toBeLessThan(right);
      expect(middle.y).toBeGreaterThan(top);
      expect(middle.y).toBeLessThan(bottom);
      const across = { x: fill.to.x - fill.from.x, y: fill.to.y - fill.from.y };
      expect(across.x * middle.x + across.y * middle.y).toBeCloseTo(0, 9);
      // A quarter of the strip's arc.
      expect(lengthOf(across)).toBeCloseTo((40 * 2 * Math.PI) / 5 / 4, 9);
    }
  });

  it('is hit where it is bent, as the shape that is there', () => {
    const round = roundOf(strip(), 'r');
    const at = (x: number, y: number) => hitMotif(round, { x, y }, 0.01, STRAIGHT)?.shapeId ?? null;
    expect([at(-15, -37), at(15, -37)]).toEqual(['s0', 's1']);
    // The straight drawing reaches no farther than 46 up; the strip of radius 40 bent as far out as that at its middle alone.
    const far = roundOf(strip({ radius: 60 }), 'r');
    expect(hitMotif(far, { x: 0.5, y: -60 }, 0.01, STRAIGHT)?.shapeId).toBe('s1');
    expect(hitMotif(far, { x: 30, y: -52 }, 0.01, STRAIGHT)?.shapeId).toBe('s1');
  });
});
