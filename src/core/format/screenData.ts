import type { Path } from '@/core/curve';
import { pathData } from './pathData';
import { remembered } from '../remembered';

/** Five decimals, without the care for many digits that files ask for: a drag prints thousands of these a second. */
const onScreen = (value: number): string => String(Math.round(value * 1e5) / 1e5);

/** Path data for the screen, printed once for each list of paths. */
export const screenData = remembered((paths: readonly Path[]): string => pathData(paths, 5, onScreen));
