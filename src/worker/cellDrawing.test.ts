import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';

import {
  boxesOf,
  type CanvasFrame,
  type Cells,
  copiesIn,
  drawCopies,
  flatColour,
  inColour,
  type Look,
  ready,
  type Surface,
} from './cellDrawing';

interface Done {
  readonly what: string;
  readonly style: unknown;
  readonly alpha: number;
  /** Where the point 1, 0 of the outline comes to. */
  readonly at: readonly [number, number];
}

type Matrix = readonly [number, number, number, number, number, number];

/** A surface that writes down what is done to it. */
class Recorder {
  readonly done: Done[] = [];
  readonly stops: (readonly [number, string])[] = [];
  fillStyle: unknown = '#000';
  strokeStyle: unknown = '#000';
  lineWidth = 1;
  lineCap = 'butt';
  lineJoin = 'miter';
  miterLimit = 10;
  globalAlpha = 1;
  private matrix: Matrix = [1, 0, 0, 1, 0, 0];

  setLineDash(): void {}
  setTransform(...m: Matrix): void {
    this.matrix = m;
  }
  createLinearGradient(): unknown {
    return { addColorStop: (at: number, colour: string) => this.stops.push([at, colour]) };
  }
  fill(): void {
    this.note('fill', this.fillStyle);
  }
  stroke(): void {
    this.note('stroke', this.strokeStyle);
  }
  private note(what: string, style: unknown): void {
    const [a, b, , , e, f] = this.matrix;
    const round = (value: number): number => Math.round(value * 1e9) / 1e9 || 0;
    this.done.push({
      what,
      style,
      alpha: this.globalAlpha,
      at: [round(a + e), round(b + f)],
    });
  }
}

const surfaceOf = (recorder: Recorder): Surface => recorder as unknown as Surface;

const FRAME: CanvasFrame = {
  width: 100,
  height: 100,
  scale: 2,
  x: 50,
  y: 50,
  rotation: 0,
  outline: null,
  strength: 1,
  full: null,
};

/** An outline as it stands, and turned by a quarter. */
const CELLS: Cells = {
  id: 'a',
  data: 'M0 0H1V1Z',
  box: { left: 0, top: 0, right: 1, bottom: 1 },
  rule: 'nonzero',
  places: Float64Array.of(1, 0, 0, 1, 0, 0, 0, 1, -1, 0, 0, 0),
};
const RED: Look = { paint: { fill: '#ff0000', stroke: null }, opacity: 1 };

/** What is done to draw copies of cells. */
function drawn(look: Look, frame: CanvasFrame, run: readonly [number, number], cells = CELLS): Recorder {
  const recorder = new Recorder();
  drawCopies(surfaceOf(recorder), ready(cells), look, frame, run);
  return recorder;
}

const RUN = {
  kind: 'linear',
  spread: 'cell',
  from: { x: 0, y: 0 },
  to: { x: 1, y: 0 },
  stops: [
    { at: 0, colour: '#ff0000' },
    { at: 1, colour: '#0000ff80' },
  ],
} as const;
const STROKE = { colour: '#00ff00', width: 1, cap: 'butt', join: 'miter' } as const;

beforeAll(() => {
  vi.stubGlobal('Path2D', vi.fn());
});
afterAll(() => {
  vi.unstubAllGlobals();
});

describe('cells on a canvas', () => {
  it('stand where their places and the view have them', () => {
    expect(drawn(RED, FRAME, [0, 2]).done.map(({ at }) => at)).toEqual([
      [52, 50],
      [50, 52],
    ]);
    const quarter = { ...FRAME, rotation: Math.PI / 2 };
    expect(drawn(RED, quarter, [1, 2]).done.map(({ at }) => at)).toEqual([[48, 50]]);
  });

  it('have their stroke over the fill, or behind it', () => {
    const order = (behind: boolean): string[] => {
      const paint = { fill: '#ff0000', stroke: STROKE, behind };
      const { done } = drawn({ paint, opacity: 0.5 }, FRAME, [0, 1]);
      expect(done.every(({ alpha }) => alpha === 0.5)).toBe(true);
      return done.map(({ what, style }) => `${what} ${String(style)}`);
    };
    expect(order(false)).toEqual(['fill #ff0000', 'stroke #00ff00']);
    expect(order(true)).toEqual(['stroke #00ff00', 'fill #ff0000']);
  });

  it('have gradients with the stops as they are mixed', () => {
    expect(drawn({ paint: { fill: RUN, stroke: null }, opacity: 1 }, FRAME, [0, 1]).stops).toEqual([
      [0, '#ff0000'],
      [1, '#0000ff80'],
    ]);
  });

  it('are lines of one pixel without paint where outlines are shown', () => {
    const frame = { ...FRAME, outline: '#010203' };
    const recorder = drawn({ ...RED, opacity: 0.5 }, frame, [0, 1]);
    expect(recorder.done.map(({ what, style, alpha }) => [what, style, alpha])).toEqual([
      ['stroke', '#010203', 1],
    ]);
    expect(recorder.lineWidth * frame.scale).toBe(1);
  });

  it('are one colour where nothing else is seen of them', () => {
    const flat = (part: Partial<Look>, frame = FRAME): string | null =>
      flatColour({ ...RED, ...part }, 'nonzero', frame);
    expect(flat({})).toBe('#ff0000');
    expect(flat({ opacity: 0.5 })).toBeNull();
    for (const paint of [
      { fill: '#ff000080', stroke: null },
      { fill: null, stroke: null },
      { fill: '#ff0000', stroke: STROKE },
      { fill: RUN, stroke: null },
    ])
      expect(flat({ paint })).toBeNull();
    const wire = { ...FRAME, outline: '#010203' };
    expect(flat({ paint: { fill: null, stroke: STROKE } }, wire)).toBe('#010203');
    // In any one colour they are drawn as in their own.
    for (const frame of [FRAME, wire]) {
      const { look, frame: own } = inColour('#00ff00', frame);
      const shape = ({ done }: Recorder) => done.map(({ what, at }) => [what, at]);
      const pure = drawn(look, own, [0, 2]);
      expect(shape(pure)).toEqual(shape(drawn(RED, frame, [0, 2])));
      expect(pure.done.every(({ style, alpha }) => style === '#00ff00' && alpha === 1)).toBe(true);
    }
  });

  it('have boxes with all that is drawn of them, wherever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        fc.double({ min: -9, max: 9, noNaN: true }),
        (turn, rotation, off) => {
          const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
          const frame = { ...FRAME, rotation };
          const cell = { ...CELLS, places: Float64Array.of(cos, sin, -sin, cos, off, 2) };
          const [left = 0, top = 0, right = 0, bottom = 0] = boxesOf(ready(cell), RED.paint, frame);
          const [x, y] = drawn(RED, frame, [0, 1], cell).done[0]!.at.map((at) => (at - 50) / 2) as [
            number,
            number,
          ];
          // The point 1, 0 is a corner of the box of its outline.
          expect(x).toBeGreaterThan(left - 1e-6);
          expect(x).toBeLessThan(right + 1e-6);
          expect(y).toBeGreaterThan(top - 1e-6);
          expect(y).toBeLessThan(bottom + 1e-6);
          expect(right - left).toBeLessThan(Math.SQRT2 + 1e-6);
        },
      ),
    );
    // The point of a corner reaches out by half the stroke, times the limit.
    const stroked = { fill: null, stroke: { ...STROKE, limit: 4 } };
    expect([...boxesOf(ready(CELLS), stroked, FRAME).slice(0, 4)]).toEqual([-2, -2, 3, 3]);
    // Lines of a pixel are half a unit here.
    const wire = { ...FRAME, outline: '#010203' };
    expect([...boxesOf(ready(CELLS), RED.paint, wire).slice(0, 4)]).toEqual([-1, -1, 2, 2]);
  });

  it('are drawn where they reach into the canvas, and nowhere else', () => {
    const side = fc.double({ min: -200, max: 200, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(side, side, side, side), { minLength: 1, maxLength: 8 }), (corners) => {
        const boxes = Float64Array.from(
          corners.flatMap(([a, b, c, d]) => [Math.min(a, c), Math.min(b, d), Math.max(a, c), Math.max(b, d)]),
        );
        const seen = new Set(
          copiesIn(boxes, FRAME).flatMap(([from, to]) =>
            Array.from({ length: to - from }, (_, k) => from + k),
          ),
        );
        corners.forEach((_, k) => {
          const [left, top, right, bottom] = [...boxes.slice(4 * k, 4 * k + 4)] as [
            number,
            number,
            number,
            number,
          ];
          const pixels = {
            left: left * FRAME.scale + FRAME.x,
            right: right * FRAME.scale + FRAME.x,
            top: top * FRAME.scale + FRAME.y,
            bottom: bottom * FRAME.scale + FRAME.y,
          };
          const isIn = (near: number): boolean =>
            pixels.left <= FRAME.width + near &&
            pixels.right >= -near &&
            pixels.top <= FRAME.height + near &&
            pixels.bottom >= -near;
          // With the pixel or two beside a box that its smoothing takes.
          if (isIn(1)) expect(seen.has(k)).toBe(true);
          if (!isIn(3)) expect(seen.has(k)).toBe(false);
        });
      }),
    );
  });
});
