import {
  distance,
  flatten,
  lengthOf,
  mapPath,
  type Path,
  type Point,
  signedArea,
  windingNumber,
} from '@/core/curve';
import { bandOfStroke } from '@/core/maker';
import { BANDS, insideOf, MERGED, type MergeShape, type Outlines } from '@/core/merge';
import { NO_TURN } from '@/core/number';
import { remembered } from '../../remembered';
import { layersOf, placedItems, type Scene } from '@/core/scene';
import { check, found, shown, type ProofFinding } from '../check';
import type { Subject } from '../subject';

/** More outlines than this are not united: a stencil of so many openings holds no more together than it looks. */
const MOST_OUTLINES = 4000;

/** All that is cut out, as shapes that lie over one another. */
function openings(scene: Scene): MergeShape[] {
  return layersOf(scene, 'abut').flatMap((layer) =>
    placedItems(layer).flatMap(({ item, map }): MergeShape[] => {
      const { fill, stroke } = item.paint;
      const band = stroke ? BANDS.run({ paths: item.paths, look: bandOfStroke(stroke) }) : null;
      return [
        ...(fill
          ? [{ paths: item.paths.map((path) => mapPath({ ...path, closed: true }, map)), rule: item.rule }]
          : []),
        ...(band?.ok
          ? [{ paths: band.value.map((path) => mapPath(path, map)), rule: 'nonzero' as const }]
          : []),
      ];
    }),
  );
}

const unitedOf = remembered((scene: Scene): Outlines => {
  const shapes = openings(scene);
  if (shapes.length === 0 || shapes.length > MOST_OUTLINES) return [];
  const operands = [{ fold: 1, mirror: false, start: NO_TURN, shapes }];
  const made = MERGED.run({ op: 'union', among: 'copies', operands, outlineOnly: true });
  return made.ok ? made.value : [];
});

interface Island {
  readonly loop: Path;
  readonly area: number;
  /** Inside it. */
  readonly at: Point;
  /** The shortest way over to what stays, from the island. */
  readonly from: Point;
  readonly to: Point;
}

/** The nearest two points of two rings. */
function shortestWay(own: readonly Point[], other: readonly Point[]): { from: Point; to: Point } | null {
  let best: { from: Point; to: Point } | null = null;
  let least = Infinity;
  for (const from of own)
    for (const to of other) {
      const far = distance(from, to);
      if (far < least) [least, best] = [far, { from, to }];
    }
  return best;
}

/** Points that stand for a ring when ways over are compared. */
const RING_POINTS = 240;

function ringOf(path: Path, size: number): Point[] {
  const all = flatten(path, size / 4000);
  const step = Math.max(1, Math.floor(all.length / RING_POINTS));
  return all.filter((_, k) => k % step === 0);
}

/** What falls out when all that is drawn is cut out: the holes of its outline. */
function islandsOf({ scene, figure }: Subject): Island[] {
  return unitedOf(scene).flatMap((loops): Island[] => {
    const outer = loops.find((loop) => signedArea([loop]) > 0);
    if (!outer) return [];
    const rim = ringOf(outer, figure.page.width);
    return loops.flatMap((loop): Island[] => {
      const area = -signedArea([loop]);
      if (area <= 0) return [];
      const way = shortestWay(ringOf(loop, figure.page.width), rim);
      return way ? [{ loop, area, at: insideOf([loop], area), ...way }] : [];
    });
  });
}

const holdsCentre = ({ loop, area }: Island): boolean =>
  windingNumber(loop, { x: 0, y: 0 }, Math.sqrt(area) * 1e-4) !== 0;

/** Islands that are alike: as large, and as far from the centre. */
const kindOf = ({ area, at, from, to }: Island, unit: number): string =>
  [Math.sqrt(area), lengthOf(at), distance(from, to)].map((each) => Math.round(each / unit)).join(' ');

/** The fewest bridges that hold an island about the centre, as its symmetry has them. */
function fewOf(fold: number): number {
  for (let few = 3; few <= fold; few += 1) if (fold % few === 0) return few;
  return fold;
}

/** What a stencil loses: sheet that hangs on nothing once all is cut out. */
export const islands = check({
  id: 'islands',
  title: 'Islands that fall out',
  group: 'Cutting',
  limits: [{ key: 'bridge', label: 'Bridges as wide as', unit: 'length', start: 2, least: 0.1, most: 50 }],
  find: (subject, { bridge }) => {
    const kinds = new Map<string, Island[]>();
    for (const island of islandsOf(subject)) {
      const kind = kindOf(island, subject.figure.page.width / 1e4);
      kinds.set(kind, [...(kinds.get(kind) ?? []), island]);
    }
    return [...kinds.values()].map((alike): ProofFinding => {
      const [first] = alike as [Island];
      const { fold } = subject.picture;
      // A bridge for each: one that the turns of the picture take to all of them, or each by itself.
      const isTurned = alike.length === fold;
      const bridges = holdsCentre(first)
        ? [{ from: first.from, to: first.to, fold: fewOf(fold) }]
        : isTurned
          ? [{ from: first.from, to: first.to, fold }]
          : alike.map(({ from, to }) => ({ from, to, fold: 1 }));
      return found('islands', {
        severity: 'error',
        title: alike.length === 1 ? 'An island falls out' : 'Islands fall out',
        sentence: `${shown(first.area / subject.mm ** 2)} mm² of the sheet hang on nothing${alike.length > 1 ? ', each' : ''}. The shortest way over is ${shown(distance(first.from, first.to) / subject.mm)} mm.`,
        where: alike.map(({ at, area }) => ({ at, size: Math.sqrt(area) })),
        mends: [
          {
            label: `Add bridges of ${shown(bridge)} mm`,
            command: 'bridges',
            args: [bridges, bridge * subject.mm],
          },
        ],
      });
    });
  },
});
