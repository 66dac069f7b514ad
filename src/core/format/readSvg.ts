import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { compose, fromDefinition, fromTransformAttribute, identity } from 'transformation-matrix';

import type { Affine } from '../curve/affine';
import type { Path } from '../curve/path';
import type { Point } from '../curve/point';
import type { Progress, TaskKind } from '../derive';
import { failed, finding, ok } from '../finding';
import { fadedColour, readColour } from '../paint/colour';
import { STROKE_CAPS, STROKE_JOINS, type FillRule, type Paint } from '../scene/scene';
import { BadPathData, readPathData } from './readPathData';

/** A file that is no SVG, or an SVG with something in it that cannot be read: a sentence that says what. */
export class UnreadableSvg extends Error {
  override readonly name = 'UnreadableSvg';
}

/** A drawn element: its subpaths in the coordinates of the file, and what is painted of it. */
export interface SvgShape {
  readonly paths: readonly Path[];
  readonly filled: boolean;
  readonly stroked: boolean;
  readonly rule: FillRule;
  /** Paint servers and other paint that is no colour are shown as grey. */
  readonly paint: Paint;
  /** The element's id, where it has one. */
  readonly name: string | null;
}

interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: Element[];
}

/** What an element hands on to those inside it. */
interface Inherited {
  readonly map: Affine;
  readonly properties: ReadonlyMap<string, string>;
  /** The product of the opacities of what it is in. */
  readonly opacity: number;
  /** How many `use` elements lead here. */
  readonly uses: number;
}

const INHERITED = [
  'fill',
  'fill-opacity',
  'fill-rule',
  'stroke',
  'stroke-opacity',
  'stroke-width',
  'stroke-linecap',
  'stroke-linejoin',
  'color',
];

const INITIAL: ReadonlyMap<string, string> = new Map([
  ['fill', 'black'],
  ['stroke', 'none'],
  ['stroke-width', '1'],
  ['color', 'black'],
]);

/** Depth of `use` within `use`; files that go deeper go round in circles. */
const MOST_USES = 8;

const NOT_DRAWN = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'linearGradient',
  'radialGradient',
  'filter',
]);

/** Elements in a file, and shapes that they draw. */
const MOST_ELEMENTS = 20_000;
/** Elements within elements. */
const MOST_DEPTH = 200;
/** Elements that are looked at while drawing: `use` within `use` makes many of few. */
const MOST_VISITS = 100_000;
/** Segments of all that is drawn. */
const MOST_SEGMENTS = 400_000;
/** Coordinates beyond it have no digits left for what is drawn. */
const MOST_COORDINATE = 1e9;
/** Characters that are read between two reports of progress. */
const PORTION = 100_000;

function declarations(style: string): Map<string, string> {
  return new Map(
    style.split(';').flatMap((part) => {
      const colon = part.indexOf(':');
      return colon < 0 ? [] : [[part.slice(0, colon).trim(), part.slice(colon + 1).trim()] as const];
    }),
  );
}

function mapOf(transform: string | undefined, outer: Affine): Affine {
  if (!transform?.trim()) return outer;
  try {
    return compose(outer, compose(fromDefinition(fromTransformAttribute(transform))));
  } catch {
    throw new UnreadableSvg(`The transform “${transform.slice(0, 60)}” cannot be read.`);
  }
}

/** The path data of a basic shape (SVG 2, chapter 10); empty for shapes without size. */
function dataOf(name: string, attribute: (name: string) => string | undefined): string | null {
  const n = (key: string): number => {
    const text = attribute(key)?.trim();
    if (!text) return 0;
    const value = Number(text.replace(/px$/, ''));
    if (!Number.isFinite(value))
      throw new UnreadableSvg(
        `The ${key} “${text.slice(0, 40)}” of a ${name} is not a number of user units.`,
      );
    return value;
  };
  switch (name) {
    case 'path':
      return attribute('d') ?? '';
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'polyline':
    case 'polygon': {
      const points = attribute('points')?.trim() ?? '';
      return points === '' ? '' : `M${points}${name === 'polygon' ? 'Z' : ''}`;
    }
    case 'circle':
    case 'ellipse': {
      const rx = name === 'circle' ? n('r') : n('rx');
      const ry = name === 'circle' ? rx : n('ry');
      if (!(rx > 0 && ry > 0)) return '';
      const [x, y] = [n('cx'), n('cy')];
      return `M${x} ${y - ry}A${rx} ${ry} 0 0 1 ${x} ${y + ry}A${rx} ${ry} 0 0 1 ${x} ${y - ry}Z`;
    }
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
      if (!(w > 0 && h > 0)) return '';
      const rx = Math.min(w / 2, attribute('rx') === undefined ? n('ry') : n('rx'));
      const ry = Math.min(h / 2, attribute('ry') === undefined ? n('rx') : n('ry'));
      if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}Z`;
      const corner = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
      return (
        `M${x + rx} ${y}H${x + w - rx}${corner(rx, ry)}V${y + h - ry}${corner(-rx, ry)}` +
        `H${x + rx}${corner(-rx, -ry)}V${y + ry}${corner(rx, -ry)}Z`
      );
    }
    default:
      return null;
  }
}

/** Reading the text is about half of the work. */
const HALF = 0.5;

/** True for what is no number that can be drawn, too. */
const isFar = ({ x, y }: Point): boolean =>
  !(Math.abs(x) <= MOST_COORDINATE && Math.abs(y) <= MOST_COORDINATE);

const localName = (name: string): string => name.replace(/^.*:/, '');

/** The elements of a file as a tree; only what can draw or be referred to is kept. */
function readTree(text: string, progress?: Progress): Element {
  const top: Element = { name: '', attributes: {}, children: [] };
  const open: Element[] = [top];
  let elements = 0;
  const parser = new SaxesParser();
  const mistakes: Error[] = [];
  parser.on('error', (error) => {
    mistakes.push(error);
  });
  parser.on('opentag', (tag: SaxesTagPlain) => {
    if (mistakes.length > 0) return;
    elements += 1;
    if (elements > MOST_ELEMENTS)
      throw new UnreadableSvg(`The file has more than ${MOST_ELEMENTS} elements.`);
    const element: Element = { name: localName(tag.name), attributes: tag.attributes, children: [] };
    if (elements === 1 && element.name !== 'svg') throw new UnreadableSvg('This is not an SVG file.');
    if (open.length > MOST_DEPTH)
      throw new UnreadableSvg(`The file has elements within elements more than ${MOST_DEPTH} deep.`);
    open[open.length - 1]?.children.push(element);
    open.push(element);
  });
  parser.on('closetag', () => {
    open.pop();
  });
  for (let at = 0; at < text.length; at += PORTION) {
    parser.write(text.slice(at, at + PORTION));
    progress?.((HALF * Math.min(text.length, at + PORTION)) / text.length);
  }
  parser.close();
  const [mistake] = mistakes;
  if (mistake) throw new UnreadableSvg(`This is not well-formed SVG: ${mistake.message}`);
  if (elements === 0) throw new UnreadableSvg('The file is empty.');
  return top;
}

function idsIn(element: Element, found = new Map<string, Element>()): Map<string, Element> {
  const { id } = element.attributes;
  if (id !== undefined && !found.has(id)) found.set(id, element);
  for (const child of element.children) idsIn(child, found);
  return found;
}

/** A number of a property, or what stands for it where there is none or it is none. */
const numberIn = (text: string | undefined, otherwise: number): number => {
  const value = Number.parseFloat(text ?? '');
  if (!Number.isFinite(value)) return otherwise;
  return text?.trim().endsWith('%') ? value / 100 : value;
};

const UNKNOWN_PAINT = '#808080';

function colourIn(text: string, current: string, opacity: number): string | null {
  if (text === 'none') return null;
  const colour = readColour(text === 'currentColor' ? current : text) ?? UNKNOWN_PAINT;
  return fadedColour(colour, opacity);
}

function paintIn({ properties, map, opacity }: Inherited, hasArea: boolean): Paint {
  const property = (key: string): string => properties.get(key) ?? '';
  const colour = (of: 'fill' | 'stroke'): string | null =>
    colourIn(property(of), property('color'), opacity * numberIn(property(`${of}-opacity`), 1));
  // A stroke under an uneven scale has no one width: the scale of areas is the nearest to it.
  const scale = Math.sqrt(Math.abs(map.a * map.d - map.b * map.c));
  const width = numberIn(property('stroke-width'), 1) * scale;
  const stroke = width > 0 ? colour('stroke') : null;
  const cap = STROKE_CAPS.find((each) => each === property('stroke-linecap')) ?? 'butt';
  const join = STROKE_JOINS.find((each) => each === property('stroke-linejoin')) ?? 'miter';
  return {
    fill: hasArea ? colour('fill') : null,
    stroke: stroke === null ? null : { colour: stroke, width, cap, join },
  };
}

/**
 * The filled and stroked shapes of an SVG file as they stand in its coordinates: paths and basic shapes, in groups,
 * with transforms, and where `use` puts them. Paint is read from attributes and `style` attributes; style sheets, text and
 * pictures are not read, and what is only defined is left out.
 * @param progress told how far it is
 * @throws UnreadableSvg
 */
export function readSvg(text: string, progress?: Progress): SvgShape[] {
  const top = readTree(text, progress);
  const ids = idsIn(top);
  const shapes: SvgShape[] = [];
  let visits = 0;
  let segments = 0;

  const draw = (element: Element, outer: Inherited): void => {
    visits += 1;
    if (visits > MOST_VISITS)
      throw new UnreadableSvg(
        `The file draws more than ${MOST_VISITS} elements, by using parts again and again.`,
      );
    const { name, attributes } = element;
    const style = declarations(attributes['style'] ?? '');
    const property = (key: string): string | undefined => style.get(key) ?? attributes[key];
    if (NOT_DRAWN.has(name) || property('display') === 'none') return;
    const set = INHERITED.flatMap((key) => {
      const value = property(key);
      return value === undefined || value === 'inherit' ? [] : [[key, value] as const];
    });
    const own: Inherited = {
      map: mapOf(attributes['transform'], outer.map),
      properties: set.length > 0 ? new Map([...outer.properties, ...set]) : outer.properties,
      opacity: outer.opacity * numberIn(property('opacity'), 1),
      uses: outer.uses,
    };
    if (name === 'use') {
      reuse(attributes, own);
      return;
    }
    const data = dataOf(name, (key) => attributes[key]);
    if (data) take(element, data, own);
    for (const child of element.children) draw(child, own);
  };

  const reuse = (attributes: Element['attributes'], own: Inherited): void => {
    const target = ids.get((attributes['href'] ?? attributes['xlink:href'] ?? '').replace(/^#/, ''));
    if (!target) return;
    if (own.uses === MOST_USES) throw new UnreadableSvg('The file uses parts of itself in a circle.');
    const at = { ...identity(), e: numberIn(attributes['x'], 0), f: numberIn(attributes['y'], 0) };
    const inner = { ...own, map: compose(own.map, at), uses: own.uses + 1 };
    if (target.name === 'symbol') for (const child of target.children) draw(child, inner);
    else draw(target, inner);
  };

  const take = ({ name, attributes }: Element, data: string, own: Inherited): void => {
    const paint = paintIn(own, name !== 'line');
    if (!paint.fill && !paint.stroke) return;
    if (shapes.length === MOST_ELEMENTS)
      throw new UnreadableSvg(`The file draws more than ${MOST_ELEMENTS} shapes.`);
    const paths = readPathData(data, own.map);
    segments += paths.reduce((sum, path) => sum + path.segments.length, 0);
    if (segments > MOST_SEGMENTS)
      throw new UnreadableSvg(`The file draws paths of more than ${MOST_SEGMENTS} segments.`);
    if (paths.some((path) => path.segments.some(({ to, from }) => isFar(to) || isFar(from))))
      throw new UnreadableSvg(`The file has coordinates beyond ${MOST_COORDINATE / 1e9} thousand million.`);
    if (visits % 500 === 0) progress?.(HALF + (HALF * shapes.length) / MOST_ELEMENTS);
    shapes.push({
      paths,
      filled: paint.fill !== null,
      stroked: paint.stroke !== null,
      rule: own.properties.get('fill-rule') === 'evenodd' ? 'evenodd' : 'nonzero',
      paint,
      name: attributes['id'] ?? null,
    });
  };

  try {
    for (const child of top.children)
      draw(child, { map: identity(), properties: INITIAL, opacity: 1, uses: 0 });
  } catch (error) {
    if (error instanceof BadPathData) throw new UnreadableSvg(error.message);
    throw error;
  }
  return shapes;
}

/** Milliseconds for each character, about. */
const COST_OF_CHARACTER = 0.0005;

/** Reading an SVG text as a task, so that a large one is read in another thread; see `readSvg`. */
export const READ_SVG: TaskKind<{ readonly text: string }, readonly SvgShape[]> = {
  name: 'readSvg',
  // What is used again is read again: a short text can be much to read.
  cost: ({ text }) => COST_OF_CHARACTER * text.length * text.split('<use').length,
  run: ({ text }, progress) => {
    try {
      return ok(readSvg(text, progress));
    } catch (error) {
      if (error instanceof UnreadableSvg) return failed(finding('svg.unreadable', error.message));
      throw error;
    }
  },
};
