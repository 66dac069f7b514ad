import type { Path } from '../curve/path';
import type { Turn } from '../number/turn';

/** What is merged: the closed shapes of one wedge, and how they are turned (the start angle does not matter). */
export interface MergeRequest {
  readonly fold: number;
  readonly mirror: boolean;
  readonly shapes: readonly MergeShape[];
}

export interface MergeShape {
  readonly path: Path;
  readonly rule: 'nonzero' | 'evenodd';
}

/** A connected part of a result, its holes with it, and the turns at which it stands in the whole. */
export interface MergePart {
  readonly turns: readonly Turn[];
  /** To be filled with the nonzero rule: outlines clockwise, holes the other way. */
  readonly loops: readonly Path[];
}

/** Figures of the whole result, all turns counted. */
export interface MergeFacts {
  readonly loops: number;
  readonly nodes: number;
  readonly area: number;
  readonly segments: { readonly line: number; readonly arc: number; readonly cubic: number };
  readonly milliseconds: number;
}

export interface MergeResult {
  readonly parts: readonly MergePart[];
  readonly facts: MergeFacts;
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

export class MergeFailed extends Error {
  override readonly name = 'MergeFailed';
}
