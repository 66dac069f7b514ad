/**
 * What checks look at: a figure, what is drawn of it, and what is worked out of that once for all of them.
 *
 * @example
 * const subject = subjectOf(figure, scene, merges);
 * subject.narrow(0.25 * subject.mm);   // all that is narrower than a quarter of a millimetre
 */
import { applyTo, type Point, turnMap } from '@/core/curve';
import { STRAIGHT, type Work } from '@/core/derive';
import { crowdedIn } from './crowded';
import { cellGroups, type RoundCells } from './cellGroups';
import type { Figure, Round } from '@/core/figure';
import type { MergeResult } from '@/core/merge';
import { convertLength, turn } from '@/core/number';
import type { Scene } from '@/core/scene';
import { pictureOf, type DrawnPicture } from './picture';
import { withNarrowest } from './narrowest';
import { seamsOf, type Seams } from './seams';
import { unchangedIn } from './unchanged';
import { narrowPlaces, narrowRuns, type Narrow, type NarrowRun } from './widths';

export interface Subject {
  readonly figure: Figure;
  readonly scene: Scene;
  /** How many of the figure's unit are a millimetre. */
  readonly mm: number;
  readonly work: Work;
  readonly picture: DrawnPicture;
  /** Rounds that are drawn. */
  readonly rounds: readonly Round[];
  merge(key: string): MergeResult | undefined;
  /** Of divided rounds that are drawn. */
  readonly cells: readonly RoundCells[];
  /** All edges of the sector in stretches short enough to see what is so large. */
  seams(size: number): Seams;
  /** What is narrower than a width, in the figure's unit. */
  narrow(width: number): readonly Narrow[];
  narrowRuns(width: number): readonly NarrowRun[];
  /** A point of the sector and all that are where its turns take it. */
  copies(p: Point): readonly Point[];
}

/** Stretches of edges are so small a share of what is looked for, where they do not become too many. */
const STEPS_A_SIZE = 3;
const MOST_STRETCHES = 60_000;

/** What is narrow is known as long as nothing changed within so many widths of it. */
const KEPT_FROM = 1.5;

/** How long stretches are for what is of a size, of edges that are so long together. */
const stepFor = (size: number, length: number): number =>
  Math.max(size / STEPS_A_SIZE, length / MOST_STRETCHES);

class Looked implements Subject {
  readonly mm: number;
  readonly work = STRAIGHT;
  readonly rounds: readonly Round[];

  private drawn: DrawnPicture | null = null;
  private groups: readonly RoundCells[] | null = null;
  private readonly cut = new Map<number, Seams>();
  private readonly thin = new Map<number, readonly Narrow[]>();
  private readonly runs = new Map<number, readonly NarrowRun[]>();

  constructor(
    readonly figure: Figure,
    readonly scene: Scene,
    private readonly merges: ReadonlyMap<string, MergeResult>,
    /** An earlier one, of which is taken over what did not change. */
    private before: Looked | null,
  ) {
    // One before that is not needed any more.
    if (before) before.before = null;
    this.mm = convertLength(1, 'mm', figure.page.unit);
    const drawn = new Set(scene.layers.map(({ roundId }) => roundId));
    this.rounds = figure.rounds.filter(({ id, visible }) => visible && drawn.has(id));
  }

  get picture(): DrawnPicture {
    this.drawn ??= pictureOf(this.scene);
    return this.drawn;
  }

  get cells(): readonly RoundCells[] {
    this.groups ??= this.rounds.flatMap(
      (round) => cellGroups(this.figure, round, this.merges.get(round.id), this.work) ?? [],
    );
    return this.groups;
  }

  merge(key: string): MergeResult | undefined {
    return this.merges.get(key);
  }

  seams(size: number): Seams {
    const { picture } = this;
    const step = stepFor(size, picture.length);
    const known = this.cut.get(step);
    if (known) return known;
    const made = seamsOf(picture, step);
    this.cut.set(step, made);
    return made;
  }

  narrow(width: number): readonly Narrow[] {
    const known = this.thin.get(width);
    if (known) return known;
    const made = this.lookedForNarrow(width);
    this.thin.set(width, made);
    return made;
  }

  /** What is narrower than a width: as it was known before where nothing changed, looked for elsewhere. */
  private lookedForNarrow(width: number): readonly Narrow[] {
    const { picture } = this;
    const known = this.before?.thin.get(width);
    const unchanged = this.before && known ? unchangedIn(this.before.picture, picture) : null;
    const isKnown = (x: number, y: number): boolean => unchanged?.isAt(x, y, KEPT_FROM * width) ?? false;
    const kept = (known ?? []).flatMap((place): Narrow[] => {
      const piece = unchanged?.pieceOf(place.piece);
      if (piece === undefined || !isKnown(place.x, place.y)) return [];
      return [{ ...place, piece, tone: picture.at(place.x, place.y).tone }];
    });
    // An edge beside what is looked for again counts, if it is known itself.
    const crowded = crowdedIn(
      picture,
      width,
      (x, y, near) => !(unchanged?.isAt(x, y, 2 * KEPT_FROM * width + near) ?? false),
    );
    const seams = seamsOf(picture, stepFor(width, crowded.length), crowded.isAt);
    const found = narrowPlaces(picture, seams, width).filter(({ x, y }) => !isKnown(x, y));
    return [...kept, ...found];
  }

  narrowRuns(width: number): readonly NarrowRun[] {
    const known = this.runs.get(width);
    if (known) return known;
    const { picture } = this;
    const places = this.narrow(width);
    const runs = narrowRuns(places, width, picture);
    const made = withNarrowest(picture, runs, width, width / STEPS_A_SIZE);
    this.runs.set(width, made);
    return made;
  }

  copies(p: Point): readonly Point[] {
    const { fold } = this.picture;
    return Array.from({ length: fold }, (_, k) => applyTo(turnMap(turn(k, fold)), p));
  }
}

/**
 * @param merges of the figure, by the keys of their jobs
 * @param before what was made of an earlier figure: what did not change is taken over from it
 */
export const subjectOf = (
  figure: Figure,
  scene: Scene,
  merges: ReadonlyMap<string, MergeResult>,
  before: Subject | null = null,
): Subject => new Looked(figure, scene, merges, before instanceof Looked ? before : null);
