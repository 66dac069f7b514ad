/**
 * A figure of what a file draws: parts that are used again and again around a centre come as rounds, all else stands once.
 *
 * @example
 * const made = figureOfDrawing(readDrawing(text), 'rosette.svg', newId);
 */
import { type Affine, boundsOfPaths, compose, inverse, type Point, turnMap } from '@/core/curve';
import { type Figure, LIMITS, motifOfTree, newFigure, newRound, type Round } from '@/core/figure';
import { failed, finding, type Finding, ok, type Result } from '@/core/finding';
import { convertLength, negateTurn, turn, type Turn, turnFromDegrees, wrapTurn } from '@/core/number';
import { coloursOfPaint } from '@/core/paint';
import type { Colour, Fill } from '@/core/scene';
import { MOST_FOLD } from '@/core/symmetry';
import { shapesOfNodes, type Drawing, type DrawnGroup, type DrawnNode, type DrawnShape } from './drawing';
import type { LeftOut } from './leftOut';
import {
  amountProblem,
  leftWith,
  mappedPaint,
  nameOr,
  nodesTaken,
  pointOf,
  takingMap,
  type TakenBy,
} from './taken';

/** Copies of one part, or of several in turn, evenly around a centre. */
interface TurnedRun {
  readonly kind: 'turned';
  /** The parts of the first copy. */
  readonly nodes: readonly DrawnGroup[];
  readonly fold: number;
  readonly centre: Point;
  readonly start: Turn;
}

/** What stands once; alone where it is laid on what is below it in a way of its own. */
interface OnceRun {
  readonly kind: 'once';
  readonly nodes: readonly DrawnNode[];
}

/** Angles and places nearer than this, as a share of a turn or of the page, are the same. */
const NEAR = 1e-6;
/** Centres nearer to one another than this share of the page are one. */
const AT_CENTRE = 1e-4;

/** The centre and the degrees of a turn, or null for any other map. */
function turnOf({ a, b, c, d, e, f }: Affine): { readonly centre: Point; readonly degrees: number } | null {
  const isTurn = Math.abs(a - d) < NEAR && Math.abs(b + c) < NEAR && Math.abs(Math.hypot(a, b) - 1) < NEAR;
  // What a turn leaves in its place: (1 − R) p = t.
  const size = (1 - a) ** 2 + b ** 2;
  if (!isTurn || size < NEAR) return null;
  const centre = { x: ((1 - a) * e - b * f) / size, y: (b * e + (1 - a) * f) / size };
  return { centre, degrees: (Math.atan2(b, a) * 180) / Math.PI };
}

/** A start angle as a part of a step where it is one, for it to be exact. */
function startTurn(degrees: number, fold: number): Turn {
  for (const parts of [1, 2, 4, 6]) {
    const steps = (degrees * fold * parts) / 360;
    if (Math.abs(steps - Math.round(steps)) < NEAR * fold)
      return wrapTurn(turn(Math.round(steps), fold * parts));
  }
  return wrapTurn(turnFromDegrees(degrees));
}

/** How many parts come in turn before they come again: the fewest that divide them all. */
function periodOf(nodes: readonly DrawnGroup[]): number {
  for (let period = 1; period < nodes.length; period += 1)
    if (nodes.length % period === 0 && nodes.every(({ used }, k) => used?.id === nodes[k % period]?.used?.id))
      return period;
  return nodes.length;
}

/** Where each copy of a part lies against the first, in steps of a fold; null where one lies otherwise. */
function stepsOf(
  nodes: readonly DrawnGroup[],
  size: number,
): { readonly centre: Point; readonly steps: number[] } | null {
  const fold = nodes.length;
  const base = nodes[0]?.used?.map;
  const back = base && inverse(base);
  if (!back) return null;
  const turns = nodes.slice(1).flatMap(({ used }) => (used && turnOf(compose(used.map, back))) ?? []);
  const centre = turns[0]?.centre;
  if (!centre || turns.length < fold - 1) return null;
  const isOff = turns.some(
    ({ centre: { x, y } }) => Math.hypot(x - centre.x, y - centre.y) > AT_CENTRE * size,
  );
  const steps = turns.map(({ degrees }) => (degrees * fold) / 360);
  if (isOff || steps.some((step) => Math.abs(step - Math.round(step)) > NEAR * fold)) return null;
  return { centre, steps: [0, ...steps.map((step) => (Math.round(step) + fold) % fold)] };
}

/** Uses of parts as copies that go evenly round a centre; null where they do not. */
function turnedRun(nodes: readonly DrawnGroup[], size: number): TurnedRun | null {
  const period = periodOf(nodes);
  const fold = nodes.length / period;
  const base = nodes[0]?.used?.map;
  if (fold < 2 || fold > MOST_FOLD || !base) return null;
  const found = Array.from({ length: period }, (_, part) =>
    stepsOf(
      nodes.filter((__, k) => k % period === part),
      size,
    ),
  );
  const [first] = found;
  if (!first || new Set(first.steps).size < fold) return null;
  const isOne = found.every(
    (each) =>
      each !== null &&
      Math.hypot(each.centre.x - first.centre.x, each.centre.y - first.centre.y) <= AT_CENTRE * size &&
      each.steps.every((step, k) => step === first.steps[k]),
  );
  if (!isOne) return null;
  const degrees = (Math.atan2(base.b, base.a) * 180) / Math.PI;
  return {
    kind: 'turned',
    nodes: nodes.slice(0, period),
    fold,
    centre: first.centre,
    start: startTurn(degrees, fold),
  };
}

const isPart = (node: DrawnNode): node is DrawnGroup =>
  node.kind === 'group' && node.used !== null && !node.clip;

/** The uses of one part, or else of several in turn, with which a row of parts begins. */
function longestTurned(parts: readonly DrawnGroup[], size: number): TurnedRun | null {
  const other = parts.findIndex(({ used }) => used?.id !== parts[0]?.used?.id);
  return (other > 0 ? turnedRun(parts.slice(0, other), size) : null) ?? turnedRun(parts, size);
}

/** The nodes as what turns and what does not, back to front. */
function runsOf(nodes: readonly DrawnNode[], size: number): (TurnedRun | OnceRun)[] {
  const runs: (TurnedRun | OnceRun)[] = [];
  let plain: DrawnNode[] = [];
  const endPlain = (): void => {
    if (plain.length > 0) runs.push({ kind: 'once', nodes: plain });
    plain = [];
  };
  for (let k = 0; k < nodes.length;) {
    const node = nodes[k] as DrawnNode;
    const parts: DrawnGroup[] = [];
    for (let j = k; isPart(node); j += 1) {
      const next = nodes[j];
      if (!next || !isPart(next) || next.blend !== node.blend) break;
      parts.push(next);
    }
    const turned = longestTurned(parts, size);
    if (turned) {
      endPlain();
      runs.push(turned);
      k += turned.nodes.length * turned.fold;
      continue;
    }
    if (node.kind === 'group' && node.blend !== 'normal') {
      endPlain();
      runs.push({ kind: 'once', nodes: [node] });
    } else plain.push(node);
    k += 1;
  }
  endPlain();
  return runs;
}

/** True for a group that holds what can only be kept outside of groups: parts that turn, and blend modes. */
const holdsRounds = ({ children }: DrawnGroup): boolean =>
  children.filter(isPart).length > 1 ||
  children.some((child) => child.kind === 'group' && (child.blend !== 'normal' || holdsRounds(child)));

/** The nodes within groups that hold all there is and say nothing of it. */
function withoutHull(nodes: readonly DrawnNode[]): readonly DrawnNode[] {
  const [only, another] = nodes;
  const isHull = only?.kind === 'group' && !another && !only.clip && only.blend === 'normal';
  return isHull ? withoutHull(only.children) : nodes;
}

/** The nodes that rounds are made of: out of a group that is all there is, and of those that hold rounds. */
function ofRounds(nodes: readonly DrawnNode[]): readonly DrawnNode[] {
  return nodes.flatMap((node): readonly DrawnNode[] => {
    const isPlainGroup = node.kind === 'group' && !node.clip && !node.used && node.blend === 'normal';
    const isOpened = isPlainGroup && (nodes.length === 1 || holdsRounds(node));
    return isOpened ? ofRounds(node.children) : [node];
  });
}

/** The fill of the backmost shape, where that is a plain rectangle as large as the page. */
export function groundOf(nodes: readonly DrawnNode[], { width, height }: Drawing): DrawnShape | null {
  const [back] = nodes;
  if (back?.kind !== 'shape' || !back.paint.fill || back.paint.stroke) return null;
  const [path, another] = back.paths;
  if (!path || another || path.segments.length !== 4 || path.segments.some(({ kind }) => kind !== 'line'))
    return null;
  const { left, top, right, bottom } = boundsOfPaths(back.paths);
  const near = NEAR * Math.max(width, height);
  const covers = [left, top, right - width, bottom - height].every((each) => Math.abs(each) <= near);
  return covers ? back : null;
}

const onPage = (fill: Fill | null): Fill | null =>
  fill !== null && typeof fill === 'object' ? { ...fill, spread: 'page' } : fill;

/** The colours of what is drawn, the most used first; opacity apart. */
function coloursOf(nodes: readonly DrawnNode[]): Colour[] {
  const counts = new Map<Colour, number>();
  for (const { paint } of shapesOfNodes(nodes))
    for (const colour of new Set(coloursOfPaint(paint).map((each) => each.slice(0, 7))))
      counts.set(colour, (counts.get(colour) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]).map(([colour]) => colour);
}

/** What came of a file. */
export interface FigureTaken {
  readonly figure: Figure;
  readonly left: readonly LeftOut[];
}

/** What a figure of a drawing is made of. */
interface Making {
  /** The point of the drawing that becomes its centre. */
  readonly centre: Point;
  readonly rounds: readonly Round[];
  /** What its page is painted with; see `groundOf`. */
  readonly ground: DrawnShape | null;
}

/** A figure with the page of a drawing, in its unit and its true size, and with its colours. @param name of the file */
export function figureAbout(
  drawing: Drawing,
  name: string,
  { centre, rounds, ground }: Making,
  newId: () => string,
): Result<Figure> {
  const { width, height, unit, title, nodes } = drawing;
  if (rounds.length > LIMITS.rounds) return failed(finding('artwork.rounds', rounds.length, LIMITS.rounds));
  const empty = newFigure(nameOr(title ?? name.replace(/\.(svg|dxf)$/i, ''), 'Drawing'), newId());
  const [wide, high] = [convertLength(width, 'px', unit), convertLength(height, 'px', unit)];
  if (Math.max(wide, high) > LIMITS.size) return failed(finding('artwork.size', LIMITS.size, unit));
  const toFigure = takingMap(centre, { unit, to: { x: 0, y: 0 } });
  const background = ground ? onPage(mappedPaint(ground.paint, toFigure).fill) : null;
  const palette = coloursOf(nodes).slice(0, LIMITS.palette);
  return ok({
    ...empty,
    page: {
      ...empty.page,
      width: wide,
      height: high,
      unit,
      background,
      centre: {
        x: convertLength(centre.x - width / 2, 'px', unit),
        y: convertLength(centre.y - height / 2, 'px', unit),
      },
    },
    ...(palette.length > 0 && { palette }),
    rounds: rounds.length > 0 ? rounds : [newRound(newId(), 'Round 1', 1)],
  });
}

/**
 * A figure of a drawing's page, in its unit and its true size.
 * @param by the point of the drawing that becomes the centre, where none of it turns about one
 */
export function figureOfDrawing(
  drawing: Drawing,
  name: string,
  newId: () => string,
  by: TakenBy = 'page',
): Result<FigureTaken> {
  const { width, height, unit, nodes } = drawing;
  if (shapesOfNodes(nodes).length === 0) return failed(finding('artwork.nothing'));
  const size = Math.max(width, height);
  const ground = groundOf(nodes, drawing);
  const runs = runsOf(ofRounds(ground ? nodes.slice(1) : nodes), size);
  const centre = runs.find((run) => run.kind === 'turned')?.centre ?? pointOf(drawing, by);
  const toFigure = takingMap(centre, { unit, to: { x: 0, y: 0 } });
  const isHere = (run: TurnedRun): boolean =>
    Math.hypot(run.centre.x - centre.x, run.centre.y - centre.y) <= AT_CENTRE * size;
  const problems: Finding[] = [];
  const rounds = runs.map((run, k): Round => {
    const isTurned = run.kind === 'turned' && isHere(run);
    const start = isTurned ? run.start : turn(0);
    const [first] = run.nodes;
    // The one part of a copy is the motif; of several each is a group of it.
    const [part, another] = run.nodes;
    const own = isTurned && part?.kind === 'group' && !another ? withoutHull(part.children) : run.nodes;
    const isLaid =
      first?.kind === 'group' && first.blend !== 'normal' && (isTurned || run.nodes.length === 1);
    const map = compose(turnMap(negateTurn(start)), toFigure);
    const motif = motifOfTree(nodesTaken(own, map, newId));
    const problem = amountProblem(motif);
    if (problem) problems.push(problem);
    const base = newRound(
      newId(),
      nameOr(isTurned || run.nodes.length === 1 ? (first?.name ?? null) : null, `Round ${k + 1}`),
      isTurned ? run.fold : 1,
    );
    return {
      ...base,
      rule: { ...base.rule, start },
      ...(isLaid && { blend: first.blend }),
      shapes: motif.shapes,
      ...(motif.groups.length > 0 && { groups: motif.groups }),
    };
  });
  const [problem] = problems;
  if (problem) return failed(problem);
  const made = figureAbout(drawing, name, { centre, rounds, ground }, newId);
  if (!made.ok) return made;
  const lost = leftWith(
    drawing.left,
    runs.flatMap((run, k) => {
      // What a round has is not lost; what lies deeper is.
      const isKept = rounds[k]?.blend !== undefined;
      return isKept ? run.nodes.flatMap((node) => (node.kind === 'group' ? node.children : [])) : run.nodes;
    }),
  );
  return ok({ figure: made.value, left: lost });
}
