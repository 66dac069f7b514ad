/**
 * The drawn picture of a scene, asked point by point: which tone is seen there, and what it is of. A picture that some turn about the
 * centre takes to itself is looked at in one sector only; what is asked elsewhere is turned there.
 *
 * @example
 * const picture = pictureOf(scene);
 * picture.at(0, -40);                     // { tone: 3, top: 12 }
 * picture.colours[3];                     // '#2e8b6f'
 */
import { type Affine, applyTo, inverse, type Point, similarityScale, turnMap } from '@/core/curve';
import { addTurns, gcd, turn, type Turn, wrapTurn } from '@/core/number';
import { blended, type Ink, inkAt, isGradient, isRound, styleOf, type Tint, tintOf } from '@/core/paint';
import { remembered } from '../remembered';
import {
  type BlendMode,
  type Colour,
  type Fill,
  layersOf,
  placedAt,
  type Scene,
  type SceneCopy,
  type SceneItem,
  type SceneLayer,
} from '@/core/scene';
import { isKeptByTurn } from '@/core/symmetry';
import { isStacked } from './stacking';
import { edgesOf, flatItem, isFilled, isStroked, type FlatItem } from './flat';

/** One item at one of its places. */
interface Piece {
  readonly layer: SceneLayer;
  readonly item: SceneItem;
  readonly copy: SceneCopy;
  /** From the item's own coordinates to the figure's, and back. */
  readonly map: Affine;
  readonly back: Affine;
  readonly flat: FlatItem;
}

/** What is seen at a point. */
interface Seen {
  /** The same number where one colour, or one run of colours, is seen. */
  readonly tone: number;
  /** The piece in front, by its place in `pieces`; −1 for the page. */
  readonly top: number;
}

export interface DrawnPicture {
  /** Turning by one part in so many takes the picture to itself. */
  readonly fold: number;
  /** All that is drawn in the sector that is looked at, back to front. */
  readonly pieces: readonly Piece[];
  /** Of each tone; of a run of colours one of them. */
  readonly colours: readonly Colour[];
  /** Of each tone: the same number where one run of colours is seen, of whichever copy, and another one for each colour. */
  readonly families: readonly number[];
  /** True for tones that are one colour all over. */
  readonly isFlat: readonly boolean[];
  /** True where the same run of colours is seen in two tones, if through others. */
  shareRun(tone: number, other: number): boolean;
  /** The tone of the page. */
  readonly page: number;
  /** No smaller than what polygons differ from curves, in the figure's unit. */
  readonly blur: number;
  at(x: number, y: number): Seen;
  /** The colour that is seen, also within a run of colours. */
  colourAt(x: number, y: number): Colour;
  /** True where a piece is seen at a point, if only through others. */
  shows(piece: number, x: number, y: number): boolean;
  /**
   * Goes along all edges of what is drawn in the sector.
   * @param step the longest stretch that is told as one, in the figure's unit
   */
  edges(
    step: number,
    take: (piece: number, x: number, y: number, halfX: number, halfY: number, long: number) => void,
  ): void;
  /** A point turned into the sector, where all that are alike are one. */
  folded(p: Point): Point;
  /** How long all edges of the sector are together. */
  readonly length: number;
  /** Nothing is farther from the centre, in the figure's unit; it may be less far. */
  readonly reach: number;
}

/** Polygons differ from curves by this share of the page's shorter side at most. */
const FLATNESS = 5e-6;

/** Without a background a page is white, as paper and screens are. */
const PAPER: Colour = '#ffffff';

const isTurned = (fill: Fill | null | undefined): boolean =>
  !isGradient(fill) || (fill.spread !== 'page' && fill.spread !== 'round') || isRound(fill);

const sameCopy = (a: SceneCopy, b: SceneCopy): boolean =>
  a.transform === b.transform && (a.opacity ?? 1) === (b.opacity ?? 1) && a.items === b.items;

const nameOfTurn = ({ num, den }: Turn): string => {
  const { num: own, den: parts } = wrapTurn(turn(num, den));
  return `${own}/${parts}`;
};

/** True where a turn takes each copy of a layer to another that is like it. */
function keepsCopies({ copies }: SceneLayer, places: ReadonlyMap<string, SceneCopy>, step: Turn): boolean {
  return copies.every((copy) => {
    const there = places.get(nameOfTurn(addTurns(copy.turn, step)));
    return there !== undefined && sameCopy(copy, there);
  });
}

const looksAlike = ({ items }: SceneLayer): boolean =>
  items.every(({ paint }) => isTurned(paint.fill) && isTurned(paint.stroke?.colour));

/** The highest fold of the turns that take a layer of several copies to itself. */
const foldOfCopies = remembered((layer: SceneLayer): number => {
  const { copies } = layer;
  if (!looksAlike(layer) || isStacked(layer)) return 1;
  const places = new Map(copies.map((copy) => [nameOfTurn(copy.turn), copy]));
  for (let fold = copies.length; fold > 1; fold -= 1)
    if (copies.length % fold === 0 && keepsCopies(layer, places, turn(1, fold))) return fold;
  return 1;
});

/** Folds that are tried where nothing that is drawn stands more than once. */
const TRIED = 60;

/** The fold that layers have together: of copies by where they stand, of what stands alone by its form. */
function foldOf(layers: readonly SceneLayer[]): number {
  const several = layers.filter(({ copies }) => copies.length > 1);
  const alone = layers.filter(({ copies }) => copies.length === 1);
  const isKept = (layer: SceneLayer, fold: number): boolean =>
    looksAlike(layer) &&
    layer.copies.every(({ transform }) => !transform) &&
    layer.items.every((item) => isKeptByTurn(item.paths, turn(1, fold)));
  const most = several.reduce((common, layer) => gcd(common, foldOfCopies(layer)), 0);
  for (let fold = most === 0 ? TRIED : most; fold > 1; fold -= 1)
    if ((most === 0 || most % fold === 0) && alone.every((layer) => isKept(layer, fold))) return fold;
  return 1;
}

type Drawn = readonly { readonly ink: Ink; readonly of: 'fill' | 'stroke' }[];

const drawnOf = remembered((item: SceneItem): Drawn => {
  const { fill, stroke, isStrokeFirst } = styleOf(item.paint, item.rule);
  const inks: Drawn = [
    ...(fill ? [{ ink: fill.ink, of: 'fill' } as const] : []),
    ...(stroke ? [{ ink: stroke.ink, of: 'stroke' } as const] : []),
  ];
  // Front to back, as they are looked at.
  return isStrokeFirst ? inks : [...inks].reverse();
});

/** One ink that is seen at a point, in front of others. */
interface Layered {
  readonly piece: number;
  readonly ink: Ink;
  /** What lies together: a copy, or what is laid as one in it. Seen through and blended as one. */
  readonly together: object;
  /** Of what lies together. */
  readonly opacity: number;
  readonly blend: BlendMode;
}

const flatItems = new WeakMap<SceneItem, { readonly tolerance: number; readonly flat: FlatItem }>();

function flattened(item: SceneItem, tolerance: number): FlatItem {
  const known = flatItems.get(item);
  if (known?.tolerance === tolerance) return known.flat;
  const flat = flatItem(item, tolerance);
  flatItems.set(item, { tolerance, flat });
  return flat;
}

const hexOf = ({ r, g, b }: Pick<Tint, 'r' | 'g' | 'b'>): Colour =>
  `#${[r, g, b]
    .map((each) =>
      Math.max(0, Math.min(255, Math.round(each)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;

/** One tint over another, by the source-over formula of Compositing and Blending Level 1. */
function over(below: Tint, above: Tint): Tint {
  const opacity = above.opacity + below.opacity * (1 - above.opacity);
  if (opacity <= 0) return above;
  const mix = (a: number, b: number): number =>
    (a * above.opacity + b * below.opacity * (1 - above.opacity)) / opacity;
  return { r: mix(above.r, below.r), g: mix(above.g, below.g), b: mix(above.b, below.b), opacity };
}

/** A tint laid on a colour. */
const laid = (below: Colour, above: Tint, mode: BlendMode): Colour =>
  above.opacity <= 0 ? below : hexOf(blended(tintOf(below), above, mode));

/** Squares of the index for each piece, about. */
const SQUARES_A_PIECE = 2;
const MOST_SQUARES = 262_144;

class SectorPicture implements DrawnPicture {
  readonly fold: number;
  readonly pieces: readonly Piece[];
  readonly colours: Colour[] = [];
  readonly families: number[] = [];
  readonly isFlat: boolean[] = [];
  private readonly runs: (readonly Ink[])[] = [];
  readonly page: number;
  readonly blur: number;
  readonly length: number;
  readonly reach: number;

  private readonly tones = new Map<string, number>();
  private readonly familyNames = new Map<string, number>();
  private readonly inkNames = new Map<Ink, number>();
  private readonly ground: Ink | null;
  private readonly squares: Int32Array[] = [];
  private readonly cos: Float64Array;
  private readonly sin: Float64Array;
  private readonly left: number;
  private readonly top: number;
  private readonly side: number;
  private readonly across: number;
  private readonly down: number;

  constructor(scene: Scene) {
    const layers = layersOf(scene, 'abut');
    const { page } = scene;
    const tolerance = FLATNESS * Math.min(page.width, page.height);
    this.blur = 4 * tolerance;
    this.fold = foldOf(layers);
    const steps = Array.from({ length: this.fold }, (_, k) => turnMap(turn(-k, this.fold)));
    this.cos = Float64Array.from(steps, ({ a }) => a);
    this.sin = Float64Array.from(steps, ({ b }) => b);
    const { background } = page;
    this.ground = background === null ? null : (drawnOf(groundItem(background))[0]?.ink ?? null);
    const all = layers.flatMap((layer) =>
      layer.copies.flatMap((copy) =>
        placedAt(layer, copy).map(({ item, map }): Piece => ({
          layer,
          item,
          copy,
          map,
          back: inverse(map),
          flat: flattened(item, tolerance),
        })),
      ),
    );
    const discs = all.map(({ flat, map }) => {
      const middle = applyTo(map, flat.middle);
      return { ...middle, r: flat.radius * (similarityScale(map) ?? Math.hypot(map.a, map.b, map.c, map.d)) };
    });
    const reach = discs.reduce((most, { x, y, r }) => Math.max(most, Math.hypot(x, y) + r), 1e-9);
    this.reach = reach;
    const wedge = this.fold === 1 ? null : (2 * Math.PI) / this.fold;
    const inSector = discs.map((disc) => wedge === null || meetsWedge(disc, wedge));
    this.pieces = all.filter((_, k) => inSector[k]);
    const own = discs.filter((_, k) => inSector[k]);
    // The sector goes from straight up clockwise.
    [this.left, this.top] = wedge === null || wedge > Math.PI ? [-reach, -reach] : [0, -reach];
    const right = reach;
    const bottom = wedge === null || wedge > Math.PI / 2 ? reach : 0;
    const [width, height] = [right - this.left, bottom - this.top];
    // Squares as large as the sector's pieces have room for, all over the box about it.
    const room = (Math.PI * reach * reach) / this.fold / Math.max(32, SQUARES_A_PIECE * own.length);
    this.side = Math.sqrt(Math.max(room, (width * height) / MOST_SQUARES));
    this.across = Math.max(1, Math.ceil(width / this.side));
    this.down = Math.max(1, Math.ceil(height / this.side));
    this.squares = this.indexed(own);
    this.page = this.toneOf(this.stackAt(4 * reach, -4 * reach), 4 * reach, -4 * reach);
    let length = 0;
    this.edges(Infinity, (_, __, ___, ____, _____, long) => (length += long));
    this.length = length;
  }

  private indexed(discs: readonly { x: number; y: number; r: number }[]): Int32Array[] {
    const lists: number[][] = Array.from({ length: this.across * this.down }, () => []);
    const clamp = (value: number, most: number): number => Math.max(0, Math.min(most - 1, Math.floor(value)));
    discs.forEach(({ x, y, r }, piece) => {
      const [fromX, toX] = [
        clamp((x - r - this.left) / this.side, this.across),
        clamp((x + r - this.left) / this.side, this.across),
      ];
      const [fromY, toY] = [
        clamp((y - r - this.top) / this.side, this.down),
        clamp((y + r - this.top) / this.side, this.down),
      ];
      for (let row = fromY; row <= toY; row += 1)
        for (let column = fromX; column <= toX; column += 1) lists[row * this.across + column]?.push(piece);
    });
    return lists.map((list) => Int32Array.from(list.reverse()));
  }

  /** How many turns back take a point into the sector. */
  private turnsOf(x: number, y: number): number {
    if (this.fold === 1) return 0;
    const angle = Math.atan2(x, -y);
    const around = (angle < 0 ? angle + 2 * Math.PI : angle) / (2 * Math.PI);
    return Math.min(this.fold - 1, Math.floor(around * this.fold));
  }

  /** The inks that are seen at a point, the front one first. */
  private stackAt(askedX: number, askedY: number): Layered[] {
    const k = this.turnsOf(askedX, askedY);
    const [cos, sin] = [this.cos[k] ?? 1, this.sin[k] ?? 0];
    const [x, y] = [askedX * cos - askedY * sin, askedX * sin + askedY * cos];
    const column = Math.floor((x - this.left) / this.side);
    const row = Math.floor((y - this.top) / this.side);
    if (column < 0 || row < 0 || column >= this.across || row >= this.down) return [];
    const stack: Layered[] = [];
    let covered: object | null = null;
    for (const index of this.squares[row * this.across + column] ?? []) {
      const piece = this.pieces[index];
      if (!piece) continue;
      const { back, item, flat, layer, copy } = piece;
      const ownX = back.a * x + back.c * y + back.e;
      const ownY = back.b * x + back.d * y + back.f;
      const [offX, offY] = [ownX - flat.middle.x, ownY - flat.middle.y];
      if (offX * offX + offY * offY > flat.radius * flat.radius) continue;
      const opacity = (copy.opacity ?? 1) * (item.laid?.opacity ?? 1);
      const mode = item.laid?.blend ?? layer.blend ?? 'normal';
      const together = item.laid ?? copy;
      if (together === covered) continue;
      for (const { ink, of } of drawnOf(item)) {
        const covers = of === 'fill' ? isFilled(flat, item.rule, ownX, ownY) : isStroked(flat, ownX, ownY);
        if (!covers) continue;
        stack.push({ piece: index, ink, together, opacity, blend: mode });
        if (ink.kind !== 'flat' || ink.opacity < 1) continue;
        if (opacity >= 1 && mode === 'normal') return stack;
        // What lies below it in what it lies together with is not seen.
        covered = together;
        break;
      }
    }
    return stack;
  }

  /** A name for what is seen: of flat inks by what they are, of runs of colours by which, and of what. */
  private nameOf(stack: readonly Layered[], withPieces: boolean): string {
    return stack
      .map(({ ink, opacity, blend: mode, piece, together }, k) => {
        const how = stack[k - 1]?.together === together ? '+' : `${opacity} ${mode}`;
        if (ink.kind === 'flat') return `${ink.colour} ${ink.opacity} ${how}`;
        const known = this.inkNames.get(ink) ?? this.inkNames.size;
        this.inkNames.set(ink, known);
        return `${known} ${how} ${withPieces ? piece : ''}`;
      })
      .join('|');
  }

  private mixed(stack: readonly Layered[], x: number, y: number): Colour {
    const start = this.ground ? laid(PAPER, inkAt(this.ground, { x, y }), 'normal') : PAPER;
    let seen = start;
    for (let end = stack.length; end > 0;) {
      const last = stack[end - 1];
      let first = end - 1;
      while (first > 0 && stack[first - 1]?.together === last?.together) first -= 1;
      const tint = stack.slice(first, end).reduceRight<Tint | null>((below, { ink, piece }) => {
        const back = this.pieces[piece]?.back;
        const own = inkAt(ink, back ? applyTo(back, { x, y }) : { x, y });
        return below === null ? own : over(below, own);
      }, null);
      if (tint && last) seen = laid(seen, { ...tint, opacity: tint.opacity * last.opacity }, last.blend);
      end = first;
    }
    return seen;
  }

  private toneOf(stack: readonly Layered[], x: number, y: number): number {
    const name = this.nameOf(stack, true);
    const known = this.tones.get(name);
    if (known !== undefined) return known;
    const colour = this.mixed(stack, x, y);
    const isFlat = stack.every(({ ink }) => ink.kind === 'flat');
    // Two stacks of inks that come to one colour are one tone.
    const same = isFlat ? this.tones.get(`= ${colour}`) : undefined;
    const tone = same ?? this.newTone(colour, stack);
    this.tones.set(name, tone);
    if (isFlat) this.tones.set(`= ${colour}`, tone);
    return tone;
  }

  shareRun(tone: number, other: number): boolean {
    return (this.runs[tone] ?? []).some((ink) => this.runs[other]?.includes(ink));
  }

  private newTone(colour: Colour, stack: readonly Layered[]): number {
    const runs = stack.flatMap(({ ink }) => (ink.kind === 'flat' ? [] : [ink]));
    const isFlat = runs.length === 0;
    const familyName = isFlat ? colour : this.nameOf(stack, false);
    this.runs.push(runs);
    const family = this.familyNames.get(familyName) ?? this.familyNames.size;
    this.familyNames.set(familyName, family);
    this.families.push(family);
    this.isFlat.push(isFlat);
    return this.colours.push(colour) - 1;
  }

  folded({ x, y }: Point): Point {
    const far = Math.hypot(x, y);
    if (this.fold === 1 || far === 0) return { x, y };
    const wedge = (2 * Math.PI) / this.fold;
    const angle = Math.atan2(x, -y);
    const around = angle - wedge * Math.floor(angle / wedge);
    // What lies on the sector's last ray lies on its first one.
    const own = (wedge - around) * far < this.blur ? around - wedge : around;
    return { x: far * Math.sin(own), y: -far * Math.cos(own) };
  }

  at(x: number, y: number): Seen {
    const stack = this.stackAt(x, y);
    return { tone: this.toneOf(stack, x, y), top: stack[0]?.piece ?? -1 };
  }

  colourAt(x: number, y: number): Colour {
    const k = this.turnsOf(x, y);
    const [cos, sin] = [this.cos[k] ?? 1, this.sin[k] ?? 0];
    return this.mixed(this.stackAt(x, y), x * cos - y * sin, x * sin + y * cos);
  }

  shows(piece: number, x: number, y: number): boolean {
    return this.stackAt(x, y).some((each) => each.piece === piece);
  }

  edges(
    step: number,
    take: (piece: number, x: number, y: number, halfX: number, halfY: number, long: number) => void,
  ): void {
    this.pieces.forEach(({ flat, map, item }, index) => {
      const scale = similarityScale(map) ?? 1;
      edgesOf(flat, item.paint.fill !== null, step / scale, (x, y, halfX, halfY, long) => {
        const [ownX, ownY] = [map.a * x + map.c * y + map.e, map.b * x + map.d * y + map.f];
        if (this.turnsOf(ownX, ownY) !== 0) return;
        take(index, ownX, ownY, map.a * halfX + map.c * halfY, map.b * halfX + map.d * halfY, long * scale);
      });
    });
  }
}

/** True where a disc meets the sector that goes from straight up clockwise by an angle. */
function meetsWedge({ x, y, r }: { x: number; y: number; r: number }, wedge: number): boolean {
  const far = Math.hypot(x, y);
  if (far <= r) return true;
  const angle = Math.atan2(x, -y);
  const around = angle < 0 ? angle + 2 * Math.PI : angle;
  const half = Math.asin(Math.min(1, r / far));
  return around <= wedge + half || around + half >= 2 * Math.PI;
}

const groundItem = (fill: Fill): SceneItem => ({
  origin: { of: 'outline', shapeIds: [] },
  paths: [],
  paint: { fill, stroke: null },
  rule: 'nonzero',
  mirrored: false,
});

/** The drawn picture of a scene; the same as long as the scene is. */
export const pictureOf = remembered((scene: Scene): DrawnPicture => new SectorPicture(scene));
