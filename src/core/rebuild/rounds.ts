/**
 * Units in rounds: what goes round by one fold in one order is one round, as long as what lies over what stays the same.
 *
 * @example
 * for (const round of roundsOf(units, { centre, within, overlaps, isFilled: false })) round.copies[0]; // where its first copy is, and which marks it is made of
 */
import { distance, type Point } from '@/core/curve';
import { turn, type Turn, turnFromDegrees, wrapTurn } from '@/core/number';
import type { BlendMode } from '@/core/scene';
import { otherwiseIn, overlapsAmong, sortedBlocks, type overlapsOf } from './layers';
import type { Mark } from './mark';
import type { Orbit } from './orbits';
import { apart, type Unit } from './units';

/** One part of a round's motif: its mark in each copy, first to last; null in a copy that is not there. */
export interface Part {
  readonly copies: readonly (Mark | null)[];
  /** The same of its reflections, in a mirrored round. */
  readonly reflections: readonly (Mark | null)[] | null;
}

export interface ReadRound {
  readonly fold: number;
  /** Each copy has its reflection too. */
  readonly mirror: boolean;
  /** Each copy is its own reflection, or with its own: the round has axes. */
  readonly hasAxes: boolean;
  readonly start: Turn;
  /** Copies follow one another anticlockwise. */
  readonly isBackward: boolean;
  /** Places of copies that are not there, or not whole. */
  readonly omitted: readonly number[];
  /** What is there of copies that are not whole, by their places. */
  readonly halves: ReadonlyMap<number, readonly Mark[]>;
  readonly blend: BlendMode;
  readonly parts: readonly Part[];
}

/** Units that become one round. */
type Draft = readonly Unit[];

const firstOf = (unit: Unit): Mark => unit.marks[0] as Mark;
const lastOf = (unit: Unit): Mark => unit.marks[unit.marks.length - 1] as Mark;

const gapCount = ({ orbits, fold }: Unit): number =>
  orbits.reduce((sum, { slots }) => sum + fold - slots.size, 0);

/** How far directions may be from one another that are the same, as shares of a turn, for what a unit draws. */
const slackOf = (unit: Unit, centre: Point, within: number): number =>
  (4 * within) / (2 * Math.PI * Math.max(distance(firstOf(unit).middle, centre), within));

/** About what rounds are made, and what they have to keep. */
interface Around {
  readonly centre: Point;
  /** How far points may be from where they would be. */
  readonly within: number;
  readonly overlaps: Overlaps;
  /** Empty slots will be filled. */
  readonly isFilled: boolean;
}

/** True where a unit can be a part of the motif that others are parts of. */
function canJoin([first]: Draft, unit: Unit, { centre, within, isFilled }: Around): boolean {
  if (!first || first.fold !== unit.fold || first.isMirrored !== unit.isMirrored) return false;
  if (firstOf(first).blend !== firstOf(unit).blend) return false;
  if (!isFilled && (gapCount(first) > 0 || gapCount(unit) > 0)) return false;
  if (!unit.isMirrored) return true;
  const slack = slackOf(first, centre, within) + slackOf(unit, centre, within);
  return apart(first.axis ?? 0, unit.axis ?? 0, 2 * unit.fold) <= slack;
}

/** Units together that are drawn by turns: each begins before the others of its round are done. */
function draftsOf(units: readonly Unit[], around: Around): Draft[] {
  const drafts: { draft: Unit[]; last: number }[] = [];
  for (const unit of units) {
    const open = drafts.find(({ draft, last }) => firstOf(unit).index < last && canJoin(draft, unit, around));
    if (open) {
      open.draft.push(unit);
      open.last = Math.max(open.last, lastOf(unit).index);
    } else drafts.push({ draft: [unit], last: lastOf(unit).index });
  }
  return drafts.map(({ draft }) => draft);
}

/** The slot of an orbit that is nearest to a direction. */
const slotAt = ({ fold, start }: Orbit, direction: number): number =>
  ((Math.round((direction - start) * fold) % fold) + fold) % fold;

/** 1 where an orbit is drawn clockwise, −1 anticlockwise, 0 in neither order. */
function orderOf({ fold, slots }: Orbit): 1 | -1 | 0 {
  if (slots.size < fold) return 0;
  const drawn = [...slots].sort((a, b) => a[1].index - b[1].index).map(([slot]) => slot);
  const isStep = (step: number): boolean =>
    drawn.every((slot, k) => k === 0 || (slot - (drawn[k - 1] ?? 0) + fold) % fold === (step + fold) % fold);
  if (isStep(1)) return 1;
  return fold > 2 && isStep(-1) ? -1 : 0;
}

/** A direction as a simple part of a step where it is one, and else in millionths of a degree. */
function exactTurn(direction: number, fold: number, slack: number): Turn {
  for (const parts of [1, 2, 3, 4, 6, 8, 12]) {
    const steps = direction * fold * parts;
    if (Math.abs(steps - Math.round(steps)) <= slack * fold * parts)
      return wrapTurn(turn(Math.round(steps), fold * parts));
  }
  // As many decimals as the slack allows for, so that 15 degrees are not 15.000213.
  const degrees = direction * 360;
  const decimals = Math.max(0, Math.min(6, Math.ceil(-Math.log10(slack * 360))));
  return wrapTurn(turnFromDegrees(Number(degrees.toFixed(decimals))));
}

const shareOf = ({ num, den }: Turn): number => num / den;

/** The mark that is drawn first of an orbit, and its direction. */
function firstDrawn(orbit: Orbit): { readonly mark: Mark; readonly direction: number } {
  const [slot, mark] = [...orbit.slots].reduce((a, b) => (b[1].index < a[1].index ? b : a));
  return { mark, direction: orbit.start + slot / orbit.fold };
}

const copiesFrom = (orbit: Orbit, direction: number, step: number): (Mark | null)[] =>
  Array.from({ length: orbit.fold }, (_, k) => orbit.slots.get(slotAt(orbit, direction + k * step)) ?? null);

/** The part that a unit is of a round whose first copy stands at a direction. */
function partOf(unit: Unit, start: number, isBackward: boolean): Part {
  const step = (isBackward ? -1 : 1) / unit.fold;
  const [orbit, other] = unit.orbits as [Orbit, Orbit | undefined];
  const order = orderOf(orbit);
  const drawn = firstDrawn(orbit).direction;
  // The copy that is drawn first is the first one; where the order says nothing, it is the one in the wedge.
  const offset = drawn - start;
  const inWedge = offset - Math.round(offset * unit.fold) / unit.fold;
  const own = start + (order === (isBackward ? -1 : 1) ? offset : inWedge);
  const copies = copiesFrom(orbit, own, step);
  if (!other) return { copies, reflections: null };
  return { copies, reflections: copiesFrom(other, 2 * start - own, step) };
}

/** A mirrored part without copies of which the one or the other half is missing. */
function wholeCopies({ copies, reflections }: Part): Part {
  const isWhole = (k: number): boolean => Boolean(copies[k] && (!reflections || reflections[k]));
  const whole = (marks: readonly (Mark | null)[]) => marks.map((mark, k) => (isWhole(k) ? mark : null));
  return { copies: whole(copies), reflections: reflections && whole(reflections) };
}

/** Each mirrored part drawn by the marks that lie over their reflections, as a round draws them. */
function inOrder(part: Part): Part {
  const k = part.copies.findIndex((mark, at) => mark && part.reflections?.[at]);
  const [a, b] = [part.copies[k], part.reflections?.[k]];
  return part.reflections && a && b && a.index < b.index
    ? { copies: part.reflections, reflections: part.copies }
    : part;
}

/** The directions that the first copy may stand in: by what is drawn first, and the least from straight up. */
function startsOf(units: Draft, axis: number | null): number[] {
  const [lead] = units as [Unit, ...Unit[]];
  const { fold } = lead;
  const drawn = firstDrawn(lead.orbits[0] as Orbit).direction;
  const from = axis ?? 0;
  const near = from + Math.round((drawn - from) * fold) / fold;
  const hasGaps = units.some((unit) => gapCount(unit) > 0);
  // Half a step on there is another axis.
  const halves = axis === null || hasGaps ? [0] : [0, 0.5 / fold, -0.5 / fold];
  const least = (share: number): number => share - Math.floor(share * fold + 1e-3) / fold;
  return hasGaps ? [near] : halves.flatMap((half) => [least(near + half), near + half]);
}

/** How far directions are from what they would be, as shares of a turn, by what was found of the marks. */
function lean(units: Draft, centre: Point): number {
  const all = units.flatMap(({ orbits, marks }) =>
    orbits.map(({ far }) => far / distance((marks[0] as Mark).middle, centre)),
  );
  return (2 * Math.max(...all)) / (2 * Math.PI) + 1e-9;
}

/** The marks of copies that are not whole, by their places. */
function halvesOf(all: readonly Part[], whole: readonly Part[], fold: number): ReadonlyMap<number, Mark[]> {
  const halves = Array.from({ length: fold }, (_, k): [number, Mark[]] => [
    k,
    all.flatMap(({ copies, reflections }, part) =>
      whole[part]?.copies[k] ? [] : [copies[k], reflections?.[k]].filter((mark) => mark != null),
    ),
  ]);
  return new Map(halves.filter(([, marks]) => marks.length > 0));
}

function roundAt(
  units: Draft,
  start: Turn,
  isBackward: boolean,
  axis: number | null,
  slack: number,
): ReadRound {
  const [lead] = units as [Unit, ...Unit[]];
  const { fold } = lead;
  const all = units.map((unit) => partOf(unit, shareOf(start), isBackward)).map(inOrder);
  const parts = all.map(wholeCopies);
  const omitted = Array.from({ length: fold }, (_, k) => k).filter((k) =>
    parts.every(({ copies }) => copies[k] === null),
  );
  const isOnAxis = (unit: Unit): boolean =>
    unit.axis !== null && apart(unit.axis, axis ?? 0, 2 * fold) <= 2 * slack;
  return {
    fold,
    mirror: lead.isMirrored,
    hasAxes: units.every(isOnAxis),
    start,
    isBackward,
    omitted,
    halves: halvesOf(all, parts, fold),
    blend: firstOf(lead).blend,
    parts,
  };
}

/** A round of units, begun and gone round so that what overlaps lies as it did, as far as that can be. */
function roundOf(units: Draft, { centre, within, overlaps }: Around): Weighed {
  const axis = units.find((unit) => unit.axis !== null)?.axis ?? null;
  const [lead] = units as [Unit, ...Unit[]];
  const own = overlapsAmong(
    units.flatMap(({ marks }) => marks),
    overlaps,
  );
  const slack = slackOf(lead, centre, within);
  const off = lean(units, centre);
  const starts = startsOf(units, axis).map((start) => exactTurn(start, lead.fold, off));
  let best: Weighed | null = null;
  for (const isBackward of [false, true])
    for (const start of starts) {
      if (best?.otherwise === 0) return best;
      const round = roundAt(units, start, isBackward, axis, slack);
      const otherwise = otherwiseIn(marksOfRound(round), own);
      if (otherwise < (best?.otherwise ?? Infinity)) best = { units, round, otherwise };
    }
  return best as Weighed;
}

type Overlaps = ReturnType<typeof overlapsOf>;

interface Weighed {
  readonly units: Draft;
  readonly round: ReadRound;
  /** How many of its pairs lie otherwise than they did. */
  readonly otherwise: number;
}

/** Rounds that follow one another in one, where that stacks nothing otherwise. */
function fewer(rounds: readonly Weighed[], around: Around): Weighed[] {
  const kept: Weighed[] = [];
  for (const next of rounds) {
    const before = kept[kept.length - 1];
    const canBeOne = before && next.units.every((unit) => canJoin(before.units, unit, around));
    const both = canBeOne ? roundOf([...before.units, ...next.units], around) : null;
    if (both && before && both.otherwise <= before.otherwise + next.otherwise) kept[kept.length - 1] = both;
    else kept.push(next);
  }
  return kept;
}

/**
 * The rounds of units, the backmost first: units that are drawn by turns are one round, and so are those of one fold that follow one another,
 * as long as nothing is stacked otherwise by it.
 */
export function roundsOf(units: readonly Unit[], around: Around): ReadRound[] {
  const rounds = draftsOf(units, around).map((draft) => roundOf(draft, around));
  const order = sortedBlocks(
    rounds.map(({ round }) => marksOfRound(round)),
    around.overlaps,
  );
  return fewer(
    order.map((k) => rounds[k] as Weighed),
    around,
  ).map(({ round }) => round);
}

/** The marks of a round in the order in which it draws them. */
export const marksOfRound = ({ parts, fold, mirror }: ReadRound): Mark[] =>
  Array.from({ length: fold }, (_, k) => [
    ...(mirror ? parts.map(({ reflections }) => reflections?.[k] ?? null) : []),
    ...parts.map(({ copies }) => copies[k] ?? null),
  ])
    .flat()
    .filter((mark) => mark !== null);
