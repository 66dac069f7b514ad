import { nanoid } from 'nanoid';

/** A new id for a round or a shape. */
export const newId = (): string => nanoid(8);
