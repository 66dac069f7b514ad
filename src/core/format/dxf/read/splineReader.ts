import type { ISplineEntity } from 'dxf-parser';

import type { Point } from '@/core/curve';

/** A group of a DXF: what kind of value it is, and the value. */
interface Group {
  readonly code: number;
  readonly value: number | string | boolean;
}

interface Scanner {
  next(): Group;
  isEOF(): boolean;
}

/** Reads splines with their weights, which the parser passes over. */
export class SplineReader {
  readonly ForEntityName = 'SPLINE';

  parseEntity(scanner: Scanner): ISplineEntity & { readonly weights: number[] } {
    const lists = { 10: [] as number[], 20: [] as number[], 11: [] as number[], 21: [] as number[] };
    const knotValues: number[] = [];
    const weights: number[] = [];
    const told: Record<string, unknown> = {};
    let flags = 0;
    for (let group = scanner.next(); !scanner.isEOF() && group.code !== 0; group = scanner.next()) {
      const { code, value } = group;
      if (code === 8) told['layer'] = value;
      else if (code === 60) told['visible'] = value === 0;
      else if (code === 62) told['colorIndex'] = value;
      else if (code === 67) told['inPaperSpace'] = value !== 0;
      else if (code === 370) told['lineweight'] = value;
      else if (code === 420) told['color'] = value;
      else if (code === 70) flags = Number(value);
      else if (code === 71) told['degreeOfSplineCurve'] = Number(value);
      else if (code === 40) knotValues.push(Number(value));
      else if (code === 41) weights.push(Number(value));
      else if (code === 10 || code === 20 || code === 11 || code === 21) lists[code].push(Number(value));
    }
    const points = (xs: readonly number[], ys: readonly number[]): Point[] =>
      xs.map((x, k) => ({ x, y: ys[k] ?? 0 }));
    return {
      ...told,
      type: 'SPLINE',
      closed: (flags & 1) !== 0,
      knotValues,
      weights,
      controlPoints: points(lists[10], lists[20]),
      fitPoints: points(lists[11], lists[21]),
    } as unknown as ISplineEntity & { readonly weights: number[] };
  }
}
