import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { compose, fromDefinition, fromTransformAttribute, identity } from 'transformation-matrix';

import type { Affine } from '../curve/affine';
import type { Path } from '../curve/path';
import type { FillRule } from '../scene/scene';
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
}

/** What an element hands on to those inside it. */
interface Inherited {
  readonly map: Affine;
  readonly fill: string;
  readonly stroke: string;
  readonly rule: FillRule;
  /** Inside something that is not drawn where it stands. */
  readonly hidden: boolean;
}

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

const MOST_ELEMENTS = 20_000;

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

/**
 * The filled and stroked shapes of an SVG file as they stand in its coordinates: paths and basic shapes, in groups,
 * with transforms. Paint is read from attributes and `style` attributes; style sheets, text, pictures and `use` are
 * not read, and what is only defined is left out.
 * @throws UnreadableSvg
 */
export function readSvg(text: string): SvgShape[] {
  const shapes: SvgShape[] = [];
  const start: Inherited = { map: identity(), fill: 'black', stroke: 'none', rule: 'nonzero', hidden: false };
  const open: Inherited[] = [start];
  let elements = 0;
  const enter = (tag: SaxesTagPlain): void => {
    elements += 1;
    if (elements > MOST_ELEMENTS)
      throw new UnreadableSvg(`The file has more than ${MOST_ELEMENTS} elements.`);
    const name = tag.name.replace(/^.*:/, '');
    if (elements === 1 && name !== 'svg') throw new UnreadableSvg('This is not an SVG file.');
    const outer = open[open.length - 1] ?? start;
    const style = declarations(tag.attributes['style'] ?? '');
    const property = (key: string): string | undefined => style.get(key) ?? tag.attributes[key];
    const rule = property('fill-rule') ?? outer.rule;
    const own: Inherited = {
      map: mapOf(tag.attributes['transform'], outer.map),
      fill: property('fill') ?? outer.fill,
      stroke: property('stroke') ?? outer.stroke,
      rule: rule === 'evenodd' ? 'evenodd' : 'nonzero',
      hidden: outer.hidden || NOT_DRAWN.has(name) || property('display') === 'none',
    };
    open.push(own);
    if (own.hidden) return;
    const data = dataOf(name, (key) => tag.attributes[key]);
    if (!data) return;
    const filled = own.fill !== 'none' && name !== 'line';
    const stroked = own.stroke !== 'none' && Number(property('stroke-width') ?? 1) !== 0;
    if (!filled && !stroked) return;
    shapes.push({ paths: readPathData(data, own.map), filled, stroked, rule: own.rule });
  };
  const parser = new SaxesParser();
  const mistakes: Error[] = [];
  parser.on('error', (error) => {
    mistakes.push(error);
  });
  parser.on('opentag', (tag) => {
    if (mistakes.length === 0) enter(tag);
  });
  parser.on('closetag', () => {
    open.pop();
  });
  try {
    parser.write(text).close();
  } catch (error) {
    if (error instanceof BadPathData) throw new UnreadableSvg(error.message);
    throw error;
  }
  const [mistake] = mistakes;
  if (mistake) throw new UnreadableSvg(`This is not well-formed SVG: ${mistake.message}`);
  if (elements === 0) throw new UnreadableSvg('The file is empty.');
  return shapes;
}
