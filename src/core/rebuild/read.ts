/**
 * Reads the symmetry of finished artwork: where its centre is, what goes round it how often, with which reflections, and what does not.
 *
 * @example
 * const read = readSymmetry(drawing.nodes);
 * read.rounds.map(({ fold, mirror }) => [fold, mirror]); // [[12, false], [24, true]]
 * read.share;                                            // 0.98: so much of its lines goes round
 */
import { boundsOfPaths, distance, isEmptyBounds, type Point } from '@/core/curve';
import type { Progress } from '@/core/derive';
import { type DrawnNode, shapesOfNodes } from '@/core/format/drawing';
import { bestAxis } from './axes';
import { ownFold } from './central';
import { classesOf, likelyCentres, type Alike } from './centres';
import { otherwiseIn, overlapsOf, sortedBlocks } from './layers';
import { marksOf, meanOf, type Mark } from './mark';
import { orbitsAbout, turnedLength, type Orbit } from './orbits';
import { marksOfRound, roundsOf, type ReadRound } from './rounds';
import { straysOf, type Stray } from './strays';
import { unitsOf, type Unit } from './units';

/** A mark about the centre, and the fold of the turns that take it to itself: null where every turn does. */
export interface Central {
  readonly mark: Mark;
  readonly fold: number | null;
}

/** Another point about which some marks go round. */
export interface OtherCentre {
  readonly at: Point;
  readonly fold: number;
  readonly count: number;
}

/** What is drawn together, back to front. */
export type Block =
  | { readonly kind: 'round'; readonly round: ReadRound }
  | { readonly kind: 'central'; readonly central: Central }
  | { readonly kind: 'alone'; readonly marks: readonly Mark[] };

export interface SymmetryRead {
  readonly centre: Point;
  readonly blocks: readonly Block[];
  readonly rounds: readonly ReadRound[];
  readonly strays: readonly Stray[];
  /** How much of all lines goes round, from 0 to 1; what is about the centre, and its own turn, counts. */
  readonly share: number;
  /** Points that are nearer than this to where they would be are there, in the drawing's pixels. */
  readonly within: number;
  /** How far the farthest point of what goes round is from where it would be. */
  readonly far: number;
  readonly others: readonly OtherCentre[];
  /** How many pairs of marks that may overlap will lie the other way round. */
  readonly otherwise: number;
  readonly marks: number;
}

export interface ReadOptions {
  /** In pixels of the drawing; as the drawing's size has it without one. */
  readonly within?: number;
  /** About which it is read; the likeliest point without one. */
  readonly centre?: Point;
  /** Empty slots will be filled: rounds with other ones can be one. */
  readonly isFilled?: boolean;
}

/** How near is near, as parts of the drawing's size: what is exact, or rounded a little, and what is rounded a lot. */
const WITHIN = [1 / 2000, 1 / 400] as const;
/** Where as much goes round, more room is not asked for. */
const ENOUGH = 0.9;
/** One axis is told instead of turns where so much more is reflected in it. */
const MUCH_MORE = 0.2;
/** More room has to make so much more go round. */
const MORE = 0.05;
/** How much of the work is finding the centre. */
const FINDING = 0.8;
/** How often the centre is found anew from what goes round it. */
const REFINED = 2;
/** Other centres have so many marks at least. */
const FEW = 3;

/** The longer side of the box that all lies in. */
function sizeOf(nodes: readonly DrawnNode[]): number {
  const box = boundsOfPaths(shapesOfNodes(nodes).flatMap(({ paths }) => paths));
  return isEmptyBounds(box) ? 1 : Math.max(box.right - box.left, box.bottom - box.top, 1e-9);
}

/**
 * The centre that the marks of orbits say together: of each, the least squares of middle = centre + its turn of one vector, in complex
 * numbers; whole orbits have theirs in their mean.
 */
function refinedCentre(orbits: readonly Orbit[], otherwise: Point): Point {
  let [x, y, weight] = [0, 0, 0];
  for (const { fold, slots } of orbits) {
    const count = slots.size;
    let [mx, my, px, py, c, s] = [0, 0, 0, 0, 0, 0];
    for (const [slot, { middle }] of slots) {
      const angle = (2 * Math.PI * slot) / fold;
      const [cos, sin] = [Math.cos(angle) / count, Math.sin(angle) / count];
      mx += middle.x / count;
      my += middle.y / count;
      px += cos * middle.x + sin * middle.y;
      py += cos * middle.y - sin * middle.x;
      c += cos;
      s += sin;
    }
    const rest = 1 - c * c - s * s;
    if (rest < 0.2) continue;
    x += (count * (mx - (c * px - s * py))) / rest;
    y += (count * (my - (c * py + s * px))) / rest;
    weight += count;
  }
  return weight > 0 ? { x: x / weight, y: y / weight } : otherwise;
}

const linesOf = (marks: readonly Mark[]): number => marks.reduce((sum, { length }) => sum + length, 0);

interface About {
  readonly centre: Point;
  readonly orbits: readonly Orbit[];
  readonly central: readonly Central[];
  readonly alone: readonly Mark[];
  /** How much goes round, as length. */
  readonly length: number;
}

/** All that goes round a point. */
function about(centre: Point, classes: readonly Alike[], within: number): About {
  const { orbits, central, alone } = orbitsAbout(centre, classes, within);
  const own = central.map((mark): Central => ({ mark, fold: ownFold(mark, centre, within) }));
  const turned = own.filter(({ fold }) => fold !== 1);
  // Circles are turned onto themselves about the middle of each: alone they say nothing.
  const says = orbits.length > 0 || turned.some(({ fold }) => fold !== null);
  const length = says ? turnedLength(orbits) + linesOf(turned.map(({ mark }) => mark)) : 0;
  return { centre, orbits, central: own, alone, length };
}

function bestAbout(
  centres: readonly Point[],
  classes: readonly Alike[],
  within: number,
  progress: Progress,
): About | null {
  let best: About | null = null;
  for (const [k, centre] of centres.entries()) {
    progress(k / centres.length);
    const found = about(centre, classes, within);
    if (found.length > (best?.length ?? 0)) best = found;
  }
  for (let time = 0; best && time < REFINED; time += 1) {
    const refined = about(refinedCentre(best.orbits, best.centre), classes, within);
    if (refined.length >= best.length) best = refined;
  }
  return best;
}

/** Other points about which something of what is left goes round. */
function otherCentres(centres: readonly Point[], best: About, within: number): OtherCentre[] {
  const found: OtherCentre[] = [];
  let left = best.alone;
  for (const at of centres) {
    if (distance(at, best.centre) <= 3 * within || left.length < FEW) continue;
    const { orbits } = orbitsAbout(
      at,
      classesOf(left, ({ key }) => key, within),
      within,
    );
    const marks = new Set(orbits.flatMap(({ slots }) => [...slots.values()]));
    const fold = Math.max(0, ...orbits.map((orbit) => orbit.fold));
    if (marks.size < FEW || fold < 3) continue;
    found.push({ at: refinedCentre(orbits, at), fold, count: marks.size });
    left = left.filter((mark) => !marks.has(mark));
  }
  return found;
}

interface Found {
  readonly marks: readonly Mark[];
  readonly classes: readonly Alike[];
  readonly best: About | null;
  readonly centres: readonly Point[];
  readonly within: number;
}

/** How near it is looked, and at what. */
interface Looking {
  readonly nodes: readonly DrawnNode[];
  readonly size: number;
  readonly centre: Point | undefined;
}

function foundWithin({ nodes, size, centre }: Looking, within: number, progress: Progress): Found {
  const marks = marksOf(nodes, within);
  const classes = classesOf(marks, ({ key }) => key, within);
  const centres = likelyCentres(classes, within, size);
  const best = bestAbout(centre ? [centre] : centres, classes, within, progress);
  return { best, marks, classes, centres, within };
}

/** What goes round within the least room that shows it. */
function found(nodes: readonly DrawnNode[], { within, centre }: ReadOptions, progress: Progress): Found {
  const looking: Looking = { nodes, size: sizeOf(nodes), centre };
  if (within !== undefined) return foundWithin(looking, within, progress);
  const [fine, coarse] = WITHIN.map((part) => part * looking.size) as [number, number];
  const first = foundWithin(looking, fine, (share) => progress(share / 2));
  const all = linesOf(first.marks);
  if ((first.best?.length ?? 0) >= ENOUGH * all) return first;
  const second = foundWithin(looking, coarse, (share) => progress(0.5 + share / 2));
  return (second.best?.length ?? 0) > (first.best?.length ?? 0) + MORE * all ? second : first;
}

/** Marks that stand beside each other, in one block. */
function joined(blocks: readonly Block[]): Block[] {
  const all: Block[] = [];
  for (const block of blocks) {
    const last = all[all.length - 1];
    if (block.kind === 'alone' && last?.kind === 'alone' && last.marks[0]?.blend === block.marks[0]?.blend)
      all[all.length - 1] = { kind: 'alone', marks: [...last.marks, ...block.marks] };
    else all.push(block);
  }
  return all;
}

const marksOfBlock = (block: Block): readonly Mark[] =>
  block.kind === 'round'
    ? marksOfRound(block.round)
    : block.kind === 'central'
      ? [block.central.mark]
      : block.marks;

/** What was found about one centre, as it is put together. */
interface Whole {
  readonly centre: Point;
  readonly units: readonly Unit[];
  readonly orbits: readonly Orbit[];
  readonly central: readonly Central[];
  readonly alone: readonly Mark[];
  /** How much goes round or is reflected, as length. */
  readonly length: number;
}

/** What goes round, what is reflected in one axis where that is much more, or nothing. */
function wholeOf({ best, marks, classes, within }: Found, wanted: Point | undefined): Whole {
  const all = linesOf(marks);
  const middle = wanted ?? meanOf(marks.map((mark) => [mark.middle, mark.length]));
  const turned = best?.length ?? 0;
  const mirrored = turned < ENOUGH * all ? bestAxis(classes, within, middle) : null;
  if (mirrored && mirrored.length > turned + MUCH_MORE * all)
    return { ...mirrored, orbits: [], central: [], alone: [...mirrored.own, ...mirrored.alone] };
  if (best) return { ...best, units: unitsOf(best.orbits, within, best.centre) };
  return { centre: middle, units: [], orbits: [], central: [], alone: marks, length: 0 };
}

/**
 * What of a drawing goes round which point, or is reflected in which axis. Time grows with the number of shapes times its logarithm, and
 * with the pairs of them that overlap.
 * @param nodes back to front, as a file has them
 */
export function readSymmetry(
  nodes: readonly DrawnNode[],
  options: ReadOptions = {},
  progress: Progress = () => undefined,
): SymmetryRead {
  const known = found(nodes, options, (share) => progress(FINDING * share));
  progress(FINDING);
  const { best, marks, centres, within } = known;
  const { centre, units, orbits, central, alone, length } = wholeOf(known, options.centre);
  const overlaps = overlapsOf(marks, within);
  const rounds = roundsOf(units, { centre, within, overlaps, isFilled: options.isFilled ?? false });
  const inRounds = new Set(rounds.flatMap(marksOfRound));
  const left = [...alone, ...units.flatMap((unit) => unit.marks)].filter((mark) => !inRounds.has(mark));
  const blocks: Block[] = [
    ...rounds.map((round): Block => ({ kind: 'round', round })),
    ...central.map((each): Block => ({ kind: 'central', central: each })),
    ...left.map((mark): Block => ({ kind: 'alone', marks: [mark] })),
  ];
  const lists = blocks.map(marksOfBlock);
  const order = sortedBlocks(lists, overlaps);
  const ordered = order.flatMap((k) => lists[k] ?? []);
  return {
    centre,
    blocks: joined(order.map((k) => blocks[k] as Block)),
    rounds: order.flatMap((k) => rounds[k] ?? []),
    strays: straysOf(orbits, left, centre, within),
    share: marks.length > 0 ? length / linesOf(marks) : 0,
    within,
    far: Math.max(0, ...orbits.map((orbit) => orbit.far)),
    others: best ? otherCentres(centres, best, within) : [],
    otherwise: otherwiseIn(ordered, overlaps),
    marks: marks.length,
  };
}
