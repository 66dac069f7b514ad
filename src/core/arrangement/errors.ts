/** The arrangement would need more work than is allowed; nothing was changed. */
export class TooMuchWork extends Error {
  override readonly name = 'TooMuchWork';
}

/** A check inside the arrangement failed: a mistake of ours, never of the drawing. */
export class Inconsistent extends Error {
  override readonly name = 'Inconsistent';
}
