/**
 * What a tool follows: the outlines of areas and the middles of lines of a scene, each once.
 *
 * @example
 * for (const { path, roundId } of outlinesOf(scene)) cut(path);
 */
import { mapPath, signedArea, type Path } from '../../curve/path';
import { drawnOnce } from '../../curve/once';
import { moveMap, compose } from '../../curve/affine';
import type { Point } from '../../curve/point';
import type { Segment } from '../../curve/segment';
import { centreOnPage, placedItems } from '../../scene/placed';
import { layersOf, type Colour, type Scene } from '../../scene/scene';

/** A path that is followed, and what it is of. */
export interface Outline {
  readonly path: Path;
  readonly roundId: string;
  /** Of the fill, else of the stroke; black where it is a run of colours. */
  readonly colour: Colour;
}

/** Ends nearer than this, in the figure's unit, meet; lines nearer to one another are one. */
const ONE_PLACE = 1e-6;

/** Of more segments than this only those are looked at that are the same from end to end: a figure has thousands. */
const MOST_LOOKED_AT = 1500;

const flatOf = (colour: unknown): Colour => (typeof colour === 'string' ? colour.slice(0, 7) : '#000000');

function placed(scene: Scene): Outline[] {
  const toPage = moveMap(centreOnPage(scene.page));
  return layersOf(scene, 'abut').flatMap((layer) =>
    placedItems(layer).flatMap(({ item, map }) => {
      const isArea = item.paint.fill !== null;
      const colour = flatOf(isArea ? item.paint.fill : item.paint.stroke?.colour);
      const whole = compose(toPage, map);
      return item.paths
        .filter(({ segments }) => segments.length > 0)
        .map((path) => ({
          path: { ...mapPath(path, whole), closed: path.closed || isArea },
          roundId: layer.roundId,
          colour,
        }));
    }),
  );
}

const spot = ({ x, y }: Point): string => `${Math.round(x / ONE_PLACE)} ${Math.round(y / ONE_PLACE)}`;

const middleOf = (segment: Segment): string =>
  segment.kind === 'arc'
    ? `${spot(segment.centre)} ${Math.round(segment.sweep ** 2 / ONE_PLACE)}`
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
export function outlinesOf(scene: Scene): Outline[] {
  const all = placed(scene).map((each) => ({ ...each, path: withClosingSide(each.path) }));
  const seen = new Set<string>();
  const once = all.flatMap((each) => piecesLeft(each.path, seen).map((path) => ({ ...each, path })));
  const count = once.reduce((sum, { path }) => sum + path.segments.length, 0);
  const left = count > MOST_LOOKED_AT ? once : withoutDoubled(once);
  return left.sort((a, b) => sizeOf(a) - sizeOf(b));
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
