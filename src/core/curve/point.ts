/** A point or vector, in the figure's unit: x to the right, y down, the centre of the figure at 0, 0. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export const ORIGIN: Point = { x: 0, y: 0 };

export const point = (x: number, y: number): Point => ({ x, y });
export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const subtract = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const scaleBy = (a: Point, factor: number): Point => ({ x: a.x * factor, y: a.y * factor });
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
export const lengthOf = (a: Point): number => Math.sqrt(a.x * a.x + a.y * a.y);
export const distance = (a: Point, b: Point): number =>
  Math.sqrt((a.x - b.x) * (a.x - b.x) + (a.y - b.y) * (a.y - b.y));

/** The point at a share t of the way from a to b; exactly a at 0 and b at 1. */
export const between = (a: Point, b: Point, t: number): Point => ({
  x: (1 - t) * a.x + t * b.x,
  y: (1 - t) * a.y + t * b.y,
});

/** Distance from the centre, and the angle in degrees clockwise from straight up, in (-180, 180]. */
export const polarOf = (p: Point): { r: number; degrees: number } => ({
  r: lengthOf(p),
  degrees: p.x === 0 && p.y === 0 ? 0 : (Math.atan2(p.x, -p.y) * 180) / Math.PI,
});

/** The point at a distance from the centre and an angle in degrees clockwise from straight up. */
export function fromPolar(r: number, degrees: number): Point {
  const angle = (degrees * Math.PI) / 180;
  const quarter = degrees % 90 === 0;
  const sin = quarter ? Math.round(Math.sin(angle)) : Math.sin(angle);
  const cos = quarter ? Math.round(Math.cos(angle)) : Math.cos(angle);
  return { x: r * sin || 0, y: -r * cos || 0 };
}
