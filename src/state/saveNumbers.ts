/**
 * Saves of one window by their numbers, and which of them had no answer: the server may have got those, so what they made is no change
 * from elsewhere.
 *
 * @example
 * const numbers = new SaveNumbers();
 * const { by, unanswered } = numbers.next();
 * numbers.answered();
 */
import { nanoid } from 'nanoid';

import type { SaveId, SaveRange } from '@/protocol';

export class SaveNumbers {
  /** What this window is known by on the server, until the page is left. */
  readonly window = nanoid();
  private number = 0;
  /** The first of this window's that had no answer; one more than the last where all had. */
  private firstUnanswered = 1;
  /** Those of windows before it whose work it took up. */
  private takenUp: readonly SaveRange[] = [];

  /** All that had no answer since one had. */
  get unanswered(): readonly SaveRange[] {
    if (this.firstUnanswered > this.number) return this.takenUp;
    return [...this.takenUp, { window: this.window, from: this.firstUnanswered, to: this.number }];
  }

  /** What a new save is known by, with those before it that had no answer. It has none itself from now on. */
  next(): { readonly by: SaveId; readonly unanswered: readonly SaveRange[] } {
    const { unanswered } = this;
    this.number += 1;
    return { by: { window: this.window, number: this.number }, unanswered };
  }

  /** The last one was saved: whatever became of those before it, they are in it or were not taken. */
  answered(): void {
    this.takenUp = [];
    this.firstUnanswered = this.number + 1;
  }

  /** The last one was not taken. Of those before it that had no answer nothing more is known. */
  refused(): void {
    if (this.firstUnanswered === this.number) this.firstUnanswered += 1;
  }

  /** Work of a window that is gone goes on here, with what it had no answer to and what it may have sent after it was kept. */
  takeUp(unanswered: readonly SaveRange[], window: string | null): void {
    this.takenUp = window ? [...unanswered, { window, from: 1, to: Number.MAX_SAFE_INTEGER }] : unanswered;
  }
}
