import type { Affine, Path, Point } from '@/core/curve';
import type { LengthUnit } from '@/core/number';
import type { BlendMode, FillRule, Paint } from '@/core/scene';
import type { LeftOut } from './leftOut';

/** A drawn element: its subpaths, and what is painted of it. */
export interface DrawnShape {
  readonly kind: 'shape';
  /** The element's id, or what the file calls it; null where it has no name. */
  readonly name: string | null;
  readonly paths: readonly Path[];
  readonly rule: FillRule;
  /** Gradients are spread over their copy, in the coordinates of the paths. Paint that is no colour is grey. */
  readonly paint: Paint;
}

/** What is kept of a group: what any of its shapes covers. */
export interface DrawnClip {
  readonly name: string | null;
  readonly shapes: readonly Pick<DrawnShape, 'paths' | 'rule'>[];
}

/** Elements that are one thing in the file. */
export interface DrawnGroup {
  readonly kind: 'group';
  readonly name: string | null;
  readonly children: readonly DrawnNode[];
  readonly clip: DrawnClip | null;
  /** How it is laid on what is below it. */
  readonly blend: BlendMode;
  /** Of a part that is used: which, and where it is put. */
  readonly used: { readonly id: string; readonly map: Affine } | null;
}

export type DrawnNode = DrawnShape | DrawnGroup;

/** All that a file draws, back to front, from the upper left corner of its page. */
export interface Drawing {
  readonly title: string | null;
  /** In pixels, of which 96 are an inch; so are all coordinates. */
  readonly width: number;
  readonly height: number;
  /** In which its width is written. */
  readonly unit: LengthUnit;
  /** Where the file's own 0, 0 is. */
  readonly origin: Point;
  readonly nodes: readonly DrawnNode[];
  /** What the file has that is not taken. */
  readonly left: readonly LeftOut[];
}

/** The shapes of nodes, back to front. */
export const shapesOfNodes = (nodes: readonly DrawnNode[]): DrawnShape[] =>
  nodes.flatMap((node) => (node.kind === 'shape' ? [node] : shapesOfNodes(node.children)));
