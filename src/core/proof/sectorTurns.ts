import { turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import type { DrawnPicture } from './picture';

/** Places of a picture's sector with those copies of them that its turns take near the sector. */
export interface TurnedPlaces {
  readonly x: number[];
  readonly y: number[];
  /** Which place each is of. */
  readonly of: number[];
  readonly isTurned: boolean[];
  /** The cosine and the sine by which each is turned. */
  readonly cos: number[];
  readonly sin: number[];
}

/** All places of a sector, and those of the sectors beside it that are within reach of it. */
export function turnedIntoReach(
  { fold }: DrawnPicture,
  placeX: ArrayLike<number>,
  placeY: ArrayLike<number>,
  reach: number,
): TurnedPlaces {
  const wedge = (2 * Math.PI) / fold;
  const turns = Array.from({ length: fold }, (_, k) => turnMap(turn(k, fold)));
  const made: TurnedPlaces = { x: [], y: [], of: [], isTurned: [], cos: [], sin: [] };
  const put = (place: number, by: number): void => {
    const { a, b } = turns[by] ?? { a: 1, b: 0 };
    const [x, y] = [placeX[place] ?? 0, placeY[place] ?? 0];
    made.x.push(x * a - y * b);
    made.y.push(x * b + y * a);
    made.of.push(place);
    made.isTurned.push(by !== 0);
    made.cos.push(a);
    made.sin.push(b);
  };
  for (let place = 0; place < placeX.length; place += 1) {
    put(place, 0);
    const [x, y] = [placeX[place] ?? 0, placeY[place] ?? 0];
    const far = Math.hypot(x, y);
    const angle = Math.atan2(x, -y);
    const around = angle < 0 ? angle + 2 * Math.PI : angle;
    // One way round and the other, as far as it stays within reach; never twice.
    let on = 1;
    while (on < fold && isNearSector(far, around + on * wedge, wedge, reach)) put(place, on++);
    for (let back = fold - 1; back > on; back -= 1) {
      if (!isNearSector(far, around + back * wedge, wedge, reach)) break;
      put(place, back);
    }
  }
  return made;
}

/** True where a point at a distance and a direction, clockwise from straight up, is within reach of the first sector. */
function isNearSector(far: number, direction: number, wedge: number, reach: number): boolean {
  const around = direction % (2 * Math.PI);
  const away = Math.min(Math.abs(around - wedge), 2 * Math.PI - around);
  return around <= wedge || (away >= Math.PI / 2 ? far : far * Math.sin(away)) <= reach;
}
