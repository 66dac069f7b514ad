/**
 * What an SVG file draws.
 *
 * @example
 * const { nodes, width, unit, left } = readDrawing(text);
 * if (left.length > 0) say(left.map(({ what, count }) => `${count} × ${what}`).join(', '));
 */
import {
  type Affine,
  type Bounds,
  boundsOfPaths,
  compose,
  IDENTITY,
  inverse,
  mapPath,
  moveMap,
  type Path,
} from '@/core/curve';
import type { Progress, TaskKind } from '@/core/derive';
import { failed, finding, ok } from '@/core/finding';
import { BLEND_MODES, type BlendMode, type FillRule } from '@/core/scene';
import { BadPathData, readPathData } from '../../readPathData';
import { dataOf } from './basicShapes';
import {
  shapesOfNodes,
  type DrawnClip,
  type Drawing,
  type DrawnGroup,
  type DrawnNode,
  type DrawnShape,
} from '../../drawing/drawing';
import { LeftOuts } from '../../drawing/leftOut';
import { pathData } from '../../pathData';
import type { Run } from '@/core/words';
import { NOT_KEPT } from './notKept';
import { NO_LETTERS, piecesOf, setPieces, sizeOf, START_SIZE, TEXT_INHERITED, type Letters } from './texts';
import { lengthIn, numberIn } from './lengths';
import { paintOf, type PaintContext } from './paints';
import { propertiesIn } from './styles';
import { mapOf, transformIn } from './transform';
import { hrefOf, idIn, idsIn, readTree, type Element } from './tree';
import { UnreadablePart, UnreadableSvg } from './unreadable';
import { innerViewport, pageOf } from './viewport';

/** What an element hands on to those inside it. */
interface Inherited {
  readonly map: Affine;
  readonly properties: ReadonlyMap<string, string>;
  /** The product of the opacities of what it is in. */
  readonly opacity: number;
  /** How many `use` elements lead here. */
  readonly uses: number;
  /** Within a clip path, where only what is covered counts. */
  readonly clips: boolean;
}

const INHERITED = [
  'clip-rule',
  'color',
  'fill',
  'fill-opacity',
  'fill-rule',
  'paint-order',
  'stroke',
  'stroke-dasharray',
  'stroke-dashoffset',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-miterlimit',
  'stroke-opacity',
  'stroke-width',
  'visibility',
  ...TEXT_INHERITED,
];

const INITIAL: ReadonlyMap<string, string> = new Map([
  ['fill', 'black'],
  ['stroke', 'none'],
  ['stroke-width', '1'],
  ['color', 'black'],
]);

/** Depth of `use` within `use`; files that go deeper go round in circles. */
const MOST_USES = 8;
/** Clip paths that clip one another. */
const MOST_CLIPS = 8;
/** Shapes that are drawn. */
const MOST_SHAPES = 100_000;
/** Elements that are looked at while drawing: `use` within `use` makes many of few. */
const MOST_VISITS = 400_000;
/** Segments of all that is drawn. */
const MOST_SEGMENTS = 400_000;
/** Coordinates beyond it have no digits left for what is drawn. */
const MOST_COORDINATE = 1e9;
/** Decimals of letters, in the user's unit. */
const LETTER_DECIMALS = 6;
/** Reading the text is about half of the work. */
const HALF = 0.5;

/** Different mistakes that are told one by one. */
const MOST_MISTAKES = 4;

/** Elements that only define what others use. */
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
  'style',
  'title',
  'desc',
  'metadata',
  'view',
]);

/** Properties that change what is seen in ways that are not kept. */
const NOT_KEPT_PROPERTIES: readonly (readonly [string, string])[] = [
  ['mask', 'mask'],
  ['filter', 'filter'],
  ['marker-start', 'marker'],
  ['marker-mid', 'marker'],
  ['marker-end', 'marker'],
  ['marker', 'marker'],
];

/** True for what is no number that can be drawn, too. */
const isFar = ({ left, right, top, bottom }: Bounds): boolean =>
  ![left, right, top, bottom].every((each) => Math.abs(each) <= MOST_COORDINATE);

const nameOf = ({ attributes, children }: Element): string | null =>
  attributes['id'] ??
  attributes['data-name'] ??
  children.find(({ name }) => name === 'title')?.text.trim() ??
  null;

/** What is told of an element that was left out: “circle (the r of a circle “NaN” is not a length)”. */
const leftFor = ({ name }: Element, { message }: UnreadablePart): string =>
  `${name === 'g' ? 'group' : name} (${message.charAt(0).toLowerCase()}${message.slice(1).replace(/\.$/, '')})`;

const ruleOf = (text: string | undefined): FillRule => (text === 'evenodd' ? 'evenodd' : 'nonzero');

/** The properties that an element sets for itself and what is inside it. */
const handedOn = (properties: ReadonlyMap<string, string>): (readonly [string, string])[] =>
  INHERITED.flatMap((key) => {
    const value = properties.get(key);
    return value === undefined || value === 'inherit' ? [] : [[key, value] as const];
  });

/** Draws the elements of a tree; counts what it does, so that no file takes more than there is time for. */
class Drawer {
  private visits = 0;
  private shapes = 0;
  private segments = 0;
  private mistake: UnreadablePart | null = null;
  private readonly mistakes = new Set<string>();

  constructor(
    private readonly context: PaintContext,
    private readonly letters: Letters,
    private readonly progress: Progress | undefined,
  ) {}

  /** What is wrong with the first element that was left out as it cannot be read; null where none was. */
  get firstMistake(): UnreadablePart | null {
    return this.mistake;
  }

  drawAll(elements: readonly Element[], outer: Inherited): DrawnNode[] {
    return elements.flatMap((element) => this.drawOrLeave(element, outer));
  }

  /** What an element draws; nothing where a value of its own cannot be read, which is told. */
  private drawOrLeave(element: Element, outer: Inherited): DrawnNode[] {
    try {
      return this.draw(element, outer);
    } catch (error) {
      const mistake = error instanceof BadPathData ? new UnreadablePart(error.message) : error;
      if (!(mistake instanceof UnreadablePart)) throw mistake;
      this.mistake ??= mistake;
      const what = leftFor(element, mistake);
      const isTold = this.mistakes.has(what) || this.mistakes.size < MOST_MISTAKES;
      if (isTold) this.mistakes.add(what);
      this.context.left.add(isTold ? what : 'other element that cannot be read');
      return [];
    }
  }

  private draw(element: Element, outer: Inherited): DrawnNode[] {
    this.visits += 1;
    if (this.visits > MOST_VISITS)
      throw new UnreadableSvg(
        `The file draws more than ${MOST_VISITS} elements, by using parts again and again.`,
      );
    if (this.visits % 500 === 0) this.progress?.(HALF + (HALF * this.shapes) / MOST_SHAPES);
    const { left } = this.context;
    const properties = this.context.properties(element);
    const lost = NOT_KEPT[element.name];
    if (lost !== undefined) left.add(lost);
    if (lost !== undefined || NOT_DRAWN.has(element.name) || properties.get('display') === 'none') return [];
    const own = this.ownOf(element, properties, outer);
    const nodes = this.contentOf(element, properties, own);
    if (nodes.length === 0) return [];
    for (const [property, what] of NOT_KEPT_PROPERTIES)
      if ((properties.get(property) ?? 'none') !== 'none') left.add(what);
    if (numberIn(properties.get('opacity'), 1) < 1 && shapesOfNodes(nodes).length > 1)
      left.add('see-through group as a whole');
    const blend = BLEND_MODES.find((each) => each === properties.get('mix-blend-mode')) ?? 'normal';
    return this.clipped(nodes, properties.get('clip-path'), own, {
      name: nameOf(element),
      blend,
      own: element,
    });
  }

  private ownOf(element: Element, properties: ReadonlyMap<string, string>, outer: Inherited): Inherited {
    const set = handedOn(properties).map(([key, value]): readonly [string, string] =>
      key === 'font-size'
        ? [key, String(sizeOf(value, sizeOf(outer.properties.get(key), START_SIZE)))]
        : [key, value],
    );
    if ((properties.get('transform-origin') ?? '0') !== '0' && properties.has('transform'))
      this.context.left.add('origin of a transform');
    const own = transformIn(properties.get('transform'));
    const viewport =
      element.name === 'svg' ? innerViewport((key) => properties.get(key), null, this.context.inner) : null;
    return {
      ...outer,
      map: [outer.map, ...(own ? [own] : []), ...(viewport ? [viewport] : [])].reduce(compose),
      properties: set.length > 0 ? new Map([...outer.properties, ...set]) : outer.properties,
      opacity: outer.opacity * Math.min(1, Math.max(0, numberIn(properties.get('opacity'), 1))),
    };
  }

  /** What is inside an element, or the shape that it is. */
  private contentOf(
    element: Element,
    properties: ReadonlyMap<string, string>,
    own: Inherited,
  ): readonly DrawnNode[] {
    if (element.name === 'use') return this.reused(element, properties, own);
    if (element.name === 'text') return this.textOf(element, own);
    if (element.name === 'switch') {
      const chosen = element.children.find(
        ({ name, attributes }) =>
          NOT_KEPT[name] === undefined && attributes['requiredExtensions'] === undefined,
      );
      return chosen ? this.draw(chosen, own) : [];
    }
    const data = dataOf(element.name, (key) => properties.get(key), this.context.inner);
    if (data !== null) return data === '' ? [] : this.shapeOf(element, data, properties, own);
    return this.drawAll(element.children, own);
  }

  /** A text as the outlines of its pieces; what nobody has set is left out. */
  private textOf(element: Element, own: Inherited): readonly DrawnNode[] {
    const { left, properties } = this.context;
    const pieces = piecesOf(element, properties, own.properties);
    const set = setPieces(pieces, this.letters).filter(({ paths }) => paths.length > 0);
    if (set.length === 0) {
      if (pieces.some(({ text }) => text.trim() !== '') || element.children.length > 0) left.add('text');
      return [];
    }
    if (element.children.some(({ name }) => name === 'textPath')) left.add('text on a path');
    left.add('typeface (one that ships stands in)');
    return set.flatMap(({ piece, paths }) => {
      const its = properties(piece.element);
      const look = piece.element === element ? own : this.ownOf({ ...piece.element, name: 'g' }, its, own);
      return this.shapeOf(piece.element, pathData(paths, LETTER_DECIMALS), its, look).map((node) =>
        node.kind === 'shape' ? { ...node, name: node.name ?? piece.text.trim() } : node,
      );
    });
  }

  private reused(
    element: Element,
    properties: ReadonlyMap<string, string>,
    own: Inherited,
  ): readonly DrawnNode[] {
    const { ids, inner } = this.context;
    const id = idIn(hrefOf(element));
    const target = ids.get(id ?? '');
    if (id === null && hrefOf(element)) this.context.left.add('part of another file');
    if (!target || id === null) return [];
    if (own.uses === MOST_USES) throw new UnreadableSvg('The file uses parts of itself in a circle.');
    const x = lengthIn(properties.get('x'), inner.width, 'x');
    const y = lengthIn(properties.get('y'), inner.height, 'y');
    const map = compose(own.map, moveMap({ x, y }));
    const within = { ...own, map, uses: own.uses + 1 };
    const isView = target.name === 'symbol' || target.name === 'svg';
    if (!isView) return this.draw(target, within);
    const sides = (key: string): string | undefined =>
      key === 'width' || key === 'height' ? properties.get(key) : undefined;
    const symbol = this.context.properties(target);
    const view = innerViewport((key) => symbol.get(key), sides, inner);
    return this.drawAll(
      target.children,
      this.ownOf({ ...target, name: 'g' }, symbol, { ...within, map: compose(map, view) }),
    );
  }

  private shapeOf(
    element: Element,
    data: string,
    properties: ReadonlyMap<string, string>,
    own: Inherited,
  ): readonly DrawnNode[] {
    const hidden = own.properties.get('visibility') ?? 'visible';
    if (hidden !== 'visible') return [];
    const effect = properties.get('vector-effect');
    let box: Bounds | null = null;
    const painted = {
      ...own,
      properties: effect ? new Map([...own.properties, ['vector-effect', effect]]) : own.properties,
      box: () => (box ??= boundsOfPaths(readPathData(data))),
    };
    const paint = own.clips
      ? { fill: '#000000', stroke: null }
      : paintOf(painted, element.name !== 'line', this.context);
    if (!paint.fill && !paint.stroke) return [];
    this.shapes += 1;
    if (this.shapes > MOST_SHAPES) throw new UnreadableSvg(`The file draws more than ${MOST_SHAPES} shapes.`);
    const paths = readPathData(data, own.map);
    if (paths.length === 0) return [];
    this.segments += paths.reduce((sum, path) => sum + path.segments.length, 0);
    if (this.segments > MOST_SEGMENTS)
      throw new UnreadableSvg(`The file draws paths of more than ${MOST_SEGMENTS} segments.`);
    if (isFar(boundsOfPaths(paths)))
      throw new UnreadableSvg(`The file has coordinates beyond ${MOST_COORDINATE / 1e9} thousand million.`);
    const rule = ruleOf(own.properties.get(own.clips ? 'clip-rule' : 'fill-rule'));
    return [{ kind: 'shape', name: nameOf(element), paths, rule, paint }];
  }

  /** Nodes as the one thing that they are in the file: within what clips them, with their name. */
  private clipped(
    nodes: readonly DrawnNode[],
    clipPath: string | undefined,
    own: Inherited,
    as: { readonly name: string | null; readonly blend: BlendMode; readonly own: Element },
  ): DrawnNode[] {
    const [only, another] = nodes;
    const used = as.own.name === 'use' ? { id: idIn(hrefOf(as.own)) ?? '', map: own.map } : null;
    const group = (children: readonly DrawnNode[], clip: DrawnClip | null): DrawnGroup => ({
      kind: 'group',
      name: as.name ?? used?.id ?? null,
      children,
      clip,
      blend: as.blend,
      used,
    });
    const clips = this.clipsOf(clipPath, own, nodes, 0);
    if (clips === null) return [];
    if (clips.length > 0) {
      const [first, ...more] = clips;
      return [more.reduce((inner, clip) => group([inner], clip), group(nodes, first ?? null))];
    }
    // A group of one thing is that thing.
    if (only && !another && as.blend === 'normal' && !used) return [{ ...only, name: only.name ?? as.name }];
    return [group(nodes, null)];
  }

  /** What clips nodes, innermost first; null where nothing of them is left. */
  private clipsOf(
    reference: string | undefined,
    own: Inherited,
    nodes: readonly DrawnNode[],
    depth: number,
  ): DrawnClip[] | null {
    if ((reference ?? 'none') === 'none') return [];
    const id = idIn(/^url\(\s*["']?([^"')]*)["']?\s*\)/.exec(reference?.trim() ?? '')?.[1]);
    const element = this.context.ids.get(id ?? '');
    if (element?.name !== 'clipPath') {
      this.context.left.add('clip by a basic shape');
      return [];
    }
    if (depth === MOST_CLIPS) throw new UnreadableSvg('The file clips parts of itself in a circle.');
    const properties = this.context.properties(element);
    const units = properties.get('clipPathUnits') === 'objectBoundingBox' ? boxOf(nodes, own.map) : IDENTITY;
    const map = [own.map, mapOf(properties.get('transform')), units].reduce(compose);
    const inner = { ...own, map, opacity: 1, properties: INITIAL, clips: true };
    const drawn = shapesOfNodes(this.drawAll(element.children, inner));
    if (drawn.length === 0) return null;
    const outer = this.clipsOf(properties.get('clip-path'), own, nodes, depth + 1);
    if (outer === null) return null;
    return [{ name: nameOf(element), shapes: drawn.map(({ paths, rule }) => ({ paths, rule })) }, ...outer];
  }
}

/** From a unit square to the box of nodes, in coordinates that a map takes to theirs. */
function boxOf(nodes: readonly DrawnNode[], map: Affine): Affine {
  const back = inverse(map);
  const paths = shapesOfNodes(nodes).flatMap((shape) => shape.paths.map((path): Path => mapPath(path, back)));
  const { left, top, right, bottom } = boundsOfPaths(paths);
  return { a: right - left, b: 0, c: 0, d: bottom - top, e: left, f: top };
}

/** In which coordinates a drawing is told: pixels from the upper left corner of the page, or the file's own. */
export type DrawingFrame = 'page' | 'own';

/**
 * What a file draws, with its tree. Nothing in it is run and nothing is loaded.
 * @param progress told how far it is
 * @param letters the outlines of its text; without them text is left out
 * @throws UnreadableSvg
 */
export function readDrawing(
  text: string,
  frame: DrawingFrame = 'page',
  progress?: Progress,
  letters = NO_LETTERS,
): Drawing {
  const top = readTree(text, progress && ((share) => progress(HALF * share)));
  const left = new LeftOuts();
  const properties = propertiesIn(top, left);
  const [root] = top.children;
  if (!root) throw new UnreadableSvg('The file is empty.');
  const own = properties(root);
  const page = pageOf((key) => own.get(key));
  const context: PaintContext = { ids: idsIn(top), properties, left, inner: page.inner };
  const map = frame === 'page' ? page.map : IDENTITY;
  const drawer = new Drawer(context, letters, progress);
  const nodes = drawer.drawAll(root.children, {
    map,
    properties: new Map([...INITIAL, ...handedOn(own)]),
    opacity: numberIn(own.get('opacity'), 1),
    uses: 0,
    clips: false,
  });
  if (nodes.length === 0 && drawer.firstMistake) throw drawer.firstMistake;
  const { width, height, unit } = page;
  const title = root.children.find(({ name }) => name === 'title')?.text.trim() ?? null;
  return {
    title: title === '' ? null : title,
    width,
    height,
    unit,
    origin: { x: map.e, y: map.f },
    nodes,
    left: left.list(),
  };
}

/** The shapes that an SVG file draws, one after the other, in its own coordinates. @throws UnreadableSvg */
export const readSvg = (text: string): DrawnShape[] => shapesOfNodes(readDrawing(text, 'own').nodes);

/** Milliseconds for each character, about. */
const COST_OF_CHARACTER = 0.0005;

/** A file's text, and the outlines of the text in it by `keyOfLetters`. */
export interface ReadInput {
  readonly text: string;
  readonly letters?: readonly (readonly [string, Run])[];
}

/** Reading an SVG text as a task, so that a large one is read in another thread; see `readDrawing`. */
export const READ_SVG: TaskKind<ReadInput, Drawing> = {
  name: 'readSvg',
  // What is used again is read again: a short text can be much to read.
  cost: ({ text }) => COST_OF_CHARACTER * text.length * text.split('<use').length,
  run: ({ text, letters = [] }, progress) => {
    try {
      return ok(readDrawing(text, 'page', progress, new Map(letters)));
    } catch (error) {
      if (error instanceof UnreadableSvg) return failed(finding('svg.unreadable', error.message));
      throw error;
    }
  },
};
