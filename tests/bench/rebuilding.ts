import { STRAIGHT } from '@/core/derive';
import { evaluateWhole } from '@/core/figure';
import type { DrawnShape } from '@/core/format/drawing';
import { readSymmetry } from '@/core/rebuild/read';
import { wallOf } from '@/core/trial';
import { PIECES } from '../../demo/pieces';
import { Chance } from '../help/anyFigure';
import { finishedArtwork } from '../help/finishedArtwork';
import { median } from './timing';

/** So many shapes of finished artwork about one centre. */
function shapesOf(count: number): DrawnShape[] {
  const chance = new Chance(5);
  const making = {
    chance,
    decimals: 3,
    isShuffled: false,
    at: { x: 300, y: 300 },
    degrees: 0,
    missing: 0,
    off: 0,
  };
  const shapes: DrawnShape[] = [];
  while (shapes.length < count) shapes.push(...finishedArtwork(4, making).shapes);
  return shapes.slice(0, count);
}

/** Measures reading the symmetry of finished artwork, and the walls of trials with their scenes. */
export async function benchRebuilding(report: (name: string, time: number) => void): Promise<void> {
  for (const count of [500, 1000, 2000, 5000]) {
    const shapes = shapesOf(count);
    report(`the symmetry of ${count} paths read`, await median(3, () => readSymmetry(shapes)));
  }
  for (const name of ['scallop-ring', 'kelp-crown'] as const) {
    const figure = PIECES[name]?.();
    const [round] = figure?.rounds ?? [];
    if (!figure || !round) continue;
    const plan = { levers: [`${round.id} fold`], how: 'even', bold: 'far', seed: 1 } as const;
    const wall = async (): Promise<void> => {
      for (const variant of wallOf(figure, plan, STRAIGHT)) await evaluateWhole(variant.figure);
    };
    report(`a wall of 24 folds of ${name}`, await median(3, wall));
  }
}
