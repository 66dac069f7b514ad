import { toast } from 'sonner';

import type { Path, TraceOptions } from '@/core/curve';
import { addMotif, addRound, layRosette, setMerge } from '@/core/figure/commands';
import {
  type Figure,
  type Group,
  LIMITS,
  type Motif,
  newRound,
  newShape,
  type Round,
  type Shape,
  START_PAINT,
  type Underlay,
  underlayMap,
} from '@/core/figure';
import { formOfPaths } from '@/core/maker';
import type { ChosenFold, ColourPicture } from '@/core/picture';
import { activeRound, commit, type Editor, newId, select, shownFigure } from '@/state';
import { trace } from '@/worker';
import { pixelsOfUnderlay } from './underlayPixels';

/** What is traced as shapes of the motif: one for each area, with its holes. */
function motifOf(areas: readonly Path[][]): Required<Motif> {
  const group: Group | null = areas.length > 1 ? { id: newId(), name: 'Trace' } : null;
  const shapes = areas.map((paths, k): Shape => ({
    ...newShape(newId(), areas.length === 1 ? 'Trace' : `Trace ${k + 1}`, formOfPaths(paths), START_PAINT),
    rule: 'evenodd',
    ...(group && { group: group.id }),
  }));
  return { shapes, groups: group ? [group] : [] };
}

/** Is told how far work is, and given how to stop it as soon as there is something to stop. */
export interface Watch {
  readonly progress: (share: number) => void;
  readonly started: (stop: () => void) => void;
}

/** Why so many areas cannot be taken into a round, or null where they can. */
function refusalOf(areas: readonly Path[][], round: Round): string | null {
  if (areas.length === 0) return 'Nothing of the picture is beyond this threshold: try another.';
  if (areas.length + round.shapes.length <= LIMITS.shapes) return null;
  return `This would make ${areas.length} shapes; a motif has ${LIMITS.shapes} at most. Leave out larger specks.`;
}

/** A figure with a round to trace one wedge into: the one at hand while it is empty, else one in front of it. */
function withRoundFor(figure: Figure, round: Round): { readonly figure: Figure; readonly round: Round } {
  if (round.shapes.length === 0) return { figure, round };
  const own = newRound(newId(), 'Trace');
  return { figure: addRound(figure, own, round.id), round: own };
}

/** What is traced, of which picture, and where that lies. */
export interface Traced {
  readonly pixels: ColourPicture;
  readonly underlay: Underlay;
  /** The fold and mirror whose wedge alone is kept; null for all of the picture. */
  readonly wedge: ChosenFold | null;
}

/** Traces pixels into the motif that is worked on, as one step; of one wedge into a round that has its fold, its copies united. */
export async function tracePixels(
  editor: Editor,
  { pixels, underlay, wedge }: Traced,
  options: TraceOptions,
  watch: Watch,
): Promise<void> {
  const work = trace(pixels, options, { map: underlayMap(underlay, pixels), wedge }, watch.progress);
  watch.started(work.stop);
  const answer = await work.done;
  const active = activeRound(editor.getState());
  if (answer === 'stopped' || !active || active.locked) return;
  const areas = answer.found;
  const now = shownFigure(editor.getState());
  const { figure, round } = wedge ? withRoundFor(now, active) : { figure: now, round: active };
  const refusal = refusalOf(areas, round);
  if (refusal) {
    toast.error(refusal);
    return;
  }
  const { shapes, groups } = motifOf(areas);
  const added = addMotif(figure, round.id, shapes, groups);
  commit(
    editor,
    'Trace',
    wedge ? setMerge(layRosette(added, round.id, underlay, wedge), round.id, 'union') : added,
  );
  select(
    editor,
    round.id,
    shapes.map(({ id }) => id),
  );
}

/** Traces all of the underlay into the motif that is worked on, as one step; says so where nothing comes of it. */
export async function traceUnderlay(editor: Editor, options: TraceOptions, watch: Watch): Promise<void> {
  const { underlay } = shownFigure(editor.getState());
  if (!underlay) return;
  try {
    const pixels = await pixelsOfUnderlay(underlay);
    await tracePixels(editor, { pixels, underlay, wedge: null }, options, watch);
  } catch {
    toast.error('The picture could not be read: it is as it was, and so is the motif.');
  }
}
