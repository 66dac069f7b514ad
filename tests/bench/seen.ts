/**
 * How many pictures of rosettes are read right, of each sort and spoilt as it may be: `npx tsx tests/bench/seen.ts 50`. The table is in
 * docs/symmetry.md.
 */
import { readPicture } from '@/core/picture';
import { Chance } from '../help/anyFigure';
import { anyStand, drawnRosette, flower, pencilled, photographed, pictureOf, type Stand } from '../help/seen';

interface Sort {
  readonly name: string;
  readonly fold: (chance: Chance) => number;
  readonly mirror: (chance: Chance) => boolean;
  readonly svg: (chance: Chance, fold: number, mirror: boolean, stand: Stand) => string;
}

const SORTS: readonly Sort[] = [
  {
    name: 'flat drawing',
    fold: (chance) => 2 + Math.floor(59 * chance.share() ** 2),
    mirror: (chance) => chance.yes(),
    svg: drawnRosette,
  },
  {
    name: 'flower',
    fold: (chance) => chance.whole(3, 21),
    mirror: () => true,
    svg: (chance, fold, _, stand) => flower(chance, fold, stand),
  },
  {
    name: 'pencil',
    fold: (chance) => chance.whole(3, 16),
    mirror: () => true,
    svg: (chance, fold, _, stand) => pencilled(chance, fold, stand),
  },
];

const SPOILS = [
  { name: 'clean', noise: 0, light: 0, tilt: 0 },
  { name: 'grain 8, light 30 %', noise: 8, light: 0.3, tilt: 0 },
  { name: 'grain 20, light 40 %, 3°', noise: 20, light: 0.4, tilt: 3 },
  { name: 'grain 40, light 50 %, 6°', noise: 40, light: 0.5, tilt: 6 },
];

const count = Number(process.argv[2] ?? 20);
for (const sort of SORTS)
  for (const spoils of SPOILS) {
    const wrong: string[] = [];
    let [off, spent] = [0, 0];
    for (let seed = 1; seed <= count; seed += 1) {
      const chance = new Chance(seed);
      const [fold, mirror, stand] = [sort.fold(chance), sort.mirror(chance), anyStand(chance)];
      const picture = photographed(pictureOf(sort.svg(chance, fold, mirror, stand)), { chance, ...spoils });
      const begun = performance.now();
      const read = readPicture(picture);
      spent += performance.now() - begun;
      const found = read?.folds[0];
      const meant = `${fold}${mirror ? ' mirrored' : ''}`;
      const told = found ? `${found.fold}${found.mirror ? ' mirrored' : ''}` : 'none';
      if (told !== meant) wrong.push(`${meant} as ${told}`);
      else off = Math.max(off, Math.hypot(read!.seat.x - stand.x, read!.seat.y - stand.y) / stand.size);
    }
    const centre = spoils.tilt === 0 ? `, centre off by ${(100 * off).toFixed(1)} % at most` : '';
    console.log(
      `${sort.name}, ${spoils.name}: ${count - wrong.length} of ${count}${centre}, ${Math.round(spent / count)} ms each; ${wrong.join(', ')}`,
    );
  }
