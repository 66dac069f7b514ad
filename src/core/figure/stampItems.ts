/**
 * Stamps of several shapes, as rope or scales: one after the other, each as its shapes lie on one another.
 *
 * @example
 * runsOfStamps(shapes).flatMap((run) => stampItems(run, round, work) ?? run.flatMap(itemsOf));
 */
import { type Bounds, boundsOfPaths } from '@/core/curve';
import type { Work } from '@/core/derive';
import type { SceneItem } from '@/core/scene';
import { trimOf } from './jobs';
import type { Round, Shape } from './model';
import { partsApart, type Trim } from './parts';

/** Runs of shapes that lie together: stamps of one group and line, else each by itself. */
export function runsOfStamps(shapes: readonly Shape[]): Shape[][] {
  const runs: Shape[][] = [];
  for (const shape of shapes) {
    const last = runs[runs.length - 1];
    if (last?.[0] && areStampedTogether(last[0], shape)) last.push(shape);
    else runs.push([shape]);
  }
  return runs;
}

const areStampedTogether = (a: Shape, b: Shape): boolean =>
  a.group !== undefined &&
  a.group === b.group &&
  a.edge === b.edge &&
  a.form.kind === 'stamp' &&
  b.form.kind === 'stamp';

const itemsOfStamps = new WeakMap<
  Shape,
  { readonly run: readonly Shape[]; readonly trim: Trim | null; readonly items: SceneItem[] }
>();

/**
 * Stamps of several shapes one after the other, each as its shapes lie on one another; null where no stamp touches the next, so that each
 * shape may be drawn with all its stamps at once.
 */
export function stampItems(run: readonly Shape[], round: Round, work: Work): SceneItem[] | null {
  const [first, another] = run;
  if (!first || !another) return null;
  const { mirror } = round.rule;
  const trim = trimOf(round, first);
  const known = itemsOfStamps.get(first);
  const isKnown =
    known?.trim === trim &&
    known.run.length === run.length &&
    known.run.every((shape, k) => shape === run[k]);
  const missed = work.missed;
  const items = isKnown ? known.items : stampsInTurn(run, trim, work);
  if (!isKnown && work.missed === missed) itemsOfStamps.set(first, { run, trim, items });
  if (items.length === 0) return null;
  return mirror ? [...items.map((item) => ({ ...item, mirrored: true })), ...items] : items;
}

/** Stamp after stamp; none where the shapes have not as many of them, or they lie apart. */
function stampsInTurn(run: readonly Shape[], trim: Trim | null, work: Work): SceneItem[] {
  const parts = run.map((shape) => partsApart(shape, trim, work));
  const count = parts[0]?.length ?? 0;
  if (parts.some((each) => each.length !== count)) return [];
  const stamps = Array.from({ length: count }, (_, k) =>
    run.flatMap((shape, place): SceneItem[] => {
      const part = parts[place]?.[k];
      if (!part || part.paths.length === 0) return [];
      const { paths, paint, rule } = part;
      return [{ origin: { of: 'shape', shapeId: shape.id }, paths, paint, rule, mirrored: false }];
    }),
  );
  const boxes = stamps.map((items) => boundsOfPaths(items.flatMap(({ paths }) => paths)));
  const meets = boxes.some((box, k) => boxes.slice(k + 1).some((other) => doOverlap(box, other)));
  return meets ? stamps.flat() : [];
}

const doOverlap = (a: Bounds, b: Bounds): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
