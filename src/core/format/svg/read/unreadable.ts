/** A file that is no SVG, or an SVG with something in it that cannot be read: a sentence that says what. */
export class UnreadableSvg extends Error {
  override readonly name = 'UnreadableSvg';
}
