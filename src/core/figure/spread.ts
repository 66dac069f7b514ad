import type { Work } from '../derive';
import { boundsOfPaths } from '../curve/bounds';
import { pathsOfForm } from '../maker/form';
import { endsOver } from '../paint/gradient';
import type { Gradient, Spread } from '../scene/scene';
import type { Point } from '../curve/point';
import type { Figure, Round } from './model';
import { reachOfMotif } from './reach';

/**
 * Where a gradient of a spread begins and ends at first: over the box of the cell, the motif, what is selected, or the page; over a
 * whole round from the centre to how far it reaches. In the coordinates of that spread; see `Gradient`.
 */
export function endsOfSpread(
  figure: Figure,
  round: Round,
  shapeIds: ReadonlySet<string>,
  kind: Gradient['kind'],
  spread: Spread,
  work: Work,
): [Point, Point] {
  const paths = (only: boolean) =>
    round.shapes
      .filter(({ id, visible }) => visible && (!only || shapeIds.has(id)))
      .flatMap(({ form }) => pathsOfForm(form, work));
  const about = (reach: number): [Point, Point] =>
    kind === 'radial'
      ? [
          { x: 0, y: 0 },
          { x: 0, y: -reach },
        ]
      : [
          { x: 0, y: -reach },
          { x: 0, y: reach },
        ];
  switch (spread) {
    case 'cell':
      return endsOver(kind, { left: 0, right: 1, top: 0, bottom: 1 });
    case 'copy':
    case 'selection': {
      const chosen = paths(spread === 'selection');
      const all = chosen.length > 0 ? chosen : paths(false);
      return all.length > 0 ? endsOver(kind, boundsOfPaths(all)) : about(1);
    }
    case 'round':
      return about(reachOfMotif(round, work)?.outer ?? 1);
    case 'page': {
      const { width, height, centre } = figure.page;
      if (kind === 'radial') return about(Math.max(width, height) / 2);
      return [
        { x: 0 - centre.x, y: -height / 2 - centre.y },
        { x: 0 - centre.x, y: height / 2 - centre.y },
      ];
    }
  }
}
