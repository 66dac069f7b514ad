/**
 * The handles of a bent strip: each is a point of it, and dragging it changes one number.
 *
 * @example
 * for (const { id, point } of bendHandles(bend)) mark(point, id);
 * const wider = draggedBend(bend, 'span', { x: 30, y: -20 }, 12);
 */
import { lengthOf, type Point, polarOf } from '@/core/curve';
import { cosSin, degreesOf, multiplyTurn, turn, type Turn, turnFromDegrees } from '@/core/number';
import { bendMap, bendProblem, type Bend } from './bend';

/** What can be dragged of a strip: one number each. */
const BEND_HANDLES = ['radius', 'span', 'height', 'swell', 'taper', 'wave', 'twist'] as const;
export type BendHandleId = (typeof BEND_HANDLES)[number];

export interface BendHandle {
  readonly id: BendHandleId;
  /** In motif coordinates. */
  readonly point: Point;
}

/** Where along the strip each stands, from 0 to 1, and how high over its middle line, as a share of half its height. */
function placesOf({
  waves,
}: Bend): Readonly<Record<BendHandleId, { readonly u: number; readonly v: number }>> {
  return {
    radius: { u: 0.5, v: 0 },
    span: { u: 1, v: 0 },
    height: { u: 0, v: 1 },
    swell: { u: 0.5, v: 1 },
    taper: { u: 1, v: 1 },
    wave: { u: 1 / (4 * waves), v: 0 },
    twist: { u: 0.25, v: 1 },
  };
}

/** The point of the straight drawing that is so far along all units and so high over its middle line; its unit is the first. */
function straightPoint({ strip, units }: Bend, u: number, v: number): Point {
  const { left, right, top, bottom } = strip;
  return { x: left + u * units * (right - left), y: (top + bottom) / 2 - (v * (bottom - top)) / 2 };
}

/** All handles of a strip, where they are. */
export function bendHandles(bend: Bend): BendHandle[] {
  const places = placesOf(bend);
  const { at } = bendMap(bend);
  return BEND_HANDLES.map((id) => ({ id, point: at(straightPoint(bend, places[id].u, places[id].v), 0) }));
}

/**
 * How far out from the middle arc a point is, and its angle from the strip's middle, in radians clockwise; `aside` is that, or of a bow how
 * far it is from its own upright, in radii.
 */
function seenFrom({ how, radius, middle }: Bend, p: Point): { out: number; angle: number; aside: number } {
  const { cos, sin } = cosSin(middle);
  const own = { x: p.x * cos + p.y * sin, y: p.x * sin - p.y * cos };
  if (how === 'wrap') {
    const angle = Math.atan2(own.x, own.y);
    return { out: lengthOf(p) - radius, angle, aside: angle };
  }
  const x = Math.max(-radius, Math.min(radius, own.x));
  return {
    out: own.y - Math.sqrt(radius * radius - x * x),
    angle: Math.asin(x / radius),
    aside: own.x / radius,
  };
}

/** The nearest fraction of a turn that a round of a fold has rays or axes at, where an angle is one to the last digits; else to a millionth of a degree. */
function turnOf(radians: number, fold: number): Turn {
  const share = radians / (2 * Math.PI);
  for (const den of [fold, 2 * fold, 4 * fold, 360]) {
    const num = Math.round(share * den);
    if (Math.abs(share * den - num) < 1e-9 * den) return turn(num, den);
  }
  return turnFromDegrees((radians * 180) / Math.PI);
}

/**
 * A bend after one of its handles is dragged to a point; as it was where there is no such bend.
 * @param p in motif coordinates
 * @param fold of the round: an end on one of its rays is there exactly
 */
export function draggedBend(bend: Bend, id: BendHandleId, p: Point, fold: number): Bend {
  const made = changed(bend, id, p, fold);
  return bendProblem(made) === null ? made : bend;
}

function changed(bend: Bend, id: BendHandleId, p: Point, fold: number): Bend {
  const { radius, height, taper, wave, waves, middle } = bend;
  const { out, angle, aside } = seenFrom(bend, p);
  // Over the strip's own upper side, whichever way that looks.
  const up = bend.up === 'in' ? -out : out;
  const half = height / 2;
  switch (id) {
    case 'radius': {
      const lift = wave * Math.sin(Math.PI * waves);
      const degrees = polarOf(p).degrees;
      const isAside = Math.abs(angle) * radius > 1e-9 * radius;
      return {
        ...bend,
        radius: radius + out - (bend.up === 'in' ? -lift : lift),
        middle: isAside && Number.isFinite(degrees) ? turnOf((degrees * Math.PI) / 180, fold) : middle,
      };
    }
    case 'span': {
      const whole = multiplyTurn(turnOf(Math.abs(angle), fold), 2);
      return { ...bend, span: degreesOf(whole) > 360 ? turn(1) : whole };
    }
    case 'height':
      return { ...bend, height: 2 * Math.abs(up) };
    case 'swell':
      return { ...bend, swell: (up - wave * Math.sin(Math.PI * waves)) / (half * (1 - taper / 2)) - 1 };
    case 'taper':
      return { ...bend, taper: Math.min(1, 1 - up / half) };
    case 'wave':
      return { ...bend, wave: up };
    case 'twist': {
      const places = placesOf(bend).twist;
      const plain = bendMap({ ...bend, twist: 0 }).at(straightPoint(bend, places.u, places.v), 0);
      const lies = seenFrom(bend, plain);
      const lean = ((aside - lies.aside) * height) / lies.out;
      return { ...bend, twist: Number.isFinite(lean) ? (lean * 180) / Math.PI : bend.twist };
    }
  }
}
