import { type Affine, applyTo, flatten, fromPolar, type Path, type Point, turnMap } from '@/core/curve';
import { neighbourGap } from '@/core/maker';
import { type Round, seenFold, seenPaths } from '@/core/figure';
import { addTurns, degreesOf, gcd, negateTurn, turn } from '@/core/number';
import { stepOf, timesRound, type TurnRule } from '@/core/symmetry';
import { layersOf, placedItems } from '@/core/scene';
import { check, found, shown, type ProofFinding } from '../check';
import { stepChoices } from '@/core/figure/commands';
import type { Subject } from '../subject';

/** Files are written to so small a part of the unit; see `DEFAULT_SVG`. */
const WRITTEN = 1e4;

/** More nodes than this are not compared. */
const MOST_NODES = 400_000;

/** The nodes of all that is drawn, as they are written to a file. */
function writtenNodes({ scene }: Subject): Point[] {
  const written = (p: Point, map: Affine): Point => {
    const at = applyTo(map, p);
    return { x: Math.round(at.x * WRITTEN) / WRITTEN, y: Math.round(at.y * WRITTEN) / WRITTEN };
  };
  // What stands once is taken to itself by its form, wherever its nodes are.
  const several = layersOf(scene, 'abut').filter(({ copies }) => copies.length > 1);
  return several.flatMap((layer) =>
    placedItems(layer).flatMap(({ item, map }) =>
      item.paths.flatMap(({ closed, segments }) => {
        const end = segments[segments.length - 1]?.to;
        const nodes = segments.map(({ from }) => from);
        return [...nodes, ...(closed || !end ? [] : [end])].map((p) => written(p, map));
      }),
    ),
  );
}

/** How far the point is that is farthest from any of them after a turn; Infinity where it is beyond `reach`. */
function residualOf(points: readonly Point[], map: Affine, reach: number): { far: number; at: Point | null } {
  const cells = new Map<number, Point[]>();
  const keyOf = (column: number, row: number): number => column * 67_108_864 + row;
  const cellOf = ({ x, y }: Point): [number, number] => [Math.floor(x / reach), Math.floor(y / reach)];
  for (const p of points) {
    const key = keyOf(...cellOf(p));
    const cell = cells.get(key);
    if (cell) cell.push(p);
    else cells.set(key, [p]);
  }
  let [far, at]: [number, Point | null] = [0, null];
  for (const p of points) {
    const image = applyTo(map, p);
    const [column, row] = cellOf(image);
    let near = Infinity;
    for (let x = column - 1; x <= column + 1; x += 1)
      for (let y = row - 1; y <= row + 1; y += 1)
        for (const other of cells.get(keyOf(x, y)) ?? [])
          near = Math.min(near, Math.hypot(other.x - image.x, other.y - image.y));
    if (near > far) [far, at] = [near, p];
  }
  return { far, at };
}

/** What is written to a file against the turns that the rounds promise. */
export const residual = check({
  id: 'residual',
  title: 'Symmetry of what is written',
  group: 'Symmetry',
  limits: [{ key: 'most', label: 'At most', unit: 'length', start: 0.01, least: 0.001, most: 1 }],
  find: (subject, { most }) => {
    const { picture, mm } = subject;
    const claimed = subject.rounds.reduce((common, round) => gcd(common, seenFold(round)), 0);
    const fold = Math.min(picture.fold, claimed || picture.fold);
    const points = fold > 1 ? writtenNodes(subject) : [];
    if (points.length === 0 || points.length > MOST_NODES) return [];
    const reach = 4 * most * mm;
    const { far, at } = residualOf(points, turnMap(turn(1, fold)), reach);
    if (far <= most * mm) return [];
    return [
      found('residual', {
        severity: 'error',
        title: 'The copies are not all alike',
        sentence: `Turned by ${shown(360 / fold)}° what is written lies ${Number.isFinite(far) ? `${shown(far / mm)} mm` : 'far'} beside itself.`,
        where: at ? [{ at, size: Number.isFinite(far) ? far : reach }] : [],
      }),
    ];
  },
});

/** Where the last copy of a round stands, and would meet the first. */
function seamOf(round: Round, reach: number): Point {
  return fromPolar(reach, degreesOf(round.rule.start));
}

/** Rounds that go nearly once round and leave a gap, or lie over their own beginning. */
export const closure = check({
  id: 'closure',
  title: 'Rounds that do not close',
  group: 'Symmetry',
  limits: [
    { key: 'share', label: 'Nearer than % of a turn', unit: 'number', start: 8, least: 0.1, most: 50 },
  ],
  find: (subject, { share }) =>
    subject.rounds.flatMap((round): ProofFinding[] => {
      if (!round.rule.sweep) return [];
      const times = timesRound(round.rule);
      const off = times - Math.round(times);
      if (Math.round(times) === 0 || Math.abs(off) < 1e-9 || Math.abs(off) > share / 100) return [];
      const closing = stepChoices(stepOf(round.rule)).filter(({ sweep }) => sweep === null);
      const [near] = closing.sort(
        (a, b) => Math.abs(a.fold - round.rule.fold) - Math.abs(b.fold - round.rule.fold),
      );
      const gap = `${shown(Math.abs(off) * 360)}°`;
      return [
        found('closure', {
          severity: 'warning',
          title: `${round.name} does not close`,
          sentence:
            off < 0
              ? `A gap of ${gap} is left before the first copy.`
              : `The last copies go ${gap} beyond the first.`,
          where: [
            {
              at: seamOf(round, subject.figure.page.width / 4),
              size: subject.figure.page.width / 20,
              roundId: round.id,
            },
          ],
          mends: near
            ? [{ label: `Take ${near.fold} copies, which close`, command: 'step', args: [round.id, near] }]
            : [],
        }),
      ];
    }),
});

/** Motifs of more curves than this are not compared with their neighbours. */
const MOST_CURVES = 120;

/** Where a copy comes nearest to the next one: its point that is farthest over to the ray between them. */
function contactOf(paths: readonly Path[], rule: TurnRule, tolerance: number): Point {
  const half = turn(1, 2 * rule.fold);
  const upright = turnMap(negateTurn(half));
  const points = paths.flatMap((path) => flatten(path, 1e3 * tolerance)).map((p) => applyTo(upright, p));
  const most = points.reduce((best, p) => (p.x > best.x ? p : best), points[0] ?? { x: 0, y: 0 });
  return applyTo(turnMap(half), { x: 0, y: most.y });
}

/** Copies that all but touch: a hair of paper between them, or a hair of overlap. */
export const neighbours = check({
  id: 'neighbours',
  title: 'Copies that nearly meet',
  group: 'Symmetry',
  limits: [{ key: 'gap', label: 'Nearer than', unit: 'length', start: 0.2, least: 0.001, most: 10 }],
  find: (subject, { gap }) =>
    subject.rounds.flatMap((round): ProofFinding[] => {
      const { rule } = round;
      if (rule.fold < 3 || rule.sweep || round.merge || round.omitted?.length) return [];
      const ids = new Set(
        round.shapes.filter(({ visible, paint }) => visible && paint.fill).map(({ id }) => id),
      );
      const paths = seenPaths(round, subject.work, ids);
      if (paths.length === 0 || paths.reduce((sum, { segments }) => sum + segments.length, 0) > MOST_CURVES)
        return [];
      const between = neighbourGap(paths, rule.alternate ? { ...rule, mirror: true } : rule);
      const small = 1e-7 * subject.figure.page.width;
      if (!Number.isFinite(between) || Math.abs(between) < small || Math.abs(between) >= gap * subject.mm)
        return [];
      const size = `${shown(Math.abs(between) / subject.mm)} mm`;
      const meets = contactOf(paths, rule, small);
      const where = Array.from({ length: rule.fold }, (_, k) => ({
        at: applyTo(turnMap(addTurns(rule.start, turn(k, rule.fold))), meets),
        size: Math.max(4 * Math.abs(between), subject.figure.page.width / 40),
        roundId: round.id,
      }));
      return [
        found('neighbours', {
          severity: 'warning',
          title: `Copies of ${round.name} nearly touch`,
          sentence: between > 0 ? `A gap of ${size} is left between them.` : `They overlap by ${size}.`,
          where,
          mends: [{ label: 'Fit neighbours: touch', command: 'fit', args: [round.id] }],
        }),
      ];
    }),
});
