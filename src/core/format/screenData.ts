import type { Path } from '../curve/path';
import { pathData } from './pathData';

const printed = new WeakMap<readonly Path[], string>();

/** Five decimals, without the care for many digits that files ask for: a drag prints thousands of these a second. */
const onScreen = (value: number): string => String(Math.round(value * 1e5) / 1e5);

/** Path data for the screen, printed once for each list of paths. */
export function screenData(paths: readonly Path[]): string {
  const known = printed.get(paths);
  if (known !== undefined) return known;
  const data = pathData(paths, 5, onScreen);
  printed.set(paths, data);
  return data;
}
