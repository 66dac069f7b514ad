import { type Affine, type Bounds, compose } from '@/core/curve';
import { fadedColour, mappedRun, readColour } from '@/core/paint';
import {
  type Colour,
  type Fill,
  type Gradient,
  type GradientStop,
  type Paint,
  type Stroke,
  STROKE_CAPS,
  STROKE_JOINS,
} from '@/core/scene';
import { lengthIn, lengthParts, numberIn } from './lengths';
import type { LeftOuts } from '../../drawing/leftOut';
import { transformIn } from './transform';
import { hrefOf, idIn, type Element } from './tree';

/** What paint is read with. */
export interface PaintContext {
  readonly ids: ReadonlyMap<string, Element>;
  readonly properties: (element: Element) => ReadonlyMap<string, string>;
  readonly left: LeftOuts;
  /** The file's own width and height in its coordinates: what percentages are of. */
  readonly inner: { readonly width: number; readonly height: number };
}

/** The shape that is painted. */
interface Painted {
  /** The properties in force there. */
  readonly properties: ReadonlyMap<string, string>;
  /** From its coordinates to the page's. */
  readonly map: Affine;
  /** Of its outline, in its own coordinates. */
  readonly box: () => Bounds;
  /** The product of the opacities of what it is in. */
  readonly opacity: number;
}

/** What no colour is given for. */
const UNKNOWN_PAINT = '#808080';
/** Gradients that take after one another; files that go deeper go round in circles. */
const MOST_LINKS = 16;
/** Stops of a gradient that a figure takes. */
const MOST_STOPS = 32;
/** Lengths of a dash pattern that a figure takes. */
const MOST_DASHES = 20;

const diagonal = ({ width, height }: PaintContext['inner']): number => Math.hypot(width, height) / Math.SQRT2;

/** A gradient and those that it takes after, itself first. */
function chainOf(element: Element, { ids }: PaintContext): Element[] {
  const chain: Element[] = [];
  let at: Element | undefined = element;
  while (at && chain.length < MOST_LINKS && !chain.includes(at)) {
    chain.push(at);
    at = ids.get(idIn(hrefOf(at)) ?? '');
  }
  return chain;
}

function stopsOf(chain: readonly Element[], context: PaintContext, opacity: number): GradientStop[] {
  const from = chain.find(({ children }) => children.some(({ name }) => name === 'stop'));
  let least = 0;
  const stops = (from?.children ?? []).flatMap((each): GradientStop[] => {
    if (each.name !== 'stop') return [];
    const properties = context.properties(each);
    least = Math.max(least, Math.min(1, Math.max(0, numberIn(properties.get('offset'), 0))));
    const text = properties.get('stop-color') ?? 'black';
    const colour =
      readColour(text === 'currentColor' ? (properties.get('color') ?? 'black') : text) ?? '#000000';
    return [
      { at: least, colour: fadedColour(colour, numberIn(properties.get('stop-opacity'), 1) * opacity) },
    ];
  });
  if (stops.length <= MOST_STOPS) return stops;
  context.left.add('gradient of many stops');
  return [...stops.slice(0, MOST_STOPS - 1), ...stops.slice(-1)];
}

const boxMap = ({ left, top, right, bottom }: Bounds): Affine => ({
  a: right - left,
  b: 0,
  c: 0,
  d: bottom - top,
  e: left,
  f: top,
});

/** A gradient of a file where it lies on the page; one colour where it has no way to go (SVG 2, section 14.2). */
function gradientOf(element: Element, painted: Painted, context: PaintContext): Fill | null {
  const chain = chainOf(element, context);
  const attribute = (name: string): string | undefined =>
    chain.find(({ attributes }) => attributes[name] !== undefined)?.attributes[name];
  const stops = stopsOf(chain, context, painted.opacity);
  const last = stops[stops.length - 1];
  if (!last) return null;
  if (stops.length === 1) return last.colour;
  const ofBox = attribute('gradientUnits') !== 'userSpaceOnUse';
  const whole = ofBox ? { width: 1, height: 1 } : context.inner;
  const at = (name: string, side: number, otherwise: string): number =>
    lengthIn(attribute(name) ?? otherwise, side, name);
  if (attribute('spreadMethod') !== undefined && attribute('spreadMethod') !== 'pad')
    context.left.add('repeating gradient');
  const box = ofBox ? painted.box() : null;
  // A box without size has no gradient (SVG 2, section 8.10).
  if (box && !(box.right > box.left && box.bottom > box.top)) return last.colour;
  const own = transformIn(attribute('gradientTransform'));
  const map = [painted.map, ...(box ? [boxMap(box)] : []), ...(own ? [own] : [])].reduce(compose);
  if (element.name === 'linearGradient') {
    const from = { x: at('x1', whole.width, '0%'), y: at('y1', whole.height, '0%') };
    const to = { x: at('x2', whole.width, '100%'), y: at('y2', whole.height, '0%') };
    if (from.x === to.x && from.y === to.y) return last.colour;
    return mappedRun({ kind: 'linear', spread: 'copy', from, to, stops }, map);
  }
  const from = { x: at('cx', whole.width, '50%'), y: at('cy', whole.height, '50%') };
  const radius = at('r', ofBox ? 1 : diagonal(whole), '50%');
  if (!(radius > 0)) return last.colour;
  const focus = { x: at('fx', whole.width, String(from.x)), y: at('fy', whole.height, String(from.y)) };
  if (Math.hypot(focus.x - from.x, focus.y - from.y) > 1e-6 * radius)
    context.left.add('focal point of a gradient');
  const rings: Gradient = {
    kind: 'radial',
    spread: 'copy',
    from,
    to: { x: from.x, y: from.y - radius },
    stops,
  };
  return mappedRun(rings, map);
}

function colourIn(text: string, current: string, opacity: number): Colour | null {
  if (text === 'none' || text === '') return null;
  const colour = readColour(text.toLowerCase() === 'currentcolor' ? current : text) ?? UNKNOWN_PAINT;
  return fadedColour(colour, opacity);
}

const URL = /^url\(\s*["']?([^"')]*)["']?\s*\)\s*(.*)$/;

function fillIn(of: 'fill' | 'stroke', painted: Painted, context: PaintContext): Fill | null {
  const text = painted.properties.get(of) ?? 'none';
  const current = painted.properties.get('color') ?? 'black';
  const opacity = painted.opacity * numberIn(painted.properties.get(`${of}-opacity`), 1);
  const [, reference, fallback = ''] = URL.exec(text.trim()) ?? [];
  if (reference === undefined) return colourIn(text, current, opacity);
  const server = context.ids.get(idIn(reference) ?? '');
  if (server?.name === 'linearGradient' || server?.name === 'radialGradient')
    return gradientOf(server, { ...painted, opacity }, context);
  if (server?.name === 'pattern') context.left.add('pattern');
  return colourIn(fallback === '' && server ? UNKNOWN_PAINT : fallback, current, opacity);
}

/** A dash pattern, twice where it is odd; none where nothing of it is drawn or left out. */
function dashesIn(text: string | undefined, scale: number, context: PaintContext): number[] {
  const lengths = (text ?? '')
    .split(/[\s,]+/)
    .flatMap((part) => (lengthParts(part) ? [lengthIn(part, diagonal(context.inner), 'dash') * scale] : []));
  const all = lengths.length % 2 === 1 ? [...lengths, ...lengths] : lengths;
  if (all.some((each) => each < 0) || !all.some((each) => each > 0)) return [];
  if (all.length > MOST_DASHES) context.left.add('long dash pattern');
  return all.slice(0, MOST_DASHES);
}

function strokeOf(painted: Painted, context: PaintContext): Stroke | null {
  const { properties, map } = painted;
  const isSteady = properties.get('vector-effect') === 'non-scaling-stroke';
  // A stroke under an uneven scale has no one width: the scale of areas is the nearest to it.
  const scale = isSteady ? 1 : Math.sqrt(Math.abs(map.a * map.d - map.b * map.c));
  const width =
    lengthIn(properties.get('stroke-width') ?? '1', diagonal(context.inner), 'stroke-width') * scale;
  const colour = width > 0 ? fillIn('stroke', painted, context) : null;
  if (colour === null) return null;
  const limit = numberIn(properties.get('stroke-miterlimit'), 4);
  const dashes = dashesIn(properties.get('stroke-dasharray'), scale, context);
  if (dashes.length > 0 && numberIn(properties.get('stroke-dashoffset'), 0) !== 0)
    context.left.add('dash offset');
  return {
    colour,
    width,
    cap: STROKE_CAPS.find((each) => each === properties.get('stroke-linecap')) ?? 'butt',
    join: STROKE_JOINS.find((each) => each === properties.get('stroke-linejoin')) ?? 'miter',
    ...(limit !== 4 && limit >= 1 && { limit }),
    ...(dashes.length > 0 && { dashes }),
  };
}

/** What an element paints: its fill where it has an area, and its stroke, as they lie on the page. */
export function paintOf(painted: Painted, hasArea: boolean, context: PaintContext): Paint {
  const fill = hasArea ? fillIn('fill', painted, context) : null;
  const stroke = strokeOf(painted, context);
  const order = painted.properties.get('paint-order') ?? '';
  const isBehind = fill !== null && stroke !== null && /^\s*(stroke|markers\s+stroke)/.test(order);
  return { fill, stroke, ...(isBehind && { behind: true }) };
}
