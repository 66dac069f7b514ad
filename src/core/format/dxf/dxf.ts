/**
 * A scene as a drawing for cutters and plotters, in the DXF that they read (AutoCAD 2012 DXF reference, ENTITIES section).
 *
 * @example
 * const text = dxfOf(scene, { curves: 'arcs', tolerance: 10, layers: 'round', lines: 'middle' }, new Map([['r1', 'Petals']]));
 */
import { DxfWriter, LWPolylineFlags, point3d, Units } from '@tarikjabiri/dxf';

import {
  arcsAlong,
  type ArcSegment,
  bulgeOf,
  type CubicSegment,
  type LineSegment,
  type Path,
  type Point,
  type Segment,
} from '@/core/curve';
import { convertLength, type LengthUnit } from '@/core/number';
import type { Scene } from '@/core/scene';
import { outlinesOf, type LinesAs, type Outline } from './outlines';

export interface DxfOptions {
  /** Curves that are no arcs: as arcs within a tolerance, or as splines, exactly. */
  readonly curves: 'arcs' | 'splines';
  /** How far an arc may be from its curve, in thousandths of a millimetre. */
  readonly tolerance: number;
  /** What makes a layer. */
  readonly layers: 'round' | 'colour' | 'kind';
  /** What is followed of lines. */
  readonly lines: LinesAs;
}

/** What the file is measured in: units that a drawing program knows stay, points and pixels become millimetres. */
const UNITS: Partial<Record<LengthUnit, Units>> = {
  mm: Units.Millimeters,
  cm: Units.Centimeters,
  in: Units.Inches,
};

export const unitOf = (unit: LengthUnit): LengthUnit => (UNITS[unit] === undefined ? 'mm' : unit);

type Plain = LineSegment | ArcSegment;

/** A circle's centre and radius, where a closed path is one: arcs about one centre, once round. */
function circleOf({ segments, closed }: Path): ArcSegment | null {
  const [first] = segments;
  if (!closed || first?.kind !== 'arc') return null;
  const near = 1e-9 * first.radius;
  const isOne = segments.every(
    (each) =>
      each.kind === 'arc' &&
      Math.hypot(each.centre.x - first.centre.x, each.centre.y - first.centre.y) <= near &&
      Math.abs(each.radius - first.radius) <= near,
  );
  const sweep = segments.reduce((sum, each) => sum + (each.kind === 'arc' ? each.sweep : 0), 0);
  return isOne && Math.abs(Math.abs(sweep) - 2 * Math.PI) <= 1e-9 ? first : null;
}

/** Runs of segments of one sort: lines and arcs, or one curve. */
function runsOf(segments: readonly Segment[]): (readonly Plain[] | CubicSegment)[] {
  const runs: (Plain[] | CubicSegment)[] = [];
  for (const segment of segments) {
    const last = runs.at(-1);
    if (segment.kind === 'cubic') runs.push(segment);
    else if (Array.isArray(last)) last.push(segment);
    else runs.push([segment]);
  }
  return runs;
}

/** Writes paths as entities; the page's y goes down from its upper left corner, the drawing's up from the lower left one. */
class Drawing {
  private readonly writer = new DxfWriter();
  private readonly known = new Set<string>();

  constructor(
    unit: LengthUnit,
    private readonly scale: number,
    private readonly height: number,
  ) {
    this.writer.setUnits(UNITS[unit] ?? Units.Millimeters);
  }

  /** @param name as the file may have it */
  layer(name: string): string {
    const safe =
      name
        .replace(/[<>/\\":;?*|=`,]/g, ' ')
        .trim()
        .slice(0, 200) || 'Layer';
    if (!this.known.has(safe)) this.writer.addLayer(safe, 7, 'Continuous');
    this.known.add(safe);
    return safe;
  }

  private at = ({ x, y }: Point): Point => ({ x: x * this.scale, y: (this.height - y) * this.scale });

  private polyline(segments: readonly Plain[], closed: boolean, layerName: string): void {
    const last = segments.at(-1);
    const vertices = segments.map((segment) => ({
      point: this.at(segment.from),
      // Turned over, what went clockwise goes the other way round.
      ...(segment.kind === 'arc' && { bulge: 0 - bulgeOf(segment) }),
    }));
    const end = closed || !last ? [] : [{ point: this.at(last.to) }];
    this.writer.addLWPolyline([...vertices, ...end], {
      layerName,
      flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None,
    });
  }

  private spline({ from, out, in: into, to }: CubicSegment, layerName: string): void {
    const controlPoints = [from, out, into, to].map(this.at).map(({ x, y }) => point3d(x, y, 0));
    this.writer.addSpline({ controlPoints, degreeCurve: 3 }, { layerName });
  }

  /** @param tolerance of arcs along curves, in the figure's unit; null for splines */
  path(path: Path, tolerance: number | null, layerName: string): void {
    const circle = circleOf(path);
    if (circle) {
      const { x, y } = this.at(circle.centre);
      this.writer.addCircle(point3d(x, y, 0), circle.radius * this.scale, { layerName });
      return;
    }
    if (tolerance !== null || !path.segments.some(({ kind }) => kind === 'cubic')) {
      const plain = path.segments.flatMap((segment): Plain[] =>
        segment.kind === 'cubic' ? arcsAlong(segment, tolerance ?? 0) : [segment],
      );
      this.polyline(plain, path.closed, layerName);
      return;
    }
    for (const run of runsOf(path.segments)) {
      if ('kind' in run) this.spline(run, layerName);
      else this.polyline(run, false, layerName);
    }
  }

  text = (): string => this.writer.stringify();
}

/** The name of an outline's layer. @param names of rounds by their ids */
const layerOf = (
  { roundId, colour, kind }: Outline,
  by: DxfOptions['layers'],
  names: ReadonlyMap<string, string>,
): string => {
  if (by === 'kind') return kind === 'area' ? 'Areas' : 'Lines';
  return by === 'colour' ? colour : (names.get(roundId) ?? roundId);
};

/** A thousandth of a millimetre in a unit. */
const thousandth = (unit: LengthUnit): number => convertLength(0.001, 'mm', unit);

/** The text of a DXF. @param names of rounds by their ids */
export function dxfOf(scene: Scene, options: DxfOptions, names: ReadonlyMap<string, string>): string {
  const { unit, height } = scene.page;
  const own = unitOf(unit);
  const drawing = new Drawing(own, convertLength(1, unit, own), height);
  const tolerance = options.curves === 'arcs' ? options.tolerance * thousandth(unit) : null;
  for (const outline of outlinesOf(scene, options.lines))
    drawing.path(outline.path, tolerance, drawing.layer(layerOf(outline, options.layers, names)));
  return drawing.text();
}
