/**
 * A figure that draws what was read: a round for each fold, constructions where they were known, and what goes round nothing by itself.
 *
 * @example
 * const read = readSymmetry(nodes);
 * const made = figureOfRead(drawing, read, 'rosette.svg', AS_IT_IS, newId);
 */
import { type Affine, applyTo, compose, distance, type Point, turnMap } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import { type Figure, type MotifNode, motifOfTree, newRound, type Round, type Shape } from '@/core/figure';
import {
  amountProblem,
  type Drawing,
  type DrawnNode,
  figureAbout,
  type FigureTaken,
  groundOf,
  leftWith,
  nodesTaken,
  shapesOfNodes,
  takingMap,
} from '@/core/format/drawing';
import { formOfPaths, makerOf, pathsOfForm } from '@/core/maker';
import { trimPaths } from '@/core/merge';
import { convertLength, negateTurn, NO_TURN, turn, type Turn, turnFromDegrees } from '@/core/number';
import { isGradient } from '@/core/paint';
import type { Mark } from './mark';
import { turnAbout } from './match';
import { motifNode, type MotifBy } from './motif';
import { directionFrom } from './orbits';
import type { Block, Central, SymmetryRead } from './read';
import type { ReadRound } from './rounds';
import { recognised } from './recognised';

/** What becomes of what is not as the others. */
export interface ReadChoices {
  readonly motif: MotifBy;
  /** Copies that differ stay as they are, or follow the others. */
  readonly differing: 'stay' | 'follow';
  /** Copies that are missing stay away, or are put in. */
  readonly missing: 'stay' | 'follow';
}

/** Nothing is changed. */
export const AS_IT_IS: ReadChoices = { motif: 'median', differing: 'stay', missing: 'stay' };

/** A drawing of what goes round, without what only fills its page. */
export const drawnNodes = (drawing: Drawing): readonly DrawnNode[] =>
  groundOf(drawing.nodes, drawing) ? drawing.nodes.slice(1) : drawing.nodes;

const isNamed = (name: string | null): name is string => name !== null && name.trim() !== '';

/** A shape as the construction that it is, where it is one. */
function asConstruction(shape: Shape, within: number): Shape {
  const { form, paint, rule } = shape;
  if (form.kind !== 'path') return shape;
  const paths = pathsOfForm(form, STRAIGHT);
  // A ring that is filled between two circles: by the even-odd rule, or as the inner one runs the other way.
  const isHollow =
    paint.fill !== null && paint.stroke === null && (rule === 'evenodd' || runOtherWays(paths));
  const found = recognised(paths, within, isHollow);
  if (!found) return shape;
  // What has no name of its own is called what it is.
  const name = shape.name === 'Shape' ? makerOf(found.kind).name : shape.name;
  return { ...shape, name, form: found, rule: 'nonzero' };
}

const runOtherWays = (paths: ReturnType<typeof pathsOfForm>): boolean => {
  const ways = paths.map(({ segments }) =>
    Math.sign(segments.reduce((sum, { from, to }) => sum + from.x * to.y - from.y * to.x, 0)),
  );
  return ways.length === 2 && ways[0] === -(ways[1] ?? 0);
};

const withConstructions = (nodes: readonly MotifNode[], within: number): MotifNode[] =>
  nodes.map((node) =>
    node.kind === 'shape'
      ? { ...node, shape: asConstruction(node.shape, within) }
      : // What is combined stays as it was drawn.
        node.group.op
        ? node
        : { ...node, nodes: withConstructions(node.nodes, within) },
  );

class Rebuilding {
  private readonly toFigure: Affine;
  private readonly within: number;
  private count = 0;

  constructor(
    { unit }: Drawing,
    private readonly read: SymmetryRead,
    private readonly choices: ReadChoices,
    private readonly newId: () => string,
  ) {
    this.toFigure = takingMap(read.centre, { unit, to: { x: 0, y: 0 } });
    this.within = convertLength(read.within, 'px', unit);
  }

  /** Marks that are let go, as the others stand in their place. */
  private followers(): ReadonlySet<Mark> {
    const strays = this.read.strays.flatMap(({ kind, mark }) =>
      mark && kind !== 'missing' && this.choices.differing === 'follow' ? [mark] : [],
    );
    // Halves of copies that come whole.
    const halves = this.read.rounds.flatMap((round) => {
      const omitted = new Set(this.omitted(round));
      return [...round.halves].flatMap(([k, marks]) => (omitted.has(k) ? [] : marks));
    });
    return new Set([...strays, ...halves]);
  }

  rounds(): Round[] {
    const gone = this.followers();
    return joinedBlocks(this.read.blocks, (central) => this.isCut(central)).flatMap((block) => {
      if (block.kind === 'round') return [this.turned(block.round)];
      if (block.kind === 'central') return [this.cut(block.central)];
      const left = block.marks.filter((mark) => !gone.has(mark));
      return left.length > 0 ? [this.once(left)] : [];
    });
  }

  private named(nodes: readonly DrawnNode[], otherwise: string): string {
    this.count += 1;
    const [first] = nodes;
    return first && isNamed(first.name) ? first.name.slice(0, 100) : `${otherwise} ${this.count}`;
  }

  private shapes(nodes: readonly DrawnNode[], start: Turn): Pick<Round, 'shapes' | 'groups'> {
    const map = compose(turnMap(negateTurn(start)), this.toFigure);
    const taken = withConstructions(nodesTaken(nodes, map, this.newId), this.within);
    const { shapes, groups } = motifOfTree(taken);
    return { shapes, ...(groups.length > 0 && { groups }) };
  }

  private turned(round: ReadRound): Round {
    const { read, choices } = this;
    const nodes = round.parts.map((part) =>
      motifNode(part, round, read.centre, 3 * read.within, choices.motif),
    );
    const base = newRound(this.newId(), this.named(nodes, 'Round'), round.fold);
    const omitted = this.omitted(round);
    return {
      ...base,
      rule: {
        fold: round.fold,
        mirror: round.mirror,
        start: round.start,
        ...(round.isBackward && { sweep: { turn: turn(-1), ends: false } }),
      },
      ...(round.blend !== 'normal' && { blend: round.blend }),
      ...(omitted.length > 0 && { omitted }),
      ...this.shapes(nodes, round.start),
    };
  }

  /** Copies that stay away. */
  private omitted({ omitted, parts }: ReadRound): number[] {
    const { read, choices } = this;
    const own = new Set(parts.flatMap(({ copies, reflections }) => [...copies, ...(reflections ?? [])]));
    const strays = read.strays.filter(({ orbit }) => [...orbit.slots.values()].some((mark) => own.has(mark)));
    const places = copyPlaces(parts, read.centre);
    // By what stands in its empty slots, a copy comes or does not.
    return omitted.filter((k) => {
      const its = strays.filter(({ at }) =>
        places.some((place) => distance(place(k), at) <= 4 * read.within),
      );
      return its.some(({ kind }) => (kind === 'missing' ? choices.missing : choices.differing) === 'stay');
    });
  }

  private once(marks: readonly Mark[]): Round {
    const [first] = marks;
    const blend = marks.every((mark) => mark.blend === first?.blend) ? (first?.blend ?? 'normal') : 'normal';
    const nodes = marks.map(({ node }) => node);
    return {
      ...newRound(this.newId(), this.named([], 'Not turned'), 1),
      ...(blend !== 'normal' && { blend }),
      ...this.shapes(nodes, NO_TURN),
    };
  }

  /** True for one outline about the centre that is cut into its wedge: filled, of one colour each, and no construction. */
  private isCut({ mark, fold }: Central): boolean {
    const { node } = mark;
    if (fold === null || fold < 3 || node.kind !== 'shape') return false;
    const { paint, paths, rule } = node;
    if (!paint.fill || isGradient(paint.fill) || isGradient(paint.stroke?.colour)) return false;
    if (paint.stroke && paths.some(({ closed }) => !closed)) return false;
    return recognised(paths, this.read.within, rule === 'evenodd' || runOtherWays(paths)) === null;
  }

  private cut({ mark, fold }: Central): Round {
    const count = fold ?? 1;
    const start = farthestTurn(mark, this.read.centre, count);
    const { shapes, ...rest } = this.shapes([mark.node], start);
    const pieces = shapes.map((shape): Shape => {
      const paths = trimPaths(pathsOfForm(shape.form, STRAIGHT), shape.rule, { fold: count }, STRAIGHT);
      return { ...shape, form: formOfPaths(paths), rule: 'nonzero' };
    });
    const [first] = pieces;
    const base = newRound(this.newId(), this.named([mark.node], 'Round'), count);
    return {
      ...base,
      rule: { ...base.rule, start },
      ...(mark.blend !== 'normal' && { blend: mark.blend }),
      ...rest,
      shapes: pieces,
      merge: first ? { op: 'union', paint: first.paint } : null,
    };
  }
}

/** For each row of copies and reflections: where the middle of one is by its place, by that of another one. */
function copyPlaces(parts: ReadRound['parts'], centre: Point): ((k: number) => Point)[] {
  const rows = parts.flatMap(({ copies, reflections }) => (reflections ? [copies, reflections] : [copies]));
  return rows.flatMap((row) => {
    const known = row.findIndex((mark) => mark !== null);
    const mark = row[known];
    const other = row.findIndex((each, k) => each !== null && k > known);
    if (!mark || other < 0) return [];
    // Copies may follow one another either way.
    const way = turnsForward(mark, row[other] as Mark, centre, (other - known) / row.length) ? 1 : -1;
    return [
      (k: number) => applyTo(turnAbout(centre, (way * (k - known) * 2 * Math.PI) / row.length), mark.middle),
    ];
  });
}

/** True where a turn by a share takes the middle of one mark to another, and not the turn back. */
function turnsForward(a: Mark, b: Mark, centre: Point, share: number): boolean {
  const off = (way: number): number =>
    distance(applyTo(turnAbout(centre, way * share * 2 * Math.PI), a.middle), b.middle);
  return off(1) <= off(-1);
}

/** The direction of what of a mark reaches farthest, in one step of a fold, so that its wedge has that in its middle. */
function farthestTurn(mark: Mark, centre: Point, fold: number): Turn {
  const nodes = mark.layers.flatMap(({ outlines }) =>
    outlines.flatMap(({ path }) => path.segments.map(({ from }) => from)),
  );
  const far = nodes.reduce((a, b) => (distance(b, centre) > distance(a, centre) ? b : a));
  const share = directionFrom(centre, far);
  const steps = share * fold;
  const least = steps - Math.floor(steps + 1e-3);
  return Math.abs(least) < 1e-3 ? NO_TURN : turnFromDegrees(Number(((360 * least) / fold).toFixed(2)));
}

/** Blocks in which what stands about the centre as it is goes with what stands alone beside it. */
function joinedBlocks(blocks: readonly Block[], isCut: (central: Central) => boolean): Block[] {
  const all: Block[] = [];
  for (const block of blocks) {
    const marks =
      block.kind === 'alone'
        ? block.marks
        : block.kind === 'central' && !isCut(block.central)
          ? [block.central.mark]
          : null;
    const last = all[all.length - 1];
    if (!marks) all.push(block);
    else if (last?.kind === 'alone' && last.marks[0]?.blend === marks[0]?.blend)
      all[all.length - 1] = { kind: 'alone', marks: [...last.marks, ...marks] };
    else all.push({ kind: 'alone', marks });
  }
  return all;
}

/**
 * A figure of a drawing whose symmetry was read.
 * @param name of the file
 */
export function figureOfRead(
  drawing: Drawing,
  read: SymmetryRead,
  name: string,
  choices: ReadChoices,
  newId: () => string,
): Result<FigureTaken> {
  if (shapesOfNodes(drawing.nodes).length === 0) return failed(finding('artwork.nothing'));
  const rounds = new Rebuilding(drawing, read, choices, newId).rounds();
  const problem = rounds
    .map(({ shapes, groups = [] }) => amountProblem({ shapes, groups }))
    .find((each) => each !== null);
  if (problem) return failed(problem);
  const ground = groundOf(drawing.nodes, drawing);
  const made = figureAbout(drawing, name, { centre: read.centre, rounds, ground }, newId);
  if (!made.ok) return made;
  // Blend modes are kept: each round has that of its marks.
  return ok({ figure: made.value satisfies Figure, left: leftWith(drawing.left, []) });
}
