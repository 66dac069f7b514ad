import { toast } from 'sonner';

import { compose, moveMap, turnMap } from '@/core/curve/affine';
import { mapPath, type Path } from '@/core/curve/path';
import type { GreyPicture, TraceOptions } from '@/core/curve/trace';
import { addMotif } from '@/core/figure/commands';
import type { Motif } from '@/core/figure/groups';
import { LIMITS, type Group, type Shape, type Underlay } from '@/core/figure/model';
import { newShape, START_PAINT } from '@/core/figure/start';
import { formOfPaths } from '@/core/maker/form';
import { activeRound, commit, select, shownFigure, type Editor } from '@/state/editor';
import { newId } from '@/state/ids';
import { pictureAddress } from '@/state/server';
import { trace } from '@/worker/tracer';

/** Pictures are traced at no more pixels than this along their longer side. */
const MOST_PIXELS = 1200;

/** The picture of an underlay in grey, on white where it is transparent. */
async function greyPicture(underlay: Underlay): Promise<GreyPicture> {
  const image = new Image();
  image.src = pictureAddress(underlay.picture);
  await image.decode();
  const longer = Math.max(underlay.width, underlay.height);
  const natural = Math.max(image.naturalWidth, image.naturalHeight);
  const size = Math.max(1, Math.min(MOST_PIXELS, natural));
  const [width, height] = [underlay.width, underlay.height].map((side) =>
    Math.max(1, Math.round((side / longer) * size)),
  ) as [number, number];
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser gives no canvas to read the picture with.');
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.drawImage(image, 0, 0, width, height);
  const { data } = context.getImageData(0, 0, width, height);
  const values = new Float32Array(width * height);
  // Luma of ITU-R BT.709, on the encoded values: what looks dark is dark.
  for (let k = 0; k < values.length; k += 1)
    values[k] =
      (0.2126 * (data[4 * k] ?? 0) + 0.7152 * (data[4 * k + 1] ?? 0) + 0.0722 * (data[4 * k + 2] ?? 0)) / 255;
  return { width, height, values };
}

/** What is traced as shapes of the motif, where the underlay lies: one for each area, with its holes. */
function motifOf(
  areas: readonly Path[][],
  underlay: Underlay,
  size: { width: number; height: number },
): Required<Motif> {
  const fit = {
    a: underlay.width / size.width,
    b: 0,
    c: 0,
    d: underlay.height / size.height,
    e: -underlay.width / 2,
    f: -underlay.height / 2,
  };
  const map = compose(compose(moveMap(underlay.at), turnMap(underlay.rotation)), fit);
  const group: Group | null = areas.length > 1 ? { id: newId(), name: 'Trace' } : null;
  const shapes = areas.map((paths, k): Shape => ({
    ...newShape(
      newId(),
      areas.length === 1 ? 'Trace' : `Trace ${k + 1}`,
      formOfPaths(paths.map((path) => mapPath(path, map))),
      START_PAINT,
    ),
    rule: 'evenodd',
    ...(group && { group: group.id }),
  }));
  return { shapes, groups: group ? [group] : [] };
}

interface Watch {
  readonly progress: (share: number) => void;
  /** Is given how to stop, as soon as there is something to stop. */
  readonly started: (stop: () => void) => void;
}

/** Traces the underlay into the motif that is worked on, as one step; says so where nothing comes of it. */
export async function traceUnderlay(editor: Editor, options: TraceOptions, watch: Watch): Promise<void> {
  const { underlay } = shownFigure(editor.getState());
  if (!underlay) return;
  try {
    const picture = await greyPicture(underlay);
    const { width, height } = picture;
    const work = trace(picture, options, watch.progress);
    watch.started(work.stop);
    const areas = await work.done;
    if (!areas) return;
    const round = activeRound(editor.getState());
    if (!round || round.locked) return;
    if (areas.length === 0) {
      toast.error('Nothing of the picture is beyond this threshold: try another.');
      return;
    }
    if (areas.length + round.shapes.length > LIMITS.shapes) {
      toast.error(
        `This would make ${areas.length} shapes; a motif has ${LIMITS.shapes} at most. Leave out larger specks.`,
      );
      return;
    }
    const { shapes, groups } = motifOf(areas, underlay, { width, height });
    commit(editor, 'Trace', addMotif(shownFigure(editor.getState()), round.id, shapes, groups));
    select(
      editor,
      round.id,
      shapes.map(({ id }) => id),
    );
  } catch {
    toast.error('The picture could not be read: it is as it was, and so is the motif.');
  }
}
