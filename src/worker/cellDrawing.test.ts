import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';

import type { Paint } from '@/core/scene';
import {
  boxesOf,
  canvasArea,
  drawCopies,
  drawRegion,
  layDrawing,
  reachingInto,
  ready,
  type CanvasFrame,
  type CellDrawing,
  type Surface,
} from './cellDrawing';
import { Region } from './region';

interface Done {
  readonly what: string;
  readonly style: unknown;
  readonly alpha: number;
  readonly mode: string;
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
  globalCompositeOperation = 'source-over';
  private matrix: Matrix = [1, 0, 0, 1, 0, 0];
  private kept: Matrix[] = [];

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
  beginPath(): void {}
  rect(): void {}
  drawImage(): void {
    this.note('image', null);
  }
  clip(): void {
    this.note('clip', null);
  }
  clearRect(): void {
    this.note('clear', null);
  }
  save(): void {
    this.kept.push(this.matrix);
  }
  restore(): void {
    this.matrix = this.kept.pop() ?? this.matrix;
  }
  private note(what: string, style: unknown): void {
    const [a, b, , , e, f] = this.matrix;
    const round = (value: number): number => Math.round(value * 1e9) / 1e9 || 0;
    this.done.push({
      what,
      style,
      alpha: this.globalAlpha,
      mode: this.globalCompositeOperation,
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
const drawing = (paint: Paint, opacity = 1): CellDrawing => ({
  id: 1,
  data: 'M0 0H1V1Z',
  box: { left: 0, top: 0, right: 1, bottom: 1 },
  rule: 'nonzero',
  paint,
  opacity,
  places: Float64Array.of(1, 0, 0, 1, 0, 0, 0, 1, -1, 0, 0, 0),
});

const STROKE = { colour: '#00ff00', width: 1, cap: 'butt', join: 'miter' } as const;

beforeAll(() => {
  vi.stubGlobal('Path2D', vi.fn());
});
afterAll(() => {
  vi.unstubAllGlobals();
});

describe('cells on a canvas', () => {
  it('stand where their places and the view have them', () => {
    const recorder = new Recorder();
    drawCopies(surfaceOf(recorder), ready(drawing({ fill: '#ff0000', stroke: null })), FRAME, 0, 2);
    expect(recorder.done.map(({ at }) => at)).toEqual([
      [52, 50],
      [50, 52],
    ]);
    const turned = new Recorder();
    const quarter = { ...FRAME, rotation: Math.PI / 2 };
    drawCopies(surfaceOf(turned), ready(drawing({ fill: '#ff0000', stroke: null })), quarter, 1, 2);
    expect(turned.done.map(({ at }) => at)).toEqual([[48, 50]]);
  });

  it('have their stroke over the fill, or behind it', () => {
    const order = (behind: boolean): string[] => {
      const recorder = new Recorder();
      const paint = { fill: '#ff0000', stroke: STROKE, behind };
      drawCopies(surfaceOf(recorder), ready(drawing(paint, 0.5)), FRAME, 0, 1);
      expect(recorder.done.every(({ alpha }) => alpha === 0.5)).toBe(true);
      return recorder.done.map(({ what, style }) => `${what} ${String(style)}`);
    };
    expect(order(false)).toEqual(['fill #ff0000', 'stroke #00ff00']);
    expect(order(true)).toEqual(['stroke #00ff00', 'fill #ff0000']);
  });

  it('have gradients with the stops as they are mixed', () => {
    const recorder = new Recorder();
    const fill = {
      kind: 'linear',
      spread: 'cell',
      from: { x: 0, y: 0 },
      to: { x: 1, y: 0 },
      stops: [
        { at: 0, colour: '#ff0000' },
        { at: 1, colour: '#0000ff80' },
      ],
    } as const;
    drawCopies(surfaceOf(recorder), ready(drawing({ fill, stroke: null })), FRAME, 0, 1);
    expect(recorder.stops).toEqual([
      [0, '#ff0000'],
      [1, '#0000ff80'],
    ]);
  });

  it('are lines of one pixel without paint where outlines are shown', () => {
    const recorder = new Recorder();
    const frame = { ...FRAME, outline: 'rgb(1, 2, 3)' };
    drawCopies(surfaceOf(recorder), ready(drawing({ fill: '#ff0000', stroke: null }, 0.5)), frame, 0, 1);
    expect(recorder.done.map(({ what, style, alpha }) => [what, style, alpha])).toEqual([
      ['stroke', 'rgb(1, 2, 3)', 1],
    ]);
    expect(recorder.lineWidth * frame.scale).toBe(1);
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
          const cell = ready({
            ...drawing({ fill: '#ff0000', stroke: null }),
            places: Float64Array.of(cos, sin, -sin, cos, off, 2),
          });
          const [left = 0, top = 0, right = 0, bottom = 0] = boxesOf(cell, frame.rotation);
          const recorder = new Recorder();
          drawCopies(surfaceOf(recorder), cell, frame, 0, 1);
          const [x, y] = recorder.done[0]!.at.map((at) => (at - 50) / 2) as [number, number];
          // The point 1, 0 is a corner of the box of its outline.
          expect(x).toBeGreaterThan(left - 1e-6);
          expect(x).toBeLessThan(right + 1e-6);
          expect(y).toBeGreaterThan(top - 1e-6);
          expect(y).toBeLessThan(bottom + 1e-6);
          expect(right - left).toBeLessThan(Math.SQRT2 + 1e-6);
        },
      ),
    );
  });

  it('are drawn anew in a part alone, all that reach into it, in their order', () => {
    const [below, above] = ['#ff0000', '#00ff00'].map((fill) => ready(drawing({ fill, stroke: null })));
    const boxes = [below!, above!].map((each) => [each, boxesOf(each, 0)] as const);
    const region = new Region(FRAME);
    region.add(Float64Array.of(0.5, 0.5, 0.5, 0.5), 0);
    const [shown, empty] = [new Recorder(), new Recorder()];
    drawRegion(surfaceOf(shown), surfaceOf(empty), region, reachingInto(region, boxes), FRAME);
    expect(empty.done.map(({ what, style }) => [what, style])).toEqual([
      ['fill', '#ff0000'],
      ['fill', '#ff0000'],
      ['fill', '#00ff00'],
      ['fill', '#00ff00'],
    ]);
    // Of what was there the part alone goes.
    expect(shown.done.map(({ what }) => what)).toEqual(
      region.rects().flatMap(() => ['clear', 'image'] as const),
    );
    const far = new Region(FRAME);
    far.add(Float64Array.of(-24, -24, -20, -20), 0);
    expect(reachingInto(far, boxes)).toEqual([]);
  });

  it('are drawn where they reach into the canvas, and nowhere else', () => {
    const side = fc.double({ min: -200, max: 200, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(side, side, side, side), { minLength: 1, maxLength: 8 }), (corners) => {
        const boxes = Float64Array.from(
          corners.flatMap(([a, b, c, d]) => [Math.min(a, c), Math.min(b, d), Math.max(a, c), Math.max(b, d)]),
        );
        const cells = ready({
          ...drawing({ fill: '#ff0000', stroke: null }),
          places: new Float64Array(6 * corners.length),
        });
        const seen = new Set(
          reachingInto(canvasArea(FRAME), [[cells, boxes]]).flatMap(([, from, to]) =>
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

  it('are faint, and full where the frame says so', () => {
    const recorder = new Recorder();
    const image = {} as CanvasImageSource;
    layDrawing(surfaceOf(recorder), image, { ...FRAME, strength: 0.22, full: 'M0 0H1V1Z' });
    expect(recorder.done.map(({ what }) => what)).toEqual(['clear', 'image', 'clip', 'image']);
    expect(recorder.done.map(({ alpha }) => alpha)).toEqual([1, 0.22, 0.22, 1]);
    // The clip is in the figure's unit, the picture in pixels.
    expect(recorder.done[2]?.at).toEqual([52, 50]);
    expect(recorder.done[3]?.at).toEqual([1, 0]);
  });
});
