/** A file that is no SVG, or an SVG with something in it that cannot be read: a sentence that says what. */
export class UnreadableSvg extends Error {
  override readonly name: string = 'UnreadableSvg';
}

/** A value of one element that cannot be read: the element is left out, the rest of the file is none the worse. */
export class UnreadablePart extends UnreadableSvg {
  override readonly name = 'UnreadablePart';
}
