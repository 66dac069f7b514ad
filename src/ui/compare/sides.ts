/**
 * What is compared: figures, or states of them, as words of an address.
 *
 * @example
 * sidesOf('k3J,k3J@v9Qx,Zt1@s12');    // the figure k3J, its version 9Qx, and step 12 of Zt1
 */
import type { StateRef } from '@/protocol';

export interface SideRef extends StateRef {
  readonly id: string;
}

const SIDE = /^([\w-]{1,40})(?:@(?:s(\d{1,9})|v([\w-]{1,40})))?$/;

/** The sides that an address names; what is none is left out. */
export const sidesOf = (text: string): SideRef[] =>
  text.split(',').flatMap((word): SideRef[] => {
    const [, id, step, version] = SIDE.exec(word) ?? [];
    if (id === undefined) return [];
    if (step !== undefined) return [{ id, step: Number(step) }];
    return [version === undefined ? { id } : { id, version }];
  });

/** A side as a word of an address. */
export const wordOfSide = ({ id, step, version }: SideRef): string =>
  step !== undefined ? `${id}@s${step}` : version !== undefined ? `${id}@v${version}` : id;
