/**
 * Bounds on what a figure may ask for, so that drawing it stays work with an end: looked at before a step is taken. A file
 * with more can still be opened, as far as it can be drawn.
 *
 * @example
 * const problem = excessOf(figure, work);
 * if (problem) say(problem.sentence);
 */
import { finding, type Finding } from '@/core/finding';
import { rememberedWith, type Work } from '@/core/derive';
import { pathLength } from '@/core/curve';
import { pathsOfForm } from '@/core/maker';
import { groupsAround } from './groups';
import type { Figure, Round, Shape } from './model';

/** Nodes of all copies of a round together, and of all rounds. */
const MOST_COPIED_NODES = 1_000_000;
const MOST_NODES = 2_000_000;
/** Dashes of one line. */
const MOST_DASHES = 20_000;

const sizeOf = rememberedWith(({ form }: Shape, work) =>
  pathsOfForm(form, work).reduce((sum, { segments }) => sum + segments.length, 0),
);

/** How many dashes a shape's stroke has, about. */
const dashesIn = rememberedWith(({ form, paint: { stroke } }: Shape, work): number => {
  const { dashes = [] } = stroke ?? {};
  const period = dashes.reduce((sum, dash) => sum + dash, 0);
  if (!(period > 0)) return 0;
  const length = pathsOfForm(form, work).reduce((sum, path) => sum + pathLength(path), 0);
  return (length * dashes.length) / period;
});

/** How often each node of a round's motif stands in the whole. */
const timesOf = ({ rule: { fold, mirror }, whirl }: Round): number =>
  fold * (mirror ? 2 : 1) * (whirl?.count ?? 1);

/** How often a shape stands in the strips that it lies in. */
const unitsOf = (round: Round, shape: Shape): number =>
  groupsAround(round, shape).reduce((times, { bend }) => times * (bend?.units ?? 1), 1);

const nodesOf = (round: Round, work: Work): number =>
  round.shapes.reduce((sum, shape) => sum + sizeOf(shape, work) * unitsOf(round, shape), 0);

function excessOfRound(round: Round, work: Work): Finding | null {
  const { name, shapes } = round;
  const dashed = shapes.find((shape) => dashesIn(shape, work) > MOST_DASHES);
  if (dashed) return finding('figure.dashes', dashed.name, MOST_DASHES);
  const nodes = nodesOf(round, work);
  const times = timesOf(round);
  return nodes * times > MOST_COPIED_NODES
    ? finding('figure.copies', name, times, nodes, MOST_COPIED_NODES)
    : null;
}

/** Why a figure asks for too much; null where it does not. */
export function excessOf({ rounds }: Figure, work: Work): Finding | null {
  for (const round of rounds) {
    const problem = excessOfRound(round, work);
    if (problem) return problem;
  }
  const all = rounds.reduce((sum, round) => sum + nodesOf(round, work) * timesOf(round), 0);
  return all > MOST_NODES ? finding('figure.nodes', all, MOST_NODES) : null;
}

/** A shape whose dashes are more than can be drawn, without them. */
function withoutDashes(shape: Shape, work: Work): Shape {
  const { stroke } = shape.paint;
  if (!stroke || dashesIn(shape, work) <= MOST_DASHES) return shape;
  const { dashes: _, ...whole } = stroke;
  return { ...shape, paint: { ...shape.paint, stroke: whole } };
}

/** A round as what of it can be shown: its motif once, by itself. */
const shownOnce = rememberedWith((round: Round, work): Round => {
  const { whirl: _, lowerAction: __, ...rest } = round;
  const shapes = round.shapes.map((shape) => withoutDashes(shape, work));
  const groups = round.groups?.map((group) =>
    group.bend ? { ...group, bend: { ...group.bend, units: 1 } } : group,
  );
  const rule = { fold: 1, mirror: false, start: round.rule.start };
  return { ...rest, shapes, ...(groups && { groups }), merge: null, rule };
});

/**
 * A figure as what of it can be drawn without an end that nobody waits for: rounds that ask for too much, each or together with those
 * before them, stand once and by themselves. The same figure where none does.
 */
export const boundedFigure = rememberedWith((figure: Figure, work): Figure => {
  let left = MOST_NODES;
  const rounds = figure.rounds.map((round) => {
    const nodes = nodesOf(round, work) * timesOf(round);
    if (excessOfRound(round, work) || nodes > left) return shownOnce(round, work);
    left -= nodes;
    return round;
  });
  return rounds.every((round, k) => round === figure.rounds[k]) ? figure : { ...figure, rounds };
});
