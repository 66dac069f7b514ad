/** What one job may take. */
export const MOST_MEMORY = 1_500_000_000;
/** In milliseconds: a file that was asked for, a picture that was sent, and a picture for a card on the Shelf. */
export const MOST_TIME = { file: 60_000, picture: 15_000, card: 10_000 } as const;
/** More jobs than this do not wait. */
export const MOST_WAITING = 300;
/** A job that has waited for so long, in milliseconds, is refused: who asked is told, long before a browser gives up on the answer. */
export const MOST_PATIENCE = 120_000;
/** Said by a process before it begins a job: what that may take counts from here, not from the start of the process. */
export const BEGUN = 'begun';
