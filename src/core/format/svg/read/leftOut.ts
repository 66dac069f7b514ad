/** What a file has that is not taken, in plain words, and how often. */
export interface LeftOut {
  readonly what: string;
  readonly count: number;
}

/** Elements that draw, or change what is drawn, in ways that are not kept, by what they are called. */
export const NOT_KEPT: Readonly<Record<string, string>> = {
  text: 'text',
  image: 'picture',
  foreignObject: 'foreign content',
  script: 'script',
  animate: 'animation',
  animateMotion: 'animation',
  animateTransform: 'animation',
  set: 'animation',
  video: 'film',
  audio: 'sound',
  mesh: 'mesh gradient',
};

/** Counts what is left out. */
export class LeftOuts {
  private readonly counts = new Map<string, number>();

  add(what: string): void {
    this.counts.set(what, (this.counts.get(what) ?? 0) + 1);
  }

  list(): LeftOut[] {
    return [...this.counts].map(([what, count]) => ({ what, count }));
  }
}
