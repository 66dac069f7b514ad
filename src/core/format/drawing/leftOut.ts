/** What a file has that is not taken, in plain words, and how often. */
export interface LeftOut {
  readonly what: string;
  readonly count: number;
}

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
