import { failed, type Finding, ok, type Result } from '@/core/finding';
import type { Path, Point } from '@/core/curve';
import type { Turn } from '@/core/number';

/**
 * What is kept of the plane. With `among: 'copies'` every copy of every operand counts on its own; with
 * `'operands'` each operand counts once, wherever any of its copies covers.
 *
 * union: covered at all · subtract: covered by the first operand and by no other · intersection: covered by all
 * copies or operands · exclusion: covered an odd number of times · once: covered once only · atLeast: covered `times`
 * times or more · divide: every cell for itself, covered or enclosed.
 */
export type MergeOperation =
  'union' | 'subtract' | 'intersection' | 'exclusion' | 'once' | 'atLeast' | 'divide';

export interface MergeShape {
  readonly paths: readonly Path[];
  /** How closed paths cover, together; an open path is a line that covers nothing and takes part in `divide`. */
  readonly rule: 'nonzero' | 'evenodd';
}

/** Shapes that are turned together: a round, or one shape of it. */
export interface MergeOperand {
  readonly fold: number;
  readonly mirror: boolean;
  /** The direction of the first copy; results stand in the frame of the first operand's. */
  readonly start: Turn;
  readonly shapes: readonly MergeShape[];
  /** Without one it takes part in the operation; else the result is cut away from it, or kept only inside it. */
  readonly role?: MergeRole;
}

export type MergeRole = 'cut' | 'inside';

export interface MergeRequest {
  readonly op: MergeOperation;
  readonly among: 'copies' | 'operands';
  /** For `atLeast`. */
  readonly times?: number;
  readonly operands: readonly MergeOperand[];
  /**
   * True where the outline is wanted and the cells behind it are not: a union then leaves out what is covered
   * whatever the motif's details. The outline is the same; the facts tell of no cells.
   */
  readonly outlineOnly?: boolean;
  /** For `divide`: how kinds of cells with one cover are told apart; see `CellEdits` in core/figure. By direction without it. */
  readonly order?: 'found';
  /** At most this much of the symmetry is made use of: what is to be told apart does not have more. */
  readonly within?: { readonly fold: number; readonly mirror: boolean };
  /** The lines of the one operand are woven instead: one band for each of its shapes. */
  readonly weave?: WeaveLook;
}

/** How lines become woven bands. Lengths in the figure's unit. */
export interface WeaveLook {
  readonly bands: readonly {
    readonly width: number;
    readonly cap: 'butt' | 'round' | 'square';
    readonly join: 'miter' | 'round' | 'bevel';
  }[];
  readonly gap: number;
  readonly swapped: readonly string[];
}

/** A place where one band passes over another. */
export interface WovenCrossing {
  /** Its kind, `@`, and which of it. */
  readonly ref: string;
  readonly at: Point;
  /** False where over and under cannot alternate: what comes before or after on a band is the same there. */
  readonly alternates: boolean;
  /** True where the bands do not cross: they overlap from one side, and one lies over the other as a whole. */
  readonly isShallow?: boolean;
}

/** What a weave found. */
export interface WeaveFacts {
  /** For each part of the result, whose band it is of: the place of its shape in the operand. */
  readonly shapeOfPart: readonly number[];
  readonly crossings: readonly WovenCrossing[];
  /** Where bands of three lines or more overlap and no order of them alternates. */
  readonly crowded: readonly Point[];
  /** How many turns leave it as it is. */
  readonly fold: number;
}

/** A connected part of a result, its holes with it, and the turns at which it stands in the whole. */
export interface MergePart {
  readonly turns: readonly Turn[];
  /** To be filled with the nonzero rule: outlines clockwise, holes the other way. */
  readonly loops: readonly Path[];
}

/** One kind of cells of the arrangement behind a result: an orbit under the symmetry. */
export interface MergeKind {
  readonly size: number;
  /** Area of one cell. */
  readonly area: number;
  /** Least and greatest distance from the centre. */
  readonly inner: number;
  readonly outer: number;
  /** How many copies of all operands cover it. */
  readonly depth: number;
}

/** Figures of the whole result, all turns counted. */
export interface MergeFacts {
  readonly loops: number;
  readonly nodes: number;
  readonly area: number;
  readonly segments: { readonly line: number; readonly arc: number; readonly cubic: number };
  /** Bounded cells that the lines enclose, covered or not, and their kinds; null where only the outline was made. */
  readonly cells: number | null;
  readonly kinds: number | null;
  /** Slivers that only rounding made, given to a neighbour. */
  readonly slivers: number;
  readonly milliseconds: number;
}

/** A kind of cells, with one of them as it stands. */
export interface Cells extends MergeKind {
  /** Stays the same while shapes are moved a little: paint that is kept by it stays on its cells. */
  readonly key: string;
  /** One cell: its outline clockwise, holes the other way. */
  readonly loops: readonly Path[];
  /** The turns that make all others of it; where a mirror makes more, `mirrored` are the turns of its reflection. */
  readonly turns: readonly Turn[];
  readonly mirrored: readonly Turn[];
  readonly centroid: Point;
  /** A point inside the cell, far from its border. */
  readonly inside: Point;
  /** Keys of the other kinds that share a border with it. */
  readonly neighbours: readonly string[];
}

/** What a division found, and the symmetry that it has. */
export interface Division {
  readonly fold: number;
  readonly mirror: boolean;
  /** From the centre outward. */
  readonly cells: readonly Cells[];
}

export interface MergeResult {
  readonly parts: readonly MergePart[];
  readonly facts: MergeFacts;
  readonly division?: Division;
  readonly weave?: WeaveFacts;
}

/** How a caller follows and stops a merge. */
export interface MergeControl {
  /** Told a share from 0 to 1 as the work goes on. */
  readonly progress?: (share: number) => void;
  /** Asked between steps; the merge ends with a `MergeStopped` once it is true. */
  readonly stopped?: () => boolean;
  /** Awaited between steps, so that messages can come in. */
  readonly pause?: () => Promise<void>;
}

export class MergeStopped extends Error {
  override readonly name = 'MergeStopped';
  constructor() {
    super('The merge was stopped; the copies are as they were.');
  }
}

/** Ends a merge deep inside; the doors of core/merge make a result of it (see `tried`). */
export class MergeFailed extends Error {
  override readonly name = 'MergeFailed';
  constructor(readonly finding: Finding) {
    super(finding.sentence);
  }
}

/** What comes of work that may end in `MergeFailed`. */
export function tried<T>(work: () => T): Result<T> {
  try {
    return ok(work());
  } catch (error) {
    if (error instanceof MergeFailed) return failed(error.finding);
    throw error;
  }
}
