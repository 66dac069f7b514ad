import { exportAddress } from '@/state';
import type { SideRef } from './sides';

/** Where the picture of a state of a figure is. */
export const stateAddress = ({ id, step, version }: SideRef): string =>
  exportAddress(id, {
    to: 'svg',
    decimals: '3',
    ...(step !== undefined && { step: String(step) }),
    ...(version !== undefined && { version }),
  });
