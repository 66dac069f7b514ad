/**
 * What a tool follows: the outlines of areas and the middles of lines of a scene, each once.
 *
 * @example
 * for (const { path, roundId } of outlinesOf(scene)) cut(path);
 */
import {
  chained,
  compose,
  drawnOnce,
  mapPath,
  moveMap,
  type Path,
  type Point,
  pointAt,
  type Segment,
  signedArea,
} from '@/core/curve';
import {
  centreOnPage,
  type Colour,
  layersOf,
  placedItems,
  type Scene,
  type SceneItem,
  type Stroke,
} from '@/core/scene';
import { bandOfStroke } from '@/core/maker';
import { BANDS } from '@/core/merge';

/** A path that is followed, and what it is of. */
export interface Outline {
  readonly path: Path;
  readonly roundId: string;
  /** Of the fill, else of the stroke; black where it is a run of colours. */
  readonly colour: Colour;
  /** It bounds something, or is a line by itself. */
  readonly kind: 'area' | 'line';
}

/** What is followed of a line: its middle, or the outline of the band that it is seen as. */
export type LinesAs = 'middle' | 'bands';

/** Ends nearer than this, in the figure's unit, meet; lines nearer to one another are one. */
const ONE_PLACE = 1e-6;

/** Of more segments than this only those are looked at that are the same from end to end: a figure has thousands. */
const MOST_LOOKED_AT = 1500;

const flatOf = (colour: unknown): Colour => (typeof colour === 'string' ? colour.slice(0, 7) : '#000000');

/** A line as the outline of its band; as it is where it is too much, or too short. */
function bandOf(paths: readonly Path[], stroke: Stroke): readonly Path[] {
  const made = BANDS.run({ paths, look: bandOfStroke(stroke) });
  return made.ok ? made.value : paths;
}

function placed(scene: Scene, lines: LinesAs): Outline[] {
  const bands = new Map<SceneItem, readonly Path[]>();
  /** The paths of an item that are followed; those of one that stands often are made once. */
  const followed = (item: SceneItem): readonly Path[] => {
    const { fill, stroke } = item.paint;
    if (lines === 'middle' || fill !== null || !stroke) return item.paths;
    const made = bands.get(item) ?? bandOf(item.paths, stroke);
    bands.set(item, made);
    return made;
  };
  const toPage = moveMap(centreOnPage(scene.page));
  return layersOf(scene, 'abut').flatMap((layer) =>
    placedItems(layer).flatMap(({ item, map }) => {
      const isArea = item.paint.fill !== null;
      const colour = flatOf(isArea ? item.paint.fill : item.paint.stroke?.colour);
      const whole = compose(toPage, map);
      return followed(item)
        .filter(({ segments }) => segments.length > 0)
        .map((path) => ({
          path: { ...mapPath(path, whole), closed: path.closed || isArea },
          roundId: layer.roundId,
          colour,
          kind: path.closed || isArea ? ('area' as const) : ('line' as const),
        }));
    }),
  );
}

const spot = ({ x, y }: Point): string => `${Math.round(x / ONE_PLACE)} ${Math.round(y / ONE_PLACE)}`;

const middleOf = (segment: Segment): string =>
  segment.kind === 'arc'
    ? spot(pointAt(segment, 0.5))
    : segment.kind === 'cubic'
      ? [spot(segment.out), spot(segment.in)].sort().join(' ')
      : '';

/** A segment by its ends, whichever way it runs. */
const nameOf = (segment: Segment): string =>
  `${[spot(segment.from), spot(segment.to)].sort().join(' ')} ${middleOf(segment)}`;

/** A path without the segments that were followed before, in the pieces that are left. */
function piecesLeft(path: Path, seen: Set<string>): Path[] {
  const isNew = path.segments.map((segment) => {
    const name = nameOf(segment);
    if (seen.has(name)) return false;
    seen.add(name);
    return true;
  });
  if (isNew.every(Boolean)) return [path];
  const pieces: Segment[][] = [];
  path.segments.forEach((segment, k) => {
    if (!isNew[k]) return;
    const last = pieces.at(-1);
    if (last && isNew[k - 1]) last.push(segment);
    else pieces.push([segment]);
  });
  // What is left at the end of a loop goes on where it begins.
  const [first] = pieces;
  const last = pieces.at(-1);
  if (path.closed && isNew[0] && isNew.at(-1) && first && last && first !== last) {
    pieces.pop();
    first.unshift(...last);
  }
  return pieces.map((segments) => ({ closed: false, segments }));
}

/** The closing side of a loop that does not end where it begins, as an area has it. */
function withClosingSide({ segments, closed }: Path): Path {
  const [from, to] = [segments[0]?.from, segments.at(-1)?.to];
  const isOpen = closed && from && to && spot(from) !== spot(to);
  return isOpen
    ? { closed, segments: [...segments, { kind: 'line', from: to, to: from }] }
    : { segments, closed };
}

/** Inner loops before the outer ones round them, lines before both: a piece that is cut out moves no more. */
const sizeOf = ({ path }: Outline): number => (path.closed ? Math.abs(signedArea([path])) : 0);

/**
 * The outlines of a scene, in the page's coordinates from its upper left corner. What two areas share, or lies on another line, is there
 * once.
 */
export function outlinesOf(scene: Scene, lines: LinesAs = 'middle'): Outline[] {
  const all = placed(scene, lines).map((each) => ({ ...each, path: withClosingSide(each.path) }));
  const seen = new Set<string>();
  const once = all.flatMap((each) => piecesLeft(each.path, seen).map((path) => ({ ...each, path })));
  const count = once.reduce((sum, { path }) => sum + path.segments.length, 0);
  const left = count > MOST_LOOKED_AT ? once : withoutDoubled(once);
  return joinedAgain(left).sort((a, b) => sizeOf(a) - sizeOf(b));
}

/** Pieces of one round, colour and kind that meet become longer ones, and loops where they close. */
function joinedAgain(outlines: readonly Outline[]): Outline[] {
  const groups = new Map<string, Outline[]>();
  for (const outline of outlines) {
    const key = [outline.roundId, outline.colour, outline.kind].join(' ');
    const group = groups.get(key);
    if (group) group.push(outline);
    else groups.set(key, [outline]);
  }
  return [...groups.values()].flatMap((group) => {
    const [first] = group;
    return first
      ? chained(
          group.map(({ path }) => path),
          ONE_PLACE,
        ).map((path) => ({ ...first, path }))
      : [];
  });
}

/** Without what runs along a part of something else. */
function withoutDoubled(outlines: readonly Outline[]): Outline[] {
  const { lines } = drawnOnce(
    outlines.map(({ path }) => [path]),
    [],
    ONE_PLACE,
  );
  return outlines.flatMap((each, k) => (lines[k] ?? []).map((path) => ({ ...each, path })));
}
