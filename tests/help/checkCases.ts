import { disc, withForms } from './figures';
import { polygonPath } from '@/core/curve';
import { setBlend, setFill, setFold, setMerge, setPage, setStroke, setSweep } from '@/core/figure/commands';
import { type Figure, withRound } from '@/core/figure';
import { type Form, formOfPaths, pathForm } from '@/core/maker';
import { turn } from '@/core/number';
import type { Limits } from '@/core/proof';

export const one = (...forms: Form[]): Figure => setFold(withForms(...forms), 'r', 1);

export const square = (side: number, x = 0, y = 0): Form =>
  formOfPaths([
    polygonPath([
      { x: x - side / 2, y: y - side / 2 },
      { x: x + side / 2, y: y - side / 2 },
      { x: x + side / 2, y: y + side / 2 },
      { x: x - side / 2, y: y + side / 2 },
    ]),
  ]);

export const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });

const stroked = (figure: Figure, width: number, join: 'miter' | 'round' = 'miter'): Figure =>
  setFill(
    setStroke(
      figure,
      { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0', 's1']) },
      {
        colour: '#113d4c',
        width,
        join,
        limit: 20,
      },
    ),
    { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0', 's1']) },
    null,
  );

/** A corner of so many degrees as an open line. */
const corner = (degrees: number): Form => {
  const half = (degrees * Math.PI) / 360;
  return pathForm(
    [at(-60 * Math.sin(half), 60 * Math.cos(half)), at(0, 0), at(60 * Math.sin(half), 60 * Math.cos(half))],
    false,
  );
};

const filled = (figure: Figure, shapeId: string, fill: string | null): Figure =>
  setFill(figure, { of: 'shapes', roundId: 'r', shapeIds: new Set([shapeId]) }, fill);

/** Discs that overlap, divided into cells: lenses between neighbours. */
export const divided = (radius: number, fold = 8): Figure =>
  setMerge(setFold(withForms(disc(0, -40, radius)), 'r', fold), 'r', 'divide');

/** Five rings that are woven. */
export const woven = (): Figure =>
  setMerge(stroked(setFold(withForms(disc(0, -30, 25)), 'r', 5), 4), 'r', 'weave');

/** For each check a figure in which it finds something, and one that is just as it asks. */
export const CASES: Record<string, { wrong: () => Figure; right: () => Figure; limits?: Limits }> = {
  closure: {
    wrong: () =>
      setSweep(setFold(withForms(disc(0, -40, 3)), 'r', 12), 'r', { turn: turn(35, 36), ends: false }),
    right: () => setFold(withForms(disc(0, -40, 3)), 'r', 12),
  },
  // Discs on a ring touch where r = R sin(π/n).
  neighbours: {
    wrong: () => setFold(withForms(disc(0, -40, 40 * Math.sin(Math.PI / 12) - 0.05)), 'r', 12),
    right: () => setFold(withForms(disc(0, -40, 40 * Math.sin(Math.PI / 12) - 0.2)), 'r', 12),
  },
  stacked: {
    wrong: () =>
      setStroke(
        setFold(withForms(disc(0, -40, 20)), 'r', 12),
        { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
        { width: 1 },
      ),
    right: () =>
      setStroke(
        setFold(withForms(disc(0, -40, 9)), 'r', 12),
        { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
        { width: 1 },
      ),
  },
  openFilled: {
    wrong: () => one(pathForm([at(0, -50), at(20, -20), at(-20, -20)], false)),
    right: () => one(pathForm([at(0, -50), at(20, -20), at(-20, -20)], true)),
  },
  nearEnds: {
    wrong: () => stroked(one(pathForm([at(0, -50), at(20, -20), at(-20, -20), at(-0.05, -50)], false)), 1),
    right: () => stroked(one(pathForm([at(0, -50), at(20, -20), at(-20, -20), at(-0.5, -50)], false)), 1),
  },
  doubled: {
    wrong: () => one(square(20), square(20)),
    right: () => one(square(20), square(20.1)),
  },
  needlessNodes: {
    wrong: () => one(pathForm([at(0, -50), at(10, -35), at(20, -20), at(-20, -20)], true)),
    right: () => one(pathForm([at(0, -50), at(20, -20), at(-20, -20)], true)),
  },
  idleHandles: {
    wrong: () =>
      one(
        pathForm(
          [
            { ...at(0, -50), out: { x: 5, y: -42.5 } },
            { ...at(20, -20), in: { x: 20, y: -20 } },
            at(-20, -20),
          ],
          true,
        ),
      ),
    right: () =>
      one(
        pathForm(
          [
            { ...at(0, -50), out: { x: 5, y: -52.5 } },
            { ...at(20, -20), in: { x: 20, y: -30 } },
            at(-20, -20),
          ],
          true,
        ),
      ),
  },
  specks: {
    wrong: () => one(formOfPaths([...ringPaths(40, 0.12)])),
    right: () => one(formOfPaths([...ringPaths(40, 0.14)])),
  },
  selfCrossing: {
    wrong: () => one(pathForm([at(-20, -20), at(20, 20), at(20, -20), at(-20, 20)], true)),
    right: () => one(pathForm([at(-20, -20), at(20, -20), at(20, 20), at(-20, 20)], true)),
  },
  // A miter is 1 / sin(θ/2) widths long: 3 at 38.94°.
  spikes: {
    wrong: () => stroked(one(corner(38)), 2),
    right: () => stroked(one(corner(40)), 2),
  },
  slivers: {
    wrong: () => divided(40 * Math.sin(Math.PI / 8) + 0.01),
    right: () => divided(40 * Math.sin(Math.PI / 8) + 2),
  },
  hidden: {
    wrong: () => filled(one(disc(0, 0, 10), disc(0, 0, 20)), 's1', '#d9512c'),
    right: () => filled(one(disc(0, 0, 10), disc(5, 0, 14)), 's1', '#d9512c'),
  },
  unpainted: {
    wrong: () => divided(20),
    right: () => divided(12),
  },
  samePaint: {
    wrong: () => divided(18),
    right: () => setFold(withForms(disc(0, -40, 18)), 'r', 8),
  },
  // By WCAG's formula #777777 on white has 4.48 : 1.
  contrast: {
    wrong: () => setPage(filled(one(disc(0, 0, 40)), 's0', '#777777'), { background: '#ffffff' }),
    right: () => setPage(filled(one(disc(0, 0, 40)), 's0', '#757575'), { background: '#ffffff' }),
    limits: { page: 4.5 },
  },
  vision: {
    wrong: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#c8524a'), 's1', '#7f7a2b'),
    right: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#113d4c'), 's1', '#f2e6d0'),
    limits: { apart: 12 },
  },
  palette: {
    wrong: () => filled(one(disc(0, 0, 40)), 's0', '#123456'),
    right: () => filled(one(disc(0, 0, 40)), 's0', '#1f8a76'),
  },
  inks: {
    wrong: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#113d4c'), 's1', '#d9512c'),
    right: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#113d4c'), 's1', '#113d4c'),
    limits: { most: 2 },
  },
  seeThrough: {
    wrong: () => setBlend(one(disc(0, 0, 40)), 'r', 'multiply'),
    right: () => one(disc(0, 0, 40)),
  },
  areas: {
    wrong: () => one(disc(0, 0, 40)),
    right: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 1),
  },
  thin: {
    wrong: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 0.24),
    right: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 0.26),
  },
  gap: {
    wrong: () => one(square(40, -20.1), square(40, 20.1)),
    right: () => one(square(40, -20.15), square(40, 20.15)),
  },
  // On 180 mm a pixel at 32 px is 5.625 mm.
  thinAtSize: {
    wrong: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 5.5),
    right: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 5.7),
  },
  gapAtSize: {
    wrong: () => one(square(40, -22.75), square(40, 22.75)),
    right: () => one(square(40, -22.9), square(40, 22.9)),
  },
  beyondPage: {
    wrong: () => one(disc(0, 0, 90.1)),
    right: () => one(disc(0, 0, 90)),
  },
  bleed: {
    wrong: () => setPage(one(disc(0, 0, 95)), { bleed: 2.9 }),
    right: () => setPage(one(disc(0, 0, 95)), { bleed: 3 }),
  },
  offCentre: {
    wrong: () => setPage(one(disc(0, 0, 40)), { centre: { x: 1, y: 0 } }),
    right: () => setPage(one(disc(0, 0, 40)), { centre: { x: 40, y: 0 } }),
  },
  openCuts: {
    wrong: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 1),
    right: () => one(square(20)),
  },
  toolWidth: {
    wrong: () =>
      one(
        formOfPaths([
          polygonPath([
            { x: -30, y: 0 },
            { x: 30, y: 0 },
            { x: 30, y: 0.29 },
            { x: -30, y: 0.29 },
          ]),
        ]),
      ),
    right: () =>
      one(
        formOfPaths([
          polygonPath([
            { x: -30, y: 0 },
            { x: 30, y: 0 },
            { x: 30, y: 0.31 },
            { x: -30, y: 0.31 },
          ]),
        ]),
      ),
  },
  sharpInside: {
    wrong: () =>
      one(
        pathForm(
          [at(-30, 0), at(0, 20), at(30, 0), at(0, 60)].map((p) => ({ ...p, y: -p.y * 1.6 })),
          true,
        ),
      ),
    right: () => one(square(20)),
    limits: { degrees: 140 },
  },
  islands: {
    wrong: () => one(formOfPaths([...ringPaths(40, 20)])),
    right: () => one(square(40)),
  },
  bandsTouch: {
    wrong: () => withRound(woven(), 'r', weaveGap(0.24)),
    right: () => withRound(woven(), 'r', weaveGap(0.25)),
  },
};

export function* ringPaths(outer: number, inner: number) {
  const ring = (r: number, way: 1 | -1) =>
    polygonPath(
      Array.from({ length: 12 }, (_, k) => {
        const a = (way * Math.PI * k) / 6;
        return { x: r * Math.cos(a), y: r * Math.sin(a) };
      }),
    );
  yield ring(outer, 1);
  yield ring(inner, -1);
}

const weaveGap =
  (gap: number) =>
  (round: Figure['rounds'][number]): Figure['rounds'][number] =>
    round.merge?.weave
      ? { ...round, merge: { ...round.merge, weave: { ...round.merge.weave, gap } } }
      : round;
