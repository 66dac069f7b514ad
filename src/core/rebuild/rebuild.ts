/**
 * Finished artwork as the construction that it may have been made by, as a task for another thread.
 *
 * @example
 * const task = rebuildTask({ drawing, name: 'rosette.svg', ids: 'k3', options: {}, choices: AS_IT_IS });
 * const rebuilt = await worker.do(task, progress);   // a Result<Rebuilt>
 * rebuilt.value.told.rounds;                          // [{ fold: 12, … }, { fold: 24, … }]
 */
import { mapPath, type Path } from '@/core/curve';
import { type Progress, type Task, type TaskKind, taskOf } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import type { Figure } from '@/core/figure';
import { type Drawing, type LeftOut, takingMap } from '@/core/format/drawing';
import { fromPixels } from '@/core/number';
import { drawnNodes, figureOfRead, type ReadChoices } from './figureOfRead';
import type { Mark } from './mark';
import { turnAbout } from './match';
import { readSymmetry, type OtherCentre, type ReadOptions, type SymmetryRead } from './read';
import { marksOfRound } from './rounds';
import type { Stray } from './strays';

interface RebuildInput {
  readonly drawing: Drawing;
  /** Of the file. */
  readonly name: string;
  /** What ids of rounds and shapes begin with. */
  readonly ids: string;
  readonly options: ReadOptions;
  readonly choices: ReadChoices;
}

/** A round that was read, for people. */
interface ToldRound {
  readonly fold: number;
  /** It has axes: each copy is its own reflection, or has it beside it. */
  readonly mirrored: boolean;
  readonly shapes: number;
  /** Copies that are not there. */
  readonly omitted: number;
}

/** A copy that is not as the others, in the figure's own coordinates. */
export interface Differing {
  readonly kind: Stray['kind'];
  readonly fold: number;
  /** How far off it is. */
  readonly by: number;
  readonly now: readonly Path[];
  readonly wanted: readonly Path[];
}

/** What was read, for people; lengths in the drawing's unit. */
export interface ToldReading {
  readonly rounds: readonly ToldRound[];
  /** Outlines about the centre, by the fold of their own. */
  readonly central: readonly number[];
  /** How much of all lines goes round or is reflected, from 0 to 1. */
  readonly share: number;
  readonly within: number;
  readonly far: number;
  readonly differing: readonly Differing[];
  /** Things that go round nothing. */
  readonly alone: number;
  /** In the drawing's own pixels, as `centre` of options takes them. */
  readonly others: readonly OtherCentre[];
  /** Pairs of things that lie the other way round. */
  readonly otherwise: number;
}

export interface Rebuilt {
  readonly figure: Figure;
  readonly left: readonly LeftOut[];
  readonly told: ToldReading;
}

/** More copies that differ than this are counted and not drawn. */
const MOST_DRAWN = 200;

const pathsOf = ({ layers }: Mark): Path[] =>
  layers.flatMap(({ outlines }) => outlines.map(({ path }) => path));

function toldStray({ kind, orbit, slot, mark, by }: Stray, read: SymmetryRead, drawing: Drawing): Differing {
  const toFigure = takingMap(read.centre, { unit: drawing.unit, to: { x: 0, y: 0 } });
  const [known, model] = [...orbit.slots][0] as [number, Mark];
  const there = turnAbout(read.centre, ((slot - known) * 2 * Math.PI) / orbit.fold);
  const mapped = (paths: readonly Path[]): Path[] => paths.map((path) => mapPath(path, toFigure));
  return {
    kind,
    fold: orbit.fold,
    by: by * fromPixels(drawing.unit),
    now: mark ? mapped(pathsOf(mark)) : [],
    wanted: mapped(pathsOf(model).map((path) => mapPath(path, there))),
  };
}

function told(read: SymmetryRead, drawing: Drawing): ToldReading {
  const pixel = fromPixels(drawing.unit);
  const centrals = read.blocks.flatMap((block) => (block.kind === 'central' ? [block.central.fold] : []));
  return {
    rounds: read.rounds.map((round) => ({
      fold: round.fold,
      mirrored: round.mirror || round.hasAxes,
      shapes: marksOfRound(round).length,
      omitted: round.omitted.length,
    })),
    central: centrals.flatMap((fold) => (fold !== null && fold > 1 ? [fold] : [])),
    share: Math.min(1, read.share),
    within: read.within * pixel,
    far: read.far * pixel,
    differing: read.strays.slice(0, MOST_DRAWN).map((stray) => toldStray(stray, read, drawing)),
    alone: read.blocks.reduce((sum, block) => sum + (block.kind === 'alone' ? block.marks.length : 0), 0),
    others: read.others,
    otherwise: read.otherwise,
  };
}

/** Ids that nothing else has, as long as nothing else begins so. */
function idsFrom(prefix: string): () => string {
  let count = 0;
  return () => `${prefix}-${(count += 1)}`;
}

/** How much of the work is reading. */
const READING = 0.8;

function rebuild(
  { drawing, name, ids, options, choices }: RebuildInput,
  progress: Progress = () => undefined,
): Result<Rebuilt> {
  const isFilled = choices.differing === 'follow' && choices.missing === 'follow';
  const read = readSymmetry(drawnNodes(drawing), { ...options, isFilled }, (share) =>
    progress(READING * share),
  );
  progress(READING);
  if (read.marks === 0) return failed(finding('artwork.nothing'));
  const made = figureOfRead(drawing, read, name, choices, idsFrom(ids));
  return made.ok ? ok({ ...made.value, told: told(read, drawing) }) : made;
}

/** Milliseconds for each shape, about, on a machine of 2020. */
const COST = 0.5;

export const REBUILD: TaskKind<RebuildInput, Rebuilt> = {
  name: 'rebuild',
  cost: ({ drawing }) => 50 + COST * drawing.nodes.length,
  run: rebuild,
};

/** The rebuilding of a drawing as a task. */
export const rebuildTask = (input: RebuildInput): Task<Rebuilt> => taskOf(REBUILD, input);
