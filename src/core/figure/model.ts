import type { Bend } from '@/core/bend';
import type { Affine, Point } from '@/core/curve';
import type { Form } from '@/core/maker';
import type { Turn } from '@/core/number';
import type { ColourInks, ColourNames, Light, Relief } from '@/core/paint';
import type { BlendMode, Colour, FillRule, Paint, ScenePage } from '@/core/scene';
import type { Frame, TurnRule } from '@/core/symmetry';

/** A string of one sort: a plain one is taken for it, one of another sort is not. */
type OfSort<Sort extends string> = string & { readonly sort?: Sort };

export type RoundId = OfSort<'round'>;
export type ShapeId = OfSort<'shape'>;
export type GroupId = OfSort<'group'>;
type MotifId = OfSort<'motif'>;
/** The key of a kind of cells, for all of them, or the key, `@` and the place of one of them in the row of its copies. */
export type CellRef = OfSort<'cell'>;

export const FIGURE_FORMAT = 'cyclogon-figure';
export const FIGURE_VERSION = 12;

/** Which side of the axis is kept; the other becomes its reflection, and both are united. */
export const AXIS_SIDES = ['left', 'right'] as const;
export type AxisSide = (typeof AXIS_SIDES)[number];

/** What is past the wedge's rays overlaps the neighbours, is trimmed, or is warned of. */
export const EDGES = ['overlap', 'trim', 'warn'] as const;
export type Edge = (typeof EDGES)[number];

/** One shape of a motif, drawn in the upright wedge: centre at 0, 0, axis straight up (towards −y). */
export interface Shape {
  readonly id: ShapeId;
  readonly name: string;
  readonly visible: boolean;
  readonly locked: boolean;
  /** The group that it lies in. */
  readonly group?: GroupId;
  readonly axis?: AxisSide;
  /** What becomes of what reaches past the wedge's rays; as the round has it without one. */
  readonly edge?: Edge;
  readonly form: Form;
  /** Shapes of the motif that the construction is made of, by their ids: its fields hold their curves (see core/figure/inputs). */
  readonly inputs?: Readonly<Record<string, ShapeId>>;
  readonly rule: FillRule;
  readonly paint: Paint;
}

/** What may become of a round's overlapping copies. */
export const ROUND_MERGES = [
  'union',
  'intersection',
  'exclusion',
  'once',
  'atLeast',
  'divide',
  'weave',
] as const;

/** Cells that are fused: by their references, in all turns, or these alone. */
interface FusedCells {
  readonly cells: readonly CellRef[];
  readonly alone?: true;
}

/** What the cells of a kind are painted with: all of them, and single ones otherwise, by their places in the row of its copies. */
export interface KindPaints {
  readonly all?: Paint;
  readonly single?: Readonly<Record<string, Paint>>;
}

/** Paints of cells by the keys of their kinds. */
export type CellPaints = Readonly<Record<string, KindPaints>>;

/**
 * What was done to the cells of a divided round. A reference is a kind's key, for all its cells, or the key, `@` and the place of
 * one of them in the row of its copies.
 */
export interface CellEdits {
  /** The lines of the round's frame bound cells too. */
  readonly frame: boolean;
  /**
   * Cells that lie equally far out count in the order in which they were found, as they did when these references were made: in files of
   * version 4 and before. Without it they count by direction.
   */
  readonly order?: 'found';
  /** Cells that are given no paint have that of the frontmost shape over them, instead of the round's. */
  readonly fromShapes?: true;
  readonly fused: readonly FusedCells[];
  readonly removed: readonly CellRef[];
  readonly paints: CellPaints;
}

/** What becomes of a round's overlapping copies; the result has a paint of its own. */
export interface RoundMerge {
  readonly op: (typeof ROUND_MERGES)[number];
  /** Lines that lie over the cells or the outline are not drawn; they bound cells all the same. */
  readonly lines?: 'hidden';
  /** For `atLeast`: how many copies cover what is kept. */
  readonly times?: number;
  readonly paint: Paint;
  /** For `divide`. */
  readonly cells?: CellEdits;
  /** For `weave`: lines become bands that pass over and under one another. */
  readonly weave?: Weave;
}

export interface Weave {
  /** How far a band that passes under stays away from the one over it, in the figure's unit. */
  readonly gap: number;
  /** Crossings that are the other way round, by reference to a kind or to one of it. */
  readonly swapped: readonly string[];
  /** True where closed bands are woven too, by the line in their middle; else lines alone. */
  readonly areas?: boolean;
}

/**
 * What becomes of what lies in a group, with the paint of the backmost: subtract takes all others from it; clip keeps of each
 * only what is inside the frontmost, with its own paint.
 */
export const COMBINE_OPS = ['union', 'subtract', 'intersection', 'exclusion', 'clip'] as const;
export type CombineOp = (typeof COMBINE_OPS)[number];

/**
 * Shapes and groups of a motif that are one thing: selected, moved and listed together, and drawn combined where it says how. What lies
 * in it names it: `group` of a shape, `parent` of a group (see core/figure/groups).
 */
export interface Group {
  readonly id: GroupId;
  readonly name: string;
  /** The group that it lies in. */
  readonly parent?: GroupId;
  readonly op?: CombineOp;
  readonly axis?: AxisSide;
  /** What lies in it is a straight strip, and is drawn bent. */
  readonly bend?: Bend;
  /** What lies in it is a motif of the drawer, which it follows. */
  readonly source?: MotifSource;
}

/** A motif of the drawer that is used in a figure. */
export interface MotifSource {
  /** Its id in the drawer. */
  readonly motif: string;
  /** The revision that lies here. */
  readonly revision: number;
  /** From the motif's own coordinates to those of the round. */
  readonly place: Affine;
}

/**
 * What a round does to the rounds below it: it is cut away from them, or they are kept only inside it, and it is not shown itself;
 * or it is joined with them, and they are not shown.
 */
export const LOWER_ACTIONS = ['cut', 'inside', 'join'] as const;
export interface LowerAction {
  readonly how: (typeof LOWER_ACTIONS)[number];
  /** Which; all without a list. */
  readonly rounds?: readonly RoundId[];
}

/** How a change goes from the first copy to the last: evenly, slowly at first, at last, or at both. */
export const EASES = ['even', 'in', 'out', 'both'] as const;
export type Ease = (typeof EASES)[number];

/** Every second (third, …) copy different from the others. */
export interface NthVariation {
  /** 2 for every second. */
  readonly nth: number;
  readonly halfStep: boolean;
  /** How much farther out, in the figure's unit. */
  readonly out: number;
  /** How many times as large, about the motif's middle. */
  readonly size: number;
  /** Half way to this colour. */
  readonly tint: Colour | null;
}

/** How copies change from first to last; what each says is of the last one. */
export interface Progression {
  readonly out: number;
  readonly size: number;
  /** Degrees clockwise about the motif's middle. */
  readonly twist: number;
  /** The opacity of the last copy, 0 to 1. */
  readonly fade: number;
  readonly tint: Colour | null;
  readonly ease: Ease;
}

/** A whole round turned and shrunk inward again and again, about the centre. */
export interface RoundWhirl {
  readonly angle: Turn;
  /** How many times as large each is as the one outside it; below 1. */
  readonly factor: number;
  /** How many there are, the outermost counted. */
  readonly count: number;
}

/** A motif, back to front, and the rule by which it is turned about the centre. */
export interface Round {
  readonly id: RoundId;
  readonly name: string;
  readonly visible: boolean;
  readonly locked: boolean;
  readonly rule: TurnRule;
  /** While half a motif is drawn and the other half is its live reflection: what the round is afterwards. */
  readonly half?: 'turned' | 'mirrored';
  /** What reaches past the wedge's rays overlaps the neighbours, unless it is trimmed there or warned of. */
  readonly edge?: Exclude<Edge, 'overlap'>;
  readonly variation?: NthVariation;
  readonly whirl?: RoundWhirl;
  readonly progression?: Progression;
  /** How each copy is laid on what is below it; normal without one. */
  readonly blend?: BlendMode;
  /** Of each copy, from 0 to 1; 1 without one. */
  readonly opacity?: number;
  /** Facets are lighter and darker by the way that they face. */
  readonly light?: Light;
  readonly relief?: Relief;
  /** The id of the motif that it shares with other rounds: a change to it is a change to all. It has one for itself without. */
  readonly motif?: MotifId;
  /** Copies that are left out, by their places. */
  readonly omitted?: readonly number[];
  /** This round is a copy of another one set free: of which, and its place there. */
  readonly detachedFrom?: { readonly roundId: RoundId; readonly index: number };
  /** What is set out before anything is drawn; guides only, never exported. */
  readonly frame: Frame;
  readonly shapes: readonly Shape[];
  readonly groups?: readonly Group[];
  readonly merge: RoundMerge | null;
  readonly lowerAction?: LowerAction;
}

/** A picture under the Bench to trace from; never exported. Lengths in the figure's unit, in motif coordinates. */
export interface Underlay {
  /** The id by which the server keeps it. */
  readonly picture: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  /** Its middle. */
  readonly at: Point;
  readonly rotation: Turn;
  /** From 0, not to be seen, to 1. */
  readonly strength: number;
  readonly visible: boolean;
  readonly locked: boolean;
}

/** What a figure is for, as a person set it: which checks are asked for, and their limits where they are others than the check's own. */
export interface OwnTarget {
  readonly id: string;
  readonly name: string;
  readonly checks: Readonly<Record<string, Readonly<Record<string, number>>>>;
}

/** What was said of the proof of a figure. */
export interface ProofSaid {
  /** The id of the target that was chosen. */
  readonly target?: string;
  readonly own?: readonly OwnTarget[];
  /** Keys of findings that are left as they are (see core/proof). */
  readonly left?: readonly string[];
}

/** A number of a figure's own, by which others go; a person moves it between two bounds. */
export interface Slider {
  readonly id: string;
  readonly name: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
}

/** A number of a figure that goes by others (see core/trial/formulas). */
export interface Formula {
  /** The key of the lever that it sets. */
  readonly lever: string;
  /** An expression over sliders and other numbers by their names. */
  readonly text: string;
}

/** What is saved, opened and exported: only what a person decided, never what follows from it. */
export interface Figure {
  readonly format: typeof FIGURE_FORMAT;
  readonly version: typeof FIGURE_VERSION;
  readonly name: string;
  readonly page: ScenePage;
  readonly palette: readonly Colour[];
  /** What colours are called, by themselves. */
  readonly colourNames?: ColourNames;
  /** What colours are printed with, where that is said. */
  readonly inks?: readonly ColourInks[];
  readonly underlay: Underlay | null;
  readonly proof?: ProofSaid;
  readonly sliders?: readonly Slider[];
  readonly formulas?: readonly Formula[];
  /** Back to front. */
  readonly rounds: readonly Round[];
}

export const LIMITS = {
  name: 120,
  rounds: 200,
  shapes: 2000,
  /** Of groups in groups. */
  depth: 8,
  whirls: 60,
  /** References to cells in one list of a round. */
  cells: 100_000,
  nodes: 20_000,
  contours: 2000,
  palette: 64,
  /** Colours whose inks are said. */
  inks: 500,
  /** Of one gradient. */
  stops: 32,
  dashes: 20,
  sliders: 24,
  formulas: 200,
  /** Letters of one. */
  formula: 400,
  /** Targets of a figure's own. */
  targets: 50,
  /** Findings that are left as they are. */
  left: 5000,
  /** Largest coordinate or page side, in the figure's unit. */
  size: 100_000,
  /** Smallest length that has to be above nothing. */
  smallest: 1e-6,
  /** Largest figure file, in bytes. */
  bytes: 8_000_000,
} as const;
