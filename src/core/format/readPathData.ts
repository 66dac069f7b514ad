import SvgPath from 'svgpath';

import {
  type Affine,
  type ArcSegment,
  cubic,
  distance,
  IDENTITY,
  line,
  mapSegment,
  type Path,
  type Point,
  type Segment,
} from '@/core/curve';

/** Path data that breaks the grammar; everything before the mistake is drawn by browsers, but not by us. */
export class BadPathData extends Error {
  override readonly name = 'BadPathData';
}

/** How much of path data is shown where it is wrong. */
const SHOWN = 12;

/** What is wrong with path data, in words. @param mistake what the parser says, with the place counted from 0 */
function mistakeIn(data: string, mistake: string): string {
  if (mistake.includes('start with `M`')) return 'it does not begin with M';
  const place = Number(/at pos (\d+)/.exec(mistake)?.[1] ?? 0);
  const at = data.length - data.slice(place).trimStart().length;
  const rest = data.slice(at, at + SHOWN).trimEnd();
  const where =
    rest === '' ? 'at its end' : `at “${rest}${at + SHOWN < data.length ? '…' : ''}”, character ${at + 1}`;
  if (mistake.includes('arc flag')) return `a flag of an arc is neither 0 nor 1 ${where}`;
  if (mistake.includes('bad command')) return `there is no such command ${where}`;
  if (mistake.includes('exponent') || mistake.includes('`09`')) return `a number is written wrongly ${where}`;
  return `a number is missing ${where}`;
}

const raised = (from: Point, control: Point, to: Point): Segment =>
  cubic(
    from,
    { x: from.x + (2 / 3) * (control.x - from.x), y: from.y + (2 / 3) * (control.y - from.y) },
    { x: to.x + (2 / 3) * (control.x - to.x), y: to.y + (2 / 3) * (control.y - to.y) },
    to,
  );

/**
 * An elliptical arc from its ends: the conversion to a centre of SVG 2, "Elliptical arc implementation notes"
 * (B.2.4 and B.2.5 for radii that are too small). Circular arcs come out as one arc, others as cubics within 1e-6 of
 * their larger radius.
 */
function ellipticalArc(
  from: Point,
  to: Point,
  radii: readonly [number, number],
  degrees: number,
  large: boolean,
  clockwise: boolean,
): Segment[] {
  let [rx, ry] = [Math.abs(radii[0]), Math.abs(radii[1])];
  if (distance(from, to) === 0) return [];
  if (rx === 0 || ry === 0) return [line(from, to)];
  const tilt = (degrees * Math.PI) / 180;
  const [cos, sin] = rx === ry ? [1, 0] : [Math.cos(tilt), Math.sin(tilt)];
  const [halfX, halfY] = [(from.x - to.x) / 2, (from.y - to.y) / 2];
  const x = cos * halfX + sin * halfY;
  const y = cos * halfY - sin * halfX;
  const excess = (x / rx) ** 2 + (y / ry) ** 2;
  if (excess > 1) {
    rx *= Math.sqrt(excess);
    ry *= Math.sqrt(excess);
  }
  const root = Math.sqrt(Math.max(0, 1 / Math.min(excess, 1) - 1)) * (large === clockwise ? -1 : 1);
  const [cx, cy] = excess > 1 ? [0, 0] : [(root * rx * y) / ry, (-root * ry * x) / rx];
  const centre = {
    x: cos * cx - sin * cy + (from.x + to.x) / 2,
    y: sin * cx + cos * cy + (from.y + to.y) / 2,
  };
  const start = { x: (x - cx) / rx, y: (y - cy) / ry };
  const end = { x: (-x - cx) / rx, y: (-y - cy) / ry };
  let sweep = Math.atan2(start.x * end.y - start.y * end.x, start.x * end.x + start.y * end.y);
  if (clockwise && sweep <= 0) sweep += 2 * Math.PI;
  if (!clockwise && sweep >= 0) sweep -= 2 * Math.PI;
  if (rx === ry) return [{ kind: 'arc', from, to, centre, radius: rx, sweep }];
  const unit: ArcSegment = { kind: 'arc', from: start, to: end, centre: { x: 0, y: 0 }, radius: 1, sweep };
  const shape: Affine = { a: cos * rx, b: sin * rx, c: -sin * ry, d: cos * ry, e: centre.x, f: centre.y };
  const pieces = mapSegment(unit, shape);
  return pieces.map((piece, k) => ({
    ...piece,
    ...(k === 0 ? { from } : {}),
    ...(k === pieces.length - 1 ? { to } : {}),
  }));
}

/**
 * The paths of SVG path data (SVG 2, section 9.3, all commands), under an affine map. A subpath that ends with Z is
 * closed, with a line back to its start where there is a gap. Lines and curves without length are left out.
 * @throws BadPathData
 */
export function readPathData(data: string, map: Affine = IDENTITY): Path[] {
  const parsed = SvgPath(data);
  const { err: mistake } = parsed as unknown as { err?: string };
  if (mistake) throw new BadPathData(`A path cannot be read: ${mistakeIn(data, mistake)}.`);
  const paths: Path[] = [];
  let segments: Segment[] = [];
  let at: Point = { x: 0, y: 0 };
  let start: Point = at;
  const end = (closed: boolean): void => {
    if (segments.length > 0) paths.push({ closed, segments: segments.flatMap((s) => mapSegment(s, map)) });
    segments = [];
  };
  const lineTo = (to: Point): void => {
    if (distance(at, to) > 0) segments.push(line(at, to));
    at = to;
  };
  parsed
    .abs()
    .unshort()
    .iterate((command) => {
      const [name, ...values] = command;
      const v = (k: number): number => Number(values[k]);
      switch (name) {
        case 'M':
          end(false);
          at = start = { x: v(0), y: v(1) };
          return;
        case 'L':
          lineTo({ x: v(0), y: v(1) });
          return;
        case 'H':
          lineTo({ x: v(0), y: at.y });
          return;
        case 'V':
          lineTo({ x: at.x, y: v(0) });
          return;
        case 'Q': {
          const to = { x: v(2), y: v(3) };
          segments.push(raised(at, { x: v(0), y: v(1) }, to));
          at = to;
          return;
        }
        case 'C': {
          const to = { x: v(4), y: v(5) };
          segments.push(cubic(at, { x: v(0), y: v(1) }, { x: v(2), y: v(3) }, to));
          at = to;
          return;
        }
        case 'A': {
          const to = { x: v(5), y: v(6) };
          segments.push(...ellipticalArc(at, to, [v(0), v(1)], v(2), v(3) !== 0, v(4) !== 0));
          at = to;
          return;
        }
        case 'Z':
          lineTo(start);
          end(true);
      }
    });
  end(false);
  return paths;
}
