import type { RoundId } from '@/core/figure';
import {
  applyTo,
  type Bounds,
  boundsOfPaths,
  compose,
  isEmptyBounds,
  mapPath,
  moveMap,
  type Point,
} from '@/core/curve';
import { check, found, shown } from '../check';
import { placedItems, type Scene } from '@/core/scene';
import { remembered } from '../../remembered';
import type { Subject } from '../subject';

interface Reached {
  readonly roundId: RoundId;
  /** From the page's middle, strokes with them. */
  readonly box: Bounds;
}

/** How far the artwork of each round reaches. */
const reachedBy = remembered((scene: Scene): readonly Reached[] =>
  scene.layers.flatMap((layer) => {
    const toPage = moveMap(scene.page.centre);
    const boxes = placedItems(layer).flatMap(({ item, map }) => {
      const box = boundsOfPaths(item.paths.map((path) => mapPath(path, compose(toPage, map))));
      const margin = (item.paint.stroke?.width ?? 0) / 2;
      return isEmptyBounds(box)
        ? []
        : [
            {
              left: box.left - margin,
              right: box.right + margin,
              top: box.top - margin,
              bottom: box.bottom + margin,
            },
          ];
    });
    return boxes.length === 0 ? [] : [{ roundId: layer.roundId, box: around(boxes) }];
  }),
);

const around = (boxes: readonly Bounds[]): Bounds => ({
  left: boxes.reduce((least, { left }) => Math.min(least, left), Infinity),
  right: boxes.reduce((most, { right }) => Math.max(most, right), -Infinity),
  top: boxes.reduce((least, { top }) => Math.min(least, top), Infinity),
  bottom: boxes.reduce((most, { bottom }) => Math.max(most, bottom), -Infinity),
});

interface Over {
  readonly by: number;
  readonly at: Point;
}

/** By how much a box reaches beyond a page, and where, from the figure's centre. */
function overPage({ box }: Reached, { scene }: Subject): Over {
  const { width, height, centre } = scene.page;
  const sides: Over[] = [
    { by: -width / 2 - box.left, at: { x: -width / 2, y: 0 } },
    { by: box.right - width / 2, at: { x: width / 2, y: 0 } },
    { by: -height / 2 - box.top, at: { x: 0, y: -height / 2 } },
    { by: box.bottom - height / 2, at: { x: 0, y: height / 2 } },
  ];
  const most = sides.reduce((worst, side) => (side.by > worst.by ? side : worst));
  return { by: most.by, at: applyTo(moveMap({ x: -centre.x, y: -centre.y }), most.at) };
}

/** True where all that is drawn stays within the circle about the centre that the page has room for. */
function isWithin({ figure: { page }, picture }: Subject, margin: number): boolean {
  const room = Math.min(page.width / 2 - Math.abs(page.centre.x), page.height / 2 - Math.abs(page.centre.y));
  return picture.reach < room - margin;
}

/** What reaches beyond so little of the page is on it. */
const ON_PAGE = 1e-6;

/** Artwork that the page's edge cuts off, and that is not meant to bleed. */
export const beyondPage = check({
  id: 'beyondPage',
  title: 'Artwork beyond the page',
  group: 'Page',
  limits: [],
  find: (subject) => {
    const { page } = subject.figure;
    if (isWithin(subject, 0)) return [];
    return reachedBy(subject.scene).flatMap((reached) => {
      const over = overPage(reached, subject);
      if (over.by <= ON_PAGE * page.width || page.bleed > 0) return [];
      const name = subject.figure.rounds.find(({ id }) => id === reached.roundId)?.name ?? 'A round';
      const most = Math.max(-reached.box.left, reached.box.right, -reached.box.top, reached.box.bottom);
      const share = Math.min(page.width, page.height) / 2 / most;
      return [
        found('beyondPage', {
          severity: 'warning',
          title: `${name} reaches beyond the page`,
          sentence: `By ${shown(over.by)} ${page.unit}: it is cut off there. Larger by that the page holds it.`,
          where: [{ at: over.at, size: over.by, roundId: reached.roundId }],
          mends: [
            {
              label: 'Make the page larger',
              command: 'pageSize',
              args: [page.width / share, page.height / share],
            },
            { label: 'Give it a bleed', command: 'bleed', args: [3 * subject.mm] },
          ],
        }),
      ];
    });
  },
});

/** Artwork or ground up to the trim without enough beyond it: a white edge where the knife is off. */
export const bleed = check({
  id: 'bleed',
  title: 'Bleed',
  group: 'Page',
  limits: [{ key: 'least', label: 'At least', unit: 'length', start: 3, least: 0.1, most: 50 }],
  find: (subject, { least }) => {
    const { page } = subject.figure;
    const touches =
      page.background !== null ||
      reachedBy(subject.scene).some((reached) => overPage(reached, subject).by > -ON_PAGE * page.width);
    if (!touches || page.bleed >= least * subject.mm * (1 - 1e-9)) return [];
    return [
      found('bleed', {
        severity: 'warning',
        title: 'Too little bleed',
        sentence: `Colour goes up to the trim with ${shown(page.bleed / subject.mm)} mm beyond it; at least ${shown(least)} mm is asked.`,
        where: [{ at: { x: -page.centre.x, y: -page.height / 2 - page.centre.y }, size: least * subject.mm }],
        mends: [{ label: `Give it ${shown(least)} mm`, command: 'bleed', args: [least * subject.mm] }],
      }),
    ];
  },
});

/** A figure that stands a little beside the middle of its page. */
export const offCentre = check({
  id: 'offCentre',
  title: 'Beside the middle of the page',
  group: 'Page',
  limits: [
    { key: 'share', label: 'Nearer than % of the page', unit: 'number', start: 5, least: 0.1, most: 50 },
  ],
  find: ({ figure: { page } }, { share }) => {
    const off = Math.hypot(page.centre.x, page.centre.y);
    if (off <= ON_PAGE * page.width || off > (share / 100) * Math.min(page.width, page.height)) return [];
    return [
      found('offCentre', {
        severity: 'note',
        title: 'The centre is not the page’s middle',
        sentence: `It is ${shown(off)} ${page.unit} beside it: so little is seldom meant.`,
        where: [{ at: { x: 0, y: 0 }, size: off }],
        mends: [{ label: 'Put it in the middle', command: 'centre', args: [] }],
      }),
    ];
  },
});
